import { useMemo, useState } from 'react';
import { arrange } from '#core/item/nets';
import { stageKey, stageNow } from '#core/prepare/stages';
import { openPause, patchKey } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { Net } from '../../net/Net';
import { useLater } from '../../ui/useLater';
import { AllDone } from './AllDone';
import { BayBar } from './BayBar';
import { InHand } from './InHand';
import { NotBegun } from './NotBegun';
import { ChosenPanel } from './ChosenPanel';
import { Paused } from './Paused';
import { STAGE_LEGEND, stageLens } from './stage-lens';
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
  const job = useJob('begun', 'choose', 'chosen', 'document', 'nowMin', 'planned', 'prepared', 'record', 'sheet');
  const { document, begun, nowMin, record, sheet } = job;
  useWakeLock();
  const [wish, setWish] = useState<string>();
  const { next, others } = useNext(job, wish);
  const current = next?.patch;
  const paused = openPause(record);
  const [laying, setLaying] = useState(false);
  const stage = begun || laying ? undefined : stageNow(job.prepared.preparation.stages, record.stages);
  const atStart = Math.abs(nowMin) <= START_SLACK_MIN;
  const arrangement = useMemo(() => arrange(document), [document]);
  // What to do comes first; what stands around it follows a moment later.
  const { sheet: drawn, current: drawnFor } = useLater(useMemo(() => ({ sheet, current }), [sheet, current]));
  const step = stage?.stage;
  const stepDone = step && record.stages.get(stageKey(step));
  const lens = useMemo(
    () => (step ? stageLens(step, stepDone) : runLens(drawn, arrangement, drawnFor)),
    [step, stepDone, drawn, arrangement, drawnFor],
  );
  const hands =
    !next || !current ? null : paused ? (
      <Paused pause={paused} />
    ) : begun || atStart ? (
      next.does === 'watch' ? (
        <Watch key={patchKey(current.patch)} patch={current} others={others} />
      ) : (
        <InHand current={current} others={others} />
      )
    ) : (
      <StartNow />
    );
  return (
    <main className="flex h-full flex-col">
      <BayBar />
      <Strays />
      {(next && current) || stage ? (
        <div className="grid min-h-0 flex-1 grid-rows-[minmax(0,0.7fr)_minmax(0,1fr)] lg:grid-cols-[minmax(0,0.82fr)_minmax(0,1fr)] lg:grid-rows-1">
          <section aria-label="Map" className="flex min-h-0 flex-col border-b bg-sheet lg:border-b-0 lg:border-r">
            <div className="min-h-0 flex-1">
              <Net
                arrangement={arrangement}
                lead={false}
                lens={lens}
                legend={stage ? STAGE_LEGEND : RUN_LEGEND}
                label={`The item unfolded, by ${stage ? 'what this step is through with' : 'state of its patches'}`}
                chosen={job.chosen?.id ?? (stage ? undefined : drawnFor?.patch.surface)}
                onChoose={job.choose}
              />
            </div>
            {current && <ChosenPanel current={current} onWish={setWish} />}
          </section>
          {begun ? (
            hands
          ) : (
            <NotBegun
              stage={stage}
              first={current}
              isChecklistDue={atStart && !paused}
              onLay={current && (() => setLaying(true))}
            >
              {hands}
            </NotBegun>
          )}
        </div>
      ) : (
        <AllDone />
      )}
    </main>
  );
}
