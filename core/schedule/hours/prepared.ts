import type { Hours } from '#core/plan/crew';
import type { WorkingDay } from '#core/prepare/stages';
import { ADDED_MIN } from './added';
import { workedBy } from './opening';

/**
 * When the preparation of a job is done and has dried, and laying may begin: several hands share the work and wait
 * together, nobody works at night, drying goes on. Null: not within the hours there are.
 * @param leftShare of the preparation that is still to be done, 0 to 1
 */
export function preparedBy(
  { elapsedMin, waitedMin, readyMin }: Pick<WorkingDay, 'elapsedMin' | 'waitedMin' | 'readyMin'>,
  leftShare: number,
  hands: number,
  hours: Hours,
  nowMin: number,
): number | null {
  if (leftShare <= 0 || elapsedMin <= 0) return nowMin;
  const workMin = leftShare * ((elapsedMin - waitedMin) / Math.max(1, hands) + waitedMin);
  const done = workedBy(hours, nowMin, workMin, ADDED_MIN.preparationDay);
  return done === null ? null : done + Math.max(0, readyMin - elapsedMin);
}

/** A working day where nobody says otherwise, minutes: as long as a workshop is usually open. */
const USUAL_DAY_MIN = 600;

/** Person-minutes of a preparation with its set-up, each day of so many working minutes. */
export const preparationMin = (workMin: number, dayMin = USUAL_DAY_MIN): number =>
  workMin <= 0
    ? 0
    : workMin + Math.ceil(workMin / (dayMin - ADDED_MIN.preparationDay) - 1e-9) * ADDED_MIN.preparationDay;
