import { memo } from 'react';
import type { SheetPatch, WindowState } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { Countdown } from '../../ui/Countdown';
import { clock, span } from '../../ui/moments';
import type { windowTimes } from '../../window/window-times';

interface CountProps {
  readonly current: SheetPatch;
  readonly state: WindowState;
  readonly laid: boolean;
  readonly early: boolean;
  readonly ageMin: number;
  readonly times: NonNullable<ReturnType<typeof windowTimes>>;
  readonly rewetByMin: number | null | undefined;
}

/** The window in one line: what it does next, and when. */
export const CountLine = memo(function CountLine({
  current,
  state,
  laid,
  early,
  ageMin,
  times,
  rewetByMin,
}: CountProps) {
  const job = useJob('at', 'document');

  if (early) {
    return (
      <p className="text-2xl text-warn">
        {current.patch.layer > 0 || current.patch.coat > 1 ? 'The coat below is not ready' : 'Its turn does not come'}{' '}
        before <strong className="figure">{clock(job.at(current.startMin))}</strong>
        {(current.patch.layer > 0 || current.patch.coat > 1) && ': laid now, it is dragged off'}.
      </p>
    );
  }
  if (!laid) {
    return (
      <p className="text-xl text-ink-2">
        Opens {span(times.guardedFromMin)} after the first stroke
        {times.guardedByMin === null ? ', no hurry after that' : `, closes after ${span(times.guardedByMin)}`}
      </p>
    );
  }
  const toOpen = times.guardedFromMin - ageMin;
  const toClose = times.guardedByMin === null ? undefined : times.guardedByMin - ageMin;
  const laidMin = current.record?.layStartMin ?? 0;
  /** To, or since, so many minutes after laying began. */
  const big = (atAgeMin: number) => (
    <strong className="figure text-[clamp(3rem,7vw,5.2rem)] leading-none" style={{ fontStretch: '100%' }}>
      <Countdown startAt={job.document.startAt} atMin={laidMin + atAgeMin} />
    </strong>
  );
  const line = 'flex items-baseline gap-4 text-2xl';
  if (state === 'closed') {
    const rewet = rewetByMin === undefined || rewetByMin === null ? undefined : rewetByMin;
    return (
      <p className={`${line} text-stop`}>
        closed for {big(times.byMin ?? 0)}
        <span className="text-lg">{rewet !== undefined && `if it grabs, re-wet by ${clock(job.at(rewet))}`}</span>
      </p>
    );
  }
  if (toOpen > 0) return <p className={line}>opens in {big(times.guardedFromMin)}</p>;
  if (toClose === undefined) return <p className={`${line} text-ok`}>open, no hurry</p>;
  if (toClose > 0) {
    return (
      <p className={`${line} ${state === 'closing' ? 'text-warn' : 'text-ok'}`}>
        {state === 'closing' ? 'closing, ' : 'open, '}
        {big(times.guardedByMin ?? 0)} left
      </p>
    );
  }
  return <p className={`${line} text-warn`}>past what is safe; closes in {big(times.byMin ?? 0)}</p>;
});
