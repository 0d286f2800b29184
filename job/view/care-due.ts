import { MS_PER_DAY } from '#core/measures';
import type { CareDue, JobSummary } from '#formats/job';

const LOOKED_AT_EVERY_DAYS = 365;
/** What is due so long ago is over, days. */
const OVER_AFTER_DAYS = 60;

/**
 * What an item in care is due for, the soonest first: its first wash, the yearly look counted from when it was handed
 * over, the first renewal, and what was left out and is to be thought of again.
 */
export function careDue(
  { handover, firstWash, renew, reminders }: Pick<JobSummary, 'handover' | 'firstWash' | 'renew' | 'reminders'>,
  nowMs: number,
): CareDue['due'] {
  const looks = (): CareDue['due'] => {
    if (handover === null) return [];
    const out = Date.parse(handover);
    const years = Math.max(
      1,
      Math.ceil((nowMs - OVER_AFTER_DAYS * MS_PER_DAY - out) / (LOOKED_AT_EVERY_DAYS * MS_PER_DAY)),
    );
    const at = out + years * LOOKED_AT_EVERY_DAYS * MS_PER_DAY;
    return [{ what: 'look', at: new Date(at).toISOString() }];
  };
  const all: CareDue['due'] = [
    ...(firstWash === null ? [] : [{ what: 'first-wash' as const, at: firstWash }]),
    ...looks(),
    ...(renew === null ? [] : [{ what: 'renew' as const, at: renew }]),
    ...reminders.map(({ what, on }) => ({
      what: 'reminder' as const,
      at: new Date(`${on}T09:00:00Z`).toISOString(),
      says: what,
    })),
  ];
  const from = nowMs - OVER_AFTER_DAYS * MS_PER_DAY;
  return all.filter(({ at }) => Date.parse(at) >= from).sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}
