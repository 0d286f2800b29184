import type { BoughtThing, Flaw, GoneReason, LoggedStock, StockEntry, StockUnit, StockUse } from './events';

/** How the remaining amount is known. */
export const BASES = {
  full: 'full as bought',
  weighed: 'weighed',
  counted: 'typed',
  reckoned: 'worked out from use',
} as const;
export type Basis = keyof typeof BASES;

/** One thing in stock as its entries leave it. Moments in epoch ms, amounts in its units. */
export interface StockThing extends BoughtThing {
  readonly id: string;
  readonly boughtMs: number;
  readonly openedMs?: number;
  readonly remaining: number;
  readonly basis: Basis;
  /** When it was last weighed, counted or bought. */
  readonly knownMs: number;
  /** More was laid from it than it was thought to hold, since it was last known. */
  readonly overdrawn: number;
  /** Places not to be cut from, as the roll lies now. */
  readonly flaws?: readonly Flaw[];
  /** The job it is in hand at. */
  readonly inHand?: string;
  readonly gone?: { readonly atMs: number; readonly reason: GoneReason; readonly left: number; readonly job?: string };
}

type Draft = { -readonly [K in keyof StockThing]: StockThing[K] };

/** Grams of what is in it, as its unit has it; undefined for what no scale tells. */
export function gramsOf(amount: number, unit: StockUnit, densityGPerMl: number): number | undefined {
  if (unit === 'g') return amount;
  return unit === 'ml' ? amount * densityGPerMl : undefined;
}

/** What is in a vessel by its weight, in its unit: (gross - empty) / density. @throws RangeError for what no scale tells. */
export function amountOnScale(grossG: number, emptyG: number, unit: StockUnit, densityGPerMl: number): number {
  if (unit !== 'g' && unit !== 'ml') throw new RangeError('only what is poured or scooped is weighed');
  return Math.max(0, grossG - emptyG) / (unit === 'ml' ? densityGPerMl : 1);
}

/** Nothing has been taken from it yet. */
const isFull = ({ remaining, size, openedMs }: StockThing) => openedMs === undefined && remaining === size;

/** What the vessel weighs empty: told, known, or what a full one weighs less what it holds. */
export function emptyWeight(
  thing: StockThing,
  entry: { readonly grossG: number; readonly densityGPerMl: number; readonly emptyG?: number | undefined },
): number | undefined {
  const told = entry.emptyG ?? thing.emptyG;
  if (told !== undefined || !isFull(thing)) return told;
  const holdsG = gramsOf(thing.size, thing.unit, entry.densityGPerMl);
  return holdsG === undefined || entry.grossG <= holdsG ? undefined : entry.grossG - holdsG;
}

/** Ids of entries that a later one undid; an undone undo is done again. */
export function undoneIn(entries: readonly LoggedStock[]): ReadonlySet<string> {
  const undone = new Set<string>();
  for (const { id, entry } of entries.toReversed())
    if (entry.type === 'undo' && !undone.has(id)) undone.add(entry.entry);
  return undone;
}

/**
 * A thing as its entries leave it, in the order they were made; undefined where it was never bought, or that was undone.
 * Never less than nothing is in it: what is laid beyond stands as overdrawn.
 */
export function thingOf(entries: readonly LoggedStock[]): StockThing | undefined {
  const undone = undoneIn(entries);
  return entries.reduce<StockThing | undefined>(
    (thing, logged) => (undone.has(logged.id) ? thing : afterEntry(thing, logged)),
    undefined,
  );
}

/** A thing after one more entry that stands. */
export function afterEntry(thing: StockThing | undefined, logged: LoggedStock): StockThing | undefined {
  if (logged.entry.type === 'bought') return thing ?? bought(logged, logged.entry);
  if (!thing) return undefined;
  const next = { ...thing };
  apply(next, logged);
  return next;
}

const bought = ({ atMs }: LoggedStock, { thing, as }: Extract<StockEntry, { type: 'bought' }>): Draft => ({
  ...as,
  id: thing,
  boughtMs: atMs,
  remaining: as.size,
  basis: 'full',
  knownMs: atMs,
  overdrawn: 0,
});

function apply(thing: Draft, { atMs, entry }: LoggedStock): void {
  const known = (remaining: number, basis: Basis) =>
    Object.assign(thing, { remaining, basis, knownMs: atMs, overdrawn: 0 });
  switch (entry.type) {
    case 'opened':
      thing.openedMs ??= atMs;
      return;
    case 'taken':
      thing.inHand = entry.job;
      thing.openedMs ??= atMs;
      return;
    case 'put-back':
      delete thing.inHand;
      return;
    case 'used':
      thing.openedMs ??= atMs;
      thing.overdrawn += Math.max(0, entry.amount - thing.remaining);
      thing.remaining = Math.max(0, thing.remaining - entry.amount);
      thing.basis = 'reckoned';
      if (thing.flaws && thing.rollMm !== undefined && isCut(entry))
        thing.flaws = nearer(thing.flaws, filmLengthMm(entry.amount, thing.rollMm));
      return;
    case 'weighed': {
      const emptyG = emptyWeight(thing, entry);
      if (emptyG === undefined) return;
      thing.emptyG = emptyG;
      known(Math.min(thing.size, amountOnScale(entry.grossG, emptyG, thing.unit, entry.densityGPerMl)), 'weighed');
      return;
    }
    case 'counted':
      known(entry.remaining, 'counted');
      return;
    case 'flawed': {
      const { fromMm, toMm, lowMm, highMm } = entry;
      thing.flaws = [...(thing.flaws ?? []), { fromMm, toMm, lowMm, highMm }];
      return;
    }
    case 'moved':
      thing.place = entry.place;
      return;
    case 'thrown-away': {
      const { reason, job } = entry;
      thing.gone = { atMs, reason, left: thing.remaining, ...(job !== undefined && { job }) };
      thing.remaining = 0;
      delete thing.inHand;
      return;
    }
    case 'bought':
    case 'undo':
    case 'untaught':
  }
}

const MM2_PER_M2 = 1e6;
/** Length of so much film on a roll, m² and mm to mm; and the other way. */
export const filmLengthMm = (areaM2: number, rollMm: number): number => (areaM2 * MM2_PER_M2) / rollMm;
export const filmAreaM2 = (lengthMm: number, rollMm: number): number => (lengthMm * rollMm) / MM2_PER_M2;
const CUT = 'cut/';
/** Name of a cut in the log, by the sheet of its film. */
export const cutKey = (product: string): string => `${CUT}${product}`;
/** Whether it was cut off a roll, rather than laid. */
export const isCut = ({ patch }: Pick<StockUse, 'patch'>): boolean => patch?.startsWith(CUT) === true;

/** Flaws as they lie once so much is cut off the free end; what was cut off with it is gone. */
const nearer = (flaws: readonly Flaw[], byMm: number): Flaw[] =>
  flaws.flatMap(({ fromMm, toMm, ...across }) =>
    toMm > byMm ? [{ fromMm: Math.max(0, fromMm - byMm), toMm: toMm - byMm, ...across }] : [],
  );
