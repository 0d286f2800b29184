import { Check, Pause, Play, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import {
  type PauseReason,
  type PrepStage,
  rinseByMin,
  stageKey,
  stageState,
  STEP_KINDS,
  type Turn,
  workedMin,
} from '#core/prepare';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { clock } from '../../ui/moments';
import { useTap } from '../run/useTap';
import { hours } from './hours';

const PAUSE_NAMES: Readonly<Record<PauseReason, string>> = {
  break: 'Break',
  'no-power': 'No power',
  weather: 'Weather',
  waiting: 'Waiting for another',
  other: 'Something else',
};

interface Props {
  readonly job: JobView;
  readonly stage: PrepStage;
  /** When it is its turn; more than once where what dries is waited out with something else. */
  readonly turns: readonly Turn[];
}

/** One stage of the work: what it is, and at the bay begun, paused with a reason, and finished with one tap. */
export function StageRow({ job, stage, turns }: Props) {
  const { kind, round, steps, minutes, defaultMin: predictedMin } = stage;
  const { tap } = useTap(job.id);
  const [pausing, setPausing] = useState(false);
  const record = job.record.stages.get(stageKey(stage));
  const state = stageState(record);
  const lacking = steps.filter(({ impossible }) => impossible);
  const doable = steps.filter(({ impossible, leftOut }) => !impossible && !leftOut);
  const ref = { kind, round };
  const { name, caution, stopWhen } = STEP_KINDS[kind];
  const dwellMin = Math.max(0, ...doable.map((step) => step.dwellMin ?? 0));
  const rinseBy = record && rinseByMin(record);
  return (
    <li className="border-t py-1.5 first:border-t-0" aria-label={name}>
      <div className="flex items-center justify-between gap-3">
        <span>
          <strong>
            {name}
            {round > 1 && `, round ${round}`}
          </strong>{' '}
          <span className="text-ink-3">
            {steps.length === 0
              ? 'begun, and no longer planned'
              : `${steps.length} ${steps.length === 1 ? 'panel' : 'panels'}`}
          </span>
        </span>
        <span className="flex items-center gap-2 whitespace-nowrap">
          {record ? (
            <span className={state === 'done' ? 'text-ok' : 'font-semibold'}>
              {hours(workedMin(record, job.nowMin))} <span className="text-ink-3">of {hours(minutes)}</span>
            </span>
          ) : (
            hours(minutes)
          )}
          {state === 'todo' && doable.length > 0 && (
            <Button
              aria-label={`Start ${name}`}
              onClick={() => tap({ type: 'stage-start', stage: ref, predictedMin, ...(dwellMin > 0 && { dwellMin }) })}
            >
              <Play size={15} />
            </Button>
          )}
          {state === 'done' && <Check size={18} className="text-ok" aria-label="Done" />}
        </span>
      </div>
      {(state === 'running' || state === 'paused') && (
        <div className="mt-1.5 border-l-4 border-over pl-3">
          {rinseBy !== undefined && (
            <p className="figure text-xl text-over" role="timer">
              <TriangleAlert size={18} className="inline" /> rinse by {clock(job.at(rinseBy))}, never dry
            </p>
          )}
          <p className="text-[13.5px] text-ink-2">{caution}</p>
          <div className="mt-1.5 flex flex-wrap gap-2">
            {state === 'running' ? (
              <Button glove onClick={() => setPausing(!pausing)} aria-expanded={pausing}>
                <Pause size={18} /> Pause
              </Button>
            ) : (
              <Button glove look="main" onClick={() => tap({ type: 'stage-resume', stage: ref })}>
                <Play size={18} /> Go on
              </Button>
            )}
            <Button
              glove
              look={state === 'running' ? 'main' : 'plain'}
              onClick={() => tap({ type: 'stage-end', stage: ref })}
            >
              <Check size={18} /> Finished
            </Button>
          </div>
          {pausing && state === 'running' && (
            <div role="group" aria-label="Why it is paused" className="mt-2 flex flex-wrap gap-2">
              {(Object.entries(PAUSE_NAMES) as [PauseReason, string][]).map(([reason, words]) => (
                <Button
                  key={reason}
                  glove
                  onClick={() => {
                    setPausing(false);
                    tap({ type: 'stage-pause', stage: ref, reason });
                  }}
                >
                  {words}
                </Button>
              ))}
            </div>
          )}
        </div>
      )}
      {state === 'todo' && turns.length > 0 && (
        <span className="block text-[13px] text-ink-3">
          {turns.map(({ fromMin, meanwhile }, index) => (
            <span key={fromMin}>
              {index > 0 && ', '}
              {fromMin < 1 ? 'at the beginning' : `${hours(fromMin)} in`}
              {meanwhile && ', while something dries'}
            </span>
          ))}
        </span>
      )}
      {state === 'running' && stopWhen && <p className="pl-4 text-[13.5px]">A patch is done when {stopWhen}.</p>}
      {lacking.length > 0 && <span className="block text-[13px] text-stop">Not here: {lacking[0]!.impossible}.</span>}
    </li>
  );
}
