import { MINUTES_PER_MONTH, MS_PER_MIN } from '#core/measures';
import type { StockThing } from './thing';

/** How long a sheet says it keeps, months: closed, and from the day it is opened. */
export interface ShelfLife {
  readonly closed?: number | undefined;
  readonly open?: number | undefined;
}

const MS_PER_MONTH = MINUTES_PER_MONTH * MS_PER_MIN;

/** Until when a thing is good, epoch ms: what is printed on it or its sheet's months, and the sheet's months once it is open. */
export function goodUntilMs(
  { useByMs, boughtMs, openedMs }: Pick<StockThing, 'useByMs' | 'boughtMs' | 'openedMs'>,
  life: ShelfLife = {},
): number {
  const closed = useByMs ?? (life.closed === undefined ? Infinity : boughtMs + life.closed * MS_PER_MONTH);
  const open = openedMs === undefined || life.open === undefined ? Infinity : openedMs + life.open * MS_PER_MONTH;
  return Math.min(closed, open);
}

export const isPast = (thing: StockThing, life: ShelfLife | undefined, atMs: number): boolean =>
  goodUntilMs(thing, life) <= atMs;

/** Whether something can be taken from it on a day. */
export const isUsable = (thing: StockThing, life: ShelfLife | undefined, atMs: number): boolean =>
  !thing.gone && thing.remaining > 0 && !isPast(thing, life, atMs);

/**
 * In which order things of one kind are taken: the open ones before the closed ones, what goes off first before what
 * keeps, the emptier before the fuller. What is past its time is left out: it is never taken silently.
 */
export function takingOrder(things: readonly StockThing[], life: ShelfLife | undefined, atMs: number): StockThing[] {
  const until = (thing: StockThing) => goodUntilMs(thing, life);
  const later = (a: number, b: number) => (a === b ? 0 : a - b);
  return things
    .filter((thing) => isUsable(thing, life, atMs))
    .sort(
      (a, b) =>
        Number(a.openedMs === undefined) - Number(b.openedMs === undefined) ||
        later(until(a), until(b)) ||
        a.remaining - b.remaining ||
        a.boughtMs - b.boughtMs ||
        (a.id < b.id ? -1 : 1),
    );
}
