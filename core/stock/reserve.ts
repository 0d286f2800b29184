import { MS_PER_DAY } from '#core/measures';
import { choosePacks, type Pack, type PackCount } from '#core/products/quantity';
import { type ShelfLife, takingOrder } from './order';
import type { StockThing } from './thing';
import { grouped } from './grouped';

/** What one job still takes, by what it is of. */
export interface Demand {
  readonly job: string;
  readonly startMs: number;
  readonly amounts: ReadonlyMap<string, number>;
}

export interface Reservation {
  readonly job: string;
  readonly startMs: number;
  readonly of: string;
  readonly amount: number;
  readonly from: readonly { readonly thing: string; readonly amount: number }[];
  /** What is not there on that day, after all jobs before it. */
  readonly short: number;
}

/** Less than this share of what is needed is rounding. */
const SLACK = 1e-9;

/**
 * Sets aside what jobs take, the earliest first: of each kind in the order things are taken, and of what will still be
 * good on the day of the job.
 */
export function reserve(
  demands: readonly Demand[],
  things: readonly StockThing[],
  lifeOf: (of: string) => ShelfLife | undefined,
): Reservation[] {
  const left = new Map(things.map(({ id, remaining }) => [id, remaining]));
  const byKind = grouped(things, ({ of }) => of);
  const inTurn = [...demands].sort((a, b) => a.startMs - b.startMs || (a.job < b.job ? -1 : 1));
  return inTurn.flatMap(({ job, startMs, amounts }) =>
    [...amounts].map(([of, amount]): Reservation => {
      let missing = amount;
      const from: { thing: string; amount: number }[] = [];
      for (const { id } of takingOrder(byKind.get(of) ?? [], lifeOf(of), startMs)) {
        const taken = Math.min(missing, left.get(id)!);
        if (taken <= 0) continue;
        left.set(id, left.get(id)! - taken);
        missing -= taken;
        from.push({ thing: id, amount: taken });
      }
      return { job, startMs, of, amount, from, short: missing > amount * SLACK ? missing : 0 };
    }),
  );
}

export interface Reorder {
  readonly of: string;
  readonly amount: number;
  readonly packs: readonly PackCount[];
  readonly cost: number;
  /** Units bought beyond what is short. */
  readonly leftover: number;
  /** The day it is first missed, and by when it has to be ordered to be there, epoch ms. */
  readonly firstShortMs: number;
  readonly orderByMs: number;
  readonly jobs: readonly string[];
}

/** How a kind is bought: its packs, and days until they are there. */
export interface Supplying {
  readonly packs: readonly Pack[];
  readonly deliveryDays: number;
}

/** What all planned jobs lack together, bought in packs at least cost, the most pressing first. */
export function reorderList(
  reserved: readonly Reservation[],
  supplying: (of: string) => Supplying | undefined,
): Reorder[] {
  const lacking = grouped(
    reserved.filter(({ short }) => short > 0),
    ({ of }) => of,
  );
  return [...lacking]
    .map(([of, own]): Reorder => {
      const amount = own.reduce((sum, { short }) => sum + short, 0);
      const { packs = [], deliveryDays = 0 } = supplying(of) ?? {};
      const choice = packs.length > 0 ? choosePacks(amount, packs) : { packs: [], cost: 0, bought: amount };
      const firstShortMs = Math.min(...own.map(({ startMs }) => startMs));
      return {
        of,
        amount,
        packs: choice.packs,
        cost: choice.cost,
        leftover: choice.bought - amount,
        firstShortMs,
        orderByMs: firstShortMs - deliveryDays * MS_PER_DAY,
        jobs: own.map(({ job }) => job),
      };
    })
    .sort((a, b) => a.orderByMs - b.orderByMs || (a.of < b.of ? -1 : 1));
}
