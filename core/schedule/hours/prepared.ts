import { type Hours, sharedIn } from '#core/plan/crew';
import type { WorkingDay } from '#core/prepare/stages';
import { ADDED_MIN } from './added';
import type { Prepared } from './laying';

/** How fast several hands prepare beside one pair alone: they share the work and wait together for what dwells and dries. */
export const preparationSpeed =
  ({ elapsedMin, waitedMin }: Pick<WorkingDay, 'elapsedMin' | 'waitedMin'>) =>
  (hands: number): number =>
    elapsedMin / ((elapsedMin - waitedMin) / hands + waitedMin);

/**
 * When the preparation of a job is done, and when it has dried: it goes as fast as there are hands at that moment, nobody
 * works at night, drying goes on. Null: not within the hours there are.
 * @param leftShare of the preparation that is still to be done, 0 to 1
 * @param people when each of them is there
 */
export function preparedBy(
  day: Pick<WorkingDay, 'elapsedMin' | 'waitedMin' | 'readyMin'>,
  leftShare: number,
  people: readonly Hours[],
  nowMin: number,
): Prepared | null {
  const { elapsedMin, readyMin } = day;
  if (leftShare <= 0 || elapsedMin <= 0) return { workedMin: nowMin, driedMin: nowMin };
  const [worked] = sharedIn(people, nowMin, [leftShare * elapsedMin], preparationSpeed(day), ADDED_MIN.preparationDay);
  const workedMin = worked?.at(-1)?.[1];
  return workedMin === undefined ? null : { workedMin, driedMin: workedMin + Math.max(0, readyMin - elapsedMin) };
}

/** A working day where nobody says otherwise, minutes: as long as a workshop is usually open. */
const USUAL_DAY_MIN = 600;

/** Person-minutes of a preparation with its set-up, each day of so many working minutes. */
export const preparationMin = (workMin: number, dayMin = USUAL_DAY_MIN): number =>
  workMin <= 0
    ? 0
    : workMin + Math.ceil(workMin / (dayMin - ADDED_MIN.preparationDay) - 1e-9) * ADDED_MIN.preparationDay;

/** Set-up that falls to one step of a preparation, minutes: of the days that begin with it after what came before. */
export const preparationSetUpMin = (beforeMin: number, workMin: number): number =>
  preparationMin(beforeMin + workMin) - preparationMin(beforeMin) - workMin;
