import { MS_PER_DAY } from '#core/measures';

/** So many days before or after its day a look still counts. The shop's usual terms. */
export const GRACE_DAYS = 45;
const DAYS_PER_MONTH = 365.25 / 12;

export type LookState = 'kept' | 'missed' | 'due' | 'to-come';

/** What became of one yearly look. Milliseconds. */
export interface WarrantyLook {
  readonly dueMs: number;
  readonly state: LookState;
  /** When it was looked at. */
  readonly atMs?: number;
}

export interface WarrantyStands {
  readonly untilMs: number;
  readonly looks: readonly WarrantyLook[];
  /** When it lapsed for want of a look; undefined: it did not. */
  readonly lapsedMs?: number;
  /** It ran its time. */
  readonly ended: boolean;
}

const endsMs = ({ fromMs, months }: Pick<WarrantyTerm, 'fromMs' | 'months'>): number =>
  fromMs + months * DAYS_PER_MONTH * MS_PER_DAY;

/** From when a warranty runs, for how many months, and how often it is inspected. */
interface WarrantyTerm {
  readonly fromMs: number;
  readonly months: number;
  readonly everyDays: number;
}

/**
 * When a warranted layer is to be inspected: once every so many days from the day it was laid, until so near its end that nothing
 * would hang on it any more. The passport names these days, and the warranty is kept or lost by them.
 */
export function inspectionsDueMs(term: WarrantyTerm): number[] {
  const everyMs = term.everyDays * MS_PER_DAY;
  const lastMs = endsMs(term) - GRACE_DAYS * MS_PER_DAY;
  const most = Math.max(0, Math.ceil((lastMs - term.fromMs) / everyMs) - 1);
  return Array.from({ length: most }, (_, nth) => term.fromMs + (nth + 1) * everyMs);
}

/**
 * How a warranty stands: a look every so many days from when the layer was laid, kept by any visit near its day; it lapses with
 * the end of the grace of the first that was missed.
 * @param visitsMs visits of the item after it was laid, in any order
 */
export function warrantyStands(
  { fromMs, months, everyDays }: WarrantyTerm,
  visitsMs: readonly number[],
  nowMs: number,
): WarrantyStands {
  const untilMs = endsMs({ fromMs, months });
  const graceMs = GRACE_DAYS * MS_PER_DAY;
  const looks: WarrantyLook[] = [];
  for (const dueMs of inspectionsDueMs({ fromMs, months, everyDays })) {
    const atMs = visitsMs.find((visit) => visit > fromMs && Math.abs(visit - dueMs) <= graceMs && visit <= nowMs);
    if (atMs !== undefined) looks.push({ dueMs, state: 'kept', atMs });
    else if (nowMs > dueMs + graceMs) looks.push({ dueMs, state: 'missed' });
    else looks.push({ dueMs, state: nowMs >= dueMs - graceMs ? 'due' : 'to-come' });
  }
  const missed = looks.find(({ state }) => state === 'missed');
  return {
    untilMs,
    looks,
    ...(missed && { lapsedMs: missed.dueMs + graceMs }),
    ended: nowMs >= untilMs,
  };
}
