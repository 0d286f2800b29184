import { MS_PER_DAY } from '#core/measures';
import type { CareDue, JobSummary } from '#formats/job';

/** What is due so long ago is over, days. */
const OVER_AFTER_DAYS = 60;

type InCare = Pick<JobSummary, 'handover' | 'firstWash' | 'renew' | 'careDays' | 'reminders'>;

/**
 * What an item in care is due for, the soonest first: its first wash, then a gentle one, a topper, its maker's booster
 * and an inspection counted from when it was handed over, each as often as agreed or by its sheets, the first renewal, and what was left out and is to be thought of again.
 */
export function careDue({ handover, firstWash, renew, careDays, reminders }: InCare, nowMs: number): CareDue['due'] {
  const overMs = nowMs - OVER_AFTER_DAYS * MS_PER_DAY;
  /** The first of what comes round every so many days after a moment, that is not over at another. */
  const next = (
    what: 'wash' | 'topper' | 'booster' | 'look',
    from: string | null,
    everyDays: number | undefined,
    notBeforeMs: number,
  ) => {
    if (from === null || everyDays === undefined) return [];
    const fromMs = Date.parse(from);
    const everyMs = everyDays * MS_PER_DAY;
    const times = Math.max(1, Math.ceil((notBeforeMs - fromMs) / everyMs));
    return [{ what, at: new Date(fromMs + times * everyMs).toISOString() }];
  };
  // A visit that lays nothing washes it: its end is what is counted from.
  const washed = firstWash ?? handover;
  const all: CareDue['due'] = [
    ...(firstWash === null ? [] : [{ what: 'first-wash' as const, at: firstWash }]),
    ...next('wash', washed, careDays.wash, nowMs),
    ...next('topper', washed, careDays.topper, nowMs),
    ...next('booster', handover, careDays.booster, overMs),
    ...next('look', handover, careDays.inspection, overMs),
    ...(renew === null ? [] : [{ what: 'renew' as const, at: renew }]),
    ...reminders.map(({ what, on }) => ({
      what: 'reminder' as const,
      at: new Date(`${on}T09:00:00Z`).toISOString(),
      says: what,
    })),
  ];
  return all.filter(({ at }) => Date.parse(at) >= overMs).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}
