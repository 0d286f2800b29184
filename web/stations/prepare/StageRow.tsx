import { Check, Pause, Play, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { batteriesFor, lampsFor, NO_KIT, padsFor } from '#core/prepare/kit';
import {
  isDone,
  PAUSE_REASONS,
  type PrepStage,
  rinseByMin,
  stageKey,
  stageState,
  type Turn,
  workedMin,
} from '#core/prepare/stages';
import { STEP_KINDS } from '#core/prepare/steps';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { clock } from '../../ui/moments';
import { useTap } from '../../bay/useTap';
import { PAUSE_NAMES } from '../../bay/pause-names';
import { StageTook } from './StageTook';
import { hours } from '../../ui/hours';

const times = (count: number) => (count === 0 ? 'not at all' : count === 1 ? 'once' : `${count} times`);

/** When a turn begins, counted from the beginning of the work. */
const turnInWords = ({ fromMin, meanwhile }: Turn) =>
  `, ${fromMin < 1 ? 'first' : `${hours(fromMin)} in`}${meanwhile ? ' while something dries' : ''}`;

interface Props {
  readonly stage: PrepStage;
  /** When it is its turn; more than once where what dries is waited out with something else. */
  readonly turns: readonly Turn[];
}

/** One stage of the work: what it is, and at the bay begun, paused with a reason, and finished with one tap. */
export function StageRow({ stage, turns }: Props) {
  const job = useJob('at', 'id', 'nowMin', 'prepared', 'record');
  const { kind, round, steps, minutes, defaultMin: predictedMin } = stage;
  const { tap } = useTap(job.id);
  const [pausing, setPausing] = useState(false);
  const record = job.record.stages.get(stageKey(stage));
  const state = stageState(record);
  const lacking = steps.filter(({ impossible }) => impossible);
  const doable = steps.filter(isDone);
  const ref = { kind, round };
  const { name, caution, stopWhen } = STEP_KINDS[kind];
  const dwellMin = Math.max(0, ...doable.map((step) => step.dwellMin ?? 0));
  const areas = new Map(job.prepared.cases.map(({ id, areaM2 }) => [id, areaM2]));
  const kit = job.prepared.settings.kit ?? NO_KIT;
  const tooled = state === 'done' ? [] : doable.flatMap((step) => (step.tool ? [{ ...step, tool: step.tool }] : []));
  const nowMs = Date.parse(job.at(job.nowMin));
  const pads = padsFor(
    tooled.map(({ tool, surface }) => ({ tool, areaM2: areas.get(surface) ?? 0 })),
    kit,
    nowMs,
  );
  const batteries = batteriesFor(tooled, kit, nowMs);
  const lamps = lampsFor(kind, kit);
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
            {state === 'todo' && turns.map(turnInWords).join('')}
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
            <p className="figure text-3xl leading-tight text-over" role="timer">
              <TriangleAlert size={26} className="inline" /> rinse by {clock(job.at(rinseBy))}, never dry
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
              {PAUSE_REASONS.map((reason) => (
                <Button
                  key={reason}
                  glove
                  onClick={() => {
                    setPausing(false);
                    tap({ type: 'stage-pause', stage: ref, reason });
                  }}
                >
                  {PAUSE_NAMES[reason]}
                </Button>
              ))}
            </div>
          )}
        </div>
      )}
      {state === 'running' && stopWhen && <p className="pl-4 text-[13.5px]">A patch is done when {stopWhen}.</p>}
      {pads.map(({ pad, liquid, needed, ready, cleanings }) => (
        <span
          key={`${pad.id} ${liquid.id}`}
          className={`block text-[13px] ${ready === 0 ? 'text-warn' : 'text-ink-3'}`}
        >
          {pad.name} with {liquid.name}: loads {needed},{' '}
          {ready === 0 ? 'none is clean and dry' : `${ready} clean and dry`}
          {cleanings > 0 &&
            `: ${ready === 0 ? 'wash one first, then ' : ''}cleaned on the go ${times(cleanings - (ready === 0 ? 1 : 0))}`}
        </span>
      ))}
      {batteries.map(({ machine, changes }) => (
        <span key={machine.id} className="block text-[13px] text-warn">
          {machine.name}: {changes === 1 ? 'another full battery' : `${changes} more full batteries`} for this stage
        </span>
      ))}
      {lamps.length > 0 && (
        <span className={`block text-[13px] ${lamps[0]!.flickerFree ? 'text-ink-3' : 'text-warn'}`}>
          By {lamps.map(({ name }) => name).join(', ')}
          {!lamps[0]!.flickerFree && ': it flickers, and hides faults'}
        </span>
      )}
      {record && state !== 'todo' && <StageTook stage={stage} record={record} />}
      {lacking.length > 0 && <span className="block text-[13px] text-stop">Not here: {lacking[0]!.impossible}.</span>}
    </li>
  );
}
