import { MINUTES_PER_HOUR } from '#core/measures';
import { type Hours, minutesWithin } from '#core/plan/crew';
import type { DayBlock } from './blocks';

/** One hour of the clock in which somebody is there. */
export interface HourLeft {
  readonly fromMin: number;
  /** Minutes there, all people. */
  readonly thereMin: number;
  /** Of these, minutes of work that are planned. */
  readonly workMin: number;
  /** Work that is still left when it is over, minutes, all people. */
  readonly leftMin: number;
}

/** How a job stands against its deadline. Person-minutes. */
export interface UntilDeadline {
  readonly hours: readonly HourLeft[];
  /** Work left, of which some may lie beyond the deadline. */
  readonly workMin: number;
  readonly beyondMin: number;
  /** There until the deadline, and what of it nobody needs. */
  readonly thereMin: number;
  readonly spareMin: number;
}

/**
 * What is left until a deadline, hour by hour of those in which somebody is there.
 * @param nowMin counted from here
 * @param people when each is there
 */
export function untilDeadline(
  blocks: readonly DayBlock[],
  people: readonly Hours[],
  nowMin: number,
  deadlineMin: number,
): UntilDeadline {
  const works = blocks.flatMap((block) => {
    const wholeMin = block.stretches.reduce((sum, [from, to]) => sum + to - from, 0);
    return block.personMin > 0 && wholeMin > 0 ? [{ ...block, perMin: block.personMin / wholeMin }] : [];
  });
  const workWithin = (from: number, to: number) =>
    works.reduce((sum, { stretches, perMin }) => sum + perMin * minutesWithin(stretches, from, to), 0);
  const thereWithin = (from: number, to: number) =>
    people.reduce((sum, hours) => sum + minutesWithin(hours, from, to), 0);

  const workMin = workWithin(nowMin, Infinity);
  const hours: HourLeft[] = [];
  let leftMin = workMin;
  for (let from = nowMin; from < deadlineMin;) {
    // Full hours of the clock of the job; the first one is as long as is left of it.
    const to = Math.min(deadlineMin, (Math.floor(from / MINUTES_PER_HOUR + 1e-9) + 1) * MINUTES_PER_HOUR);
    const thereMin = thereWithin(from, to);
    const planned = workWithin(from, to);
    leftMin = Math.max(0, leftMin - planned);
    if (thereMin > 0) hours.push({ fromMin: from, thereMin, workMin: planned, leftMin });
    from = to;
  }
  const inTimeMin = workWithin(nowMin, deadlineMin);
  const thereMin = thereWithin(nowMin, deadlineMin);
  return { hours, workMin, beyondMin: workMin - inTimeMin, thereMin, spareMin: Math.max(0, thereMin - inTimeMin) };
}
