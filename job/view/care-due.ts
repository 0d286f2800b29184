import { TOPPER_EVERY_WASHES, WASH_EVERY_WEEKS } from '#core/care/upkeep';
import { MS_PER_DAY } from '#core/measures';
import type { CareDue, JobSummary } from '#formats/job';

const WASH_EVERY_DAYS = 7 * WASH_EVERY_WEEKS;
const LOOKED_AT_EVERY_DAYS = 365;
/** What is due so long ago is over, days. */
const OVER_AFTER_DAYS = 60;

type InCare = Pick<JobSummary, 'handover' | 'firstWash' | 'renew' | 'takesTopper' | 'reminders'>;

/**
 * What an item in care is due for, the soonest first: its first wash, then a gentle one every few weeks, a topper every few
 * washes where something lies on it that it looks after, the yearly look counted from when it was handed over, the first
 * renewal, and what was left out and is to be thought of again.
 */
export function careDue({ handover, firstWash, renew, takesTopper, reminders }: InCare, nowMs: number): CareDue['due'] {
  const overMs = nowMs - OVER_AFTER_DAYS * MS_PER_DAY;
  /** The first of what comes round every so many days after a moment, that is not over at another. */
  const next = (what: 'wash' | 'topper' | 'look', from: string | null, everyDays: number, notBeforeMs: number) => {
    if (from === null) return [];
    const fromMs = Date.parse(from);
    const everyMs = everyDays * MS_PER_DAY;
    const times = Math.max(1, Math.ceil((notBeforeMs - fromMs) / everyMs));
    return [{ what, at: new Date(fromMs + times * everyMs).toISOString() }];
  };
  // A visit that lays nothing washes it: its end is what is counted from.
  const washed = firstWash ?? handover;
  const all: CareDue['due'] = [
    ...(firstWash === null ? [] : [{ what: 'first-wash' as const, at: firstWash }]),
    ...next('wash', washed, WASH_EVERY_DAYS, nowMs),
    ...(takesTopper ? next('topper', washed, TOPPER_EVERY_WASHES * WASH_EVERY_DAYS, nowMs) : []),
    ...next('look', handover, LOOKED_AT_EVERY_DAYS, overMs),
    ...(renew === null ? [] : [{ what: 'renew' as const, at: renew }]),
    ...reminders.map(({ what, on }) => ({
      what: 'reminder' as const,
      at: new Date(`${on}T09:00:00Z`).toISOString(),
      says: what,
    })),
  ];
  return all.filter(({ at }) => Date.parse(at) >= overMs).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}
