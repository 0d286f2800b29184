import { Check, Pause, Play, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { hoursOf, peopleOf, preparersOf } from '#core/plan/crew';
import { isDone, rinseByMin, stageKey, type StageNow, stageState, takeSides, workedMin } from '#core/prepare/stages';
import { STEP_KINDS } from '#core/prepare/steps';
import { MS_PER_MIN } from '#core/measures';
import { useJob } from '../../job/job-context';
import { AskFirst, type Question } from '../../bay/AskFirst';
import { Button } from '../../ui/Button';
import { Countdown } from '../../ui/Countdown';
import { hours } from '../../ui/hours';
import { useNow } from '../../ui/useNow';
import { PolishTool } from '../../bay/PolishTool';
import { useTap } from '../../bay/useTap';
import { personName } from './person-name';
import { WhyPaused } from './WhyPaused';

interface Props {
  readonly now: StageNow;
  /** Laying is gone on to, whatever of the preparation is not ticked off; absent: nothing is to be laid. */
  readonly onLay: (() => void) | undefined;
}

/** A stage of the preparation as the one thing to do: its clock, its caution, its way out. */
export function StageInHand({ now: { stage, nth, of, open }, onLay }: Props) {
  const job = useJob('document', 'id', 'nameOf', 'planned', 'record');
  const { tap, settling } = useTap(job.id);
  const now = useNow(1000);
  const [pausing, setPausing] = useState(false);
  const [question, setQuestion] = useState<Question>();
  const nowMin = (now - Date.parse(job.document.startAt)) / MS_PER_MIN;
  const { kind, round, minutes, defaultMin: predictedMin } = stage;
  const { name, caution, stopWhen } = STEP_KINDS[kind];
  const record = job.record.stages.get(stageKey(stage));
  const state = stageState(record);
  const ref = { kind, round };
  const steps = stage.steps.filter(isDone);
  const dwellMin = Math.max(0, ...steps.map((step) => step.dwellMin ?? 0));
  const rinseBy = record && rinseByMin(record);
  const isThrough = (surface: string) => record?.panels.includes(surface) === true;
  const left = steps.filter(({ surface }) => !isThrough(surface));
  const leftMin = left.reduce((sum, step) => sum + step.minutes, 0);
  const preparers = preparersOf(peopleOf(job.planned.crew)).filter((person) =>
    hoursOf(person).some(([from, to]) => from <= nowMin && to > nowMin),
  );
  const zones = new Map(job.document.surfaces.map(({ id, zone }) => [id, zone]));
  const sides =
    preparers.length < 2
      ? []
      : takeSides(
          left.map((step) => ({ surface: step.surface, side: zones.get(step.surface), minutes: step.minutes })),
          preparers.length,
        );
  const takenBy = new Map(
    sides.flatMap((own, nth) => own.map(({ surface }) => [surface, personName(preparers[nth]!.id)] as const)),
  );
  const copies = new Map(job.document.surfaces.map(({ id, count }) => [id, count]));
  return (
    <section aria-label="Stage in hand" className="flex min-h-0 flex-col overflow-auto px-6 pt-4">
      <p className="text-2xl text-ink-2">
        {state === 'paused' ? 'Paused' : state === 'running' ? 'At it' : 'Next'}, {nth} of {of}
      </p>
      <h2 className="figure text-[clamp(2rem,4.2vw,3.4rem)] leading-[1.05]">
        {name}
        {round > 1 && `, round ${round}`}
      </h2>
      <p className="mt-1 text-xl">
        {steps.length} {steps.length === 1 ? 'panel' : 'panels'} · {hours(minutes)}
        {record && <strong> · {hours(workedMin(record, nowMin))} so far</strong>}
        {record && record.panels.length > 0 && (
          <span>
            {' '}
            · {steps.length - left.length} of {steps.length} done, {hours(leftMin)} to go
          </span>
        )}
      </p>
      {rinseBy !== undefined && (
        <p className="mt-3 flex items-baseline gap-4 text-2xl text-over" role="timer">
          {nowMin > rinseBy ? 'rinse now, late by' : 'rinse within'}
          <strong className="figure text-[clamp(3rem,7vw,5.2rem)] leading-none">
            <Countdown startAt={job.document.startAt} atMin={rinseBy} />
          </strong>
        </p>
      )}
      <p className="mt-3 flex items-start gap-3 border-l-4 border-warn bg-warn-soft px-3 py-2 text-lg">
        <TriangleAlert size={24} className="mt-0.5 shrink-0 text-warn" aria-hidden /> {caution}
      </p>
      {sides.length > 1 && (
        <p className="mt-2 text-lg text-ink-2">
          Each takes a side, and helps whoever is behind:{' '}
          {sides
            .map(
              (own, nth) =>
                `${personName(preparers[nth]!.id)} ${hours(own.reduce((sum, { minutes: min }) => sum + min, 0))}`,
            )
            .join(', ')}
          .
        </p>
      )}
      {stopWhen && <p className="mt-2 text-lg">A patch is done when {stopWhen}.</p>}
      <ul className="mt-3 pb-3">
        {[...left, ...steps.filter(({ surface }) => isThrough(surface))].map(({ surface, tool, reason, measured }) => (
          <li key={surface} className="border-t py-1.5 text-lg first:border-t-0">
            <div className="flex items-center gap-3">
              {record &&
                steps.length > 1 &&
                (isThrough(surface) ? (
                  <span
                    role="img"
                    aria-label={`${job.nameOf(surface)} is through with it`}
                    className="grid h-16 w-20 shrink-0 place-items-center bg-ok-soft text-ok"
                  >
                    <Check size={30} strokeWidth={3} />
                  </span>
                ) : (
                  <Button
                    glove
                    className="h-16 w-20 shrink-0"
                    aria-label={`${job.nameOf(surface)} is done`}
                    disabled={settling}
                    onClick={() => tap({ type: 'stage-panel', stage: ref, surface })}
                  >
                    Done
                  </Button>
                ))}
              <p className={isThrough(surface) ? 'text-ink-2' : ''}>
                <strong>{job.nameOf(surface)}</strong>
                {takenBy.has(surface) && <span className="ml-2 bg-tint-1 px-2 text-base">{takenBy.get(surface)}</span>}
                {!tool && <span className="text-base text-ink-2"> · {reason}</span>}
              </p>
            </div>
            {tool && (
              <PolishTool
                tool={tool}
                copies={copies.get(surface) ?? 1}
                measured={measured}
                on={measured ? job.nameOf(measured.on) : ''}
              />
            )}
          </li>
        ))}
      </ul>
      <div className="sticky bottom-0 mt-auto shrink-0 bg-paper pb-4 pt-3">
        <Button
          look="main"
          glove
          className="min-h-24 w-full text-[2rem]"
          disabled={settling}
          onClick={() =>
            tap(
              state === 'running'
                ? { type: 'stage-end', stage: ref }
                : state === 'paused'
                  ? { type: 'stage-resume', stage: ref }
                  : { type: 'stage-start', stage: ref, predictedMin, ...(dwellMin > 0 && { dwellMin }) },
            )
          }
        >
          {state === 'running' ? <Check size={30} /> : <Play size={30} />}
          {state === 'running' ? 'Finished' : state === 'paused' ? 'Go on' : 'Start'}
        </Button>
        <div className="mt-3 flex gap-3">
          {state === 'running' && (
            <Button glove className="flex-1" disabled={settling} onClick={() => setPausing(true)}>
              <Pause size={22} /> Pause
            </Button>
          )}
          {onLay && (
            <Button
              glove
              className="flex-1"
              onClick={() =>
                setQuestion({
                  title: `${open === 1 ? 'One stage is' : `${open} stages are`} not ticked off`,
                  says: 'They stay open. What laying needs of them is asked before the first patch.',
                  not: `Back to ${name.toLowerCase()}`,
                  sure: 'Go on to laying',
                  onSure: onLay,
                })
              }
            >
              Go on to laying
            </Button>
          )}
        </div>
      </div>
      {question && <AskFirst question={question} onClose={() => setQuestion(undefined)} />}
      <WhyPaused
        title={`Why ${name.toLowerCase()} stops`}
        open={pausing}
        onClose={() => setPausing(false)}
        onChoose={(reason) => tap({ type: 'stage-pause', stage: ref, reason })}
      />
    </section>
  );
}
