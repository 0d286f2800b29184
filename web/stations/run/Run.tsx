import { useDeferredValue, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { arrange } from '#core/item/nets';
import { stageKey, stageNow } from '#core/work/prepare';
import { openPause, patchKey } from '#core/work/run';
import { useJob } from '../../job/useJobView';
import { Net } from '../../net/Net';
import { DoNotBegin } from '../quantify/DoNotBegin';
import { usePickList } from '../quantify/usePickList';
import { AllDone } from './AllDone';
import { BayBar } from './BayBar';
import { InHand } from './InHand';
import { ChosenPanel } from './ChosenPanel';
import { Gate, useGate } from './Gate';
import { StageInHand } from './StageInHand';
import { Paused } from './Paused';
import { StartNow } from './StartNow';
import { Strays } from './Strays';
import { RUN_LEGEND, runLens } from './run-lens';
import { useWakeLock } from './signals';
import { useNext } from './useNext';
import { Watch } from './Watch';

/** A start planned further away than this is asked about before the first patch is laid, minutes. */
const START_SLACK_MIN = 10;

/** The bay: one large thing to do at a time, read from two metres and touched with a glove. */
export function Component() {
  const job = useJob();
  const { sheet, document, begun, nowMin, record } = job;
  useWakeLock();
  const [wish, setWish] = useState<string>();
  const { next, others } = useNext(job, wish);
  const current = next?.patch;
  const paused = openPause(record);
  const [laying, setLaying] = useState(false);
  const stage = begun || laying ? undefined : stageNow(job.prepared.preparation.stages, record.stages);
  const gate = useGate(job, begun ? undefined : current);
  const atStart = Math.abs(nowMin) <= START_SLACK_MIN;
  const unsafe = usePickList(job).short.filter(({ line }) => line.protective);
  const arrangement = useMemo(() => arrange(document), [document]);
  // What to do comes first; the net follows a moment later.
  const [drawn, drawnFor] = [useDeferredValue(sheet), useDeferredValue(current)];
  const lens = useMemo(() => runLens(drawn, arrangement, drawnFor), [drawn, arrangement, drawnFor]);
  return (
    <main className="flex h-full flex-col">
      <BayBar job={job} />
      <Strays job={job} />
      {(next && current) || stage ? (
        <div className="grid min-h-0 flex-1 grid-rows-[minmax(0,0.7fr)_minmax(0,1fr)] lg:grid-cols-[minmax(0,0.82fr)_minmax(0,1fr)] lg:grid-rows-1">
          <section aria-label="Map" className="flex min-h-0 flex-col border-b bg-sheet lg:border-b-0 lg:border-r">
            <div className="min-h-0 flex-1">
              <Net
                arrangement={arrangement}
                lead={false}
                lens={lens}
                legend={RUN_LEGEND}
                label="The item unfolded, by state of its patches"
                chosen={job.chosen?.id ?? (stage ? undefined : drawnFor?.patch.surface)}
                onChoose={job.choose}
              />
            </div>
            {current && <ChosenPanel job={job} current={current} onWish={setWish} />}
          </section>
          {!begun && unsafe.length > 0 ? (
            <section aria-label="In hand" className="overflow-auto p-6">
              <DoNotBegin bay unsafe={unsafe} />
              <Link
                to={`/jobs/${job.id}/quantify?view=list`}
                className="flex min-h-20 items-center justify-center rounded border border-line-strong bg-sheet text-2xl hover:bg-tint-1"
              >
                What has to lie ready
              </Link>
            </section>
          ) : stage ? (
            <StageInHand key={stageKey(stage.stage)} job={job} now={stage} onLay={current && (() => setLaying(true))} />
          ) : !next || !current ? null : paused ? (
            <Paused job={job} pause={paused} />
          ) : !begun && atStart && gate.some(({ state }) => state === undefined) ? (
            <Gate job={job} first={current} lines={gate} />
          ) : begun || atStart ? (
            next.does === 'watch' ? (
              <Watch key={patchKey(current.patch)} job={job} patch={current} others={others} />
            ) : (
              <InHand key={patchKey(current.patch)} job={job} current={current} others={others} />
            )
          ) : (
            <StartNow job={job} />
          )}
        </div>
      ) : (
        <AllDone job={job} />
      )}
    </main>
  );
}
