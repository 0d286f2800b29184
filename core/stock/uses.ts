import type { LoggedStock, StockUse } from './events';
import { type StockThing, thingOf, undoneIn } from './thing';
import { grouped } from './grouped';

/** Draws from a thing that stand, with their moments. */
export function usesOf(
  entries: readonly LoggedStock[],
): (StockUse & { readonly atMs: number; readonly by?: string })[] {
  const undone = undoneIn(entries);
  return entries.flatMap(({ id, atMs, by, entry }) =>
    entry.type === 'used' && !undone.has(id) ? [{ ...entry, atMs, ...(by !== undefined && { by }) }] : [],
  );
}

export interface RecalledThing {
  readonly thing: StockThing;
  /** What it was laid on, job by job and panel by panel. */
  readonly on: readonly {
    readonly job: string;
    readonly surface: string;
    readonly amount: number;
    readonly firstMs: number;
    readonly lastMs: number;
  }[];
}

/** Same batch, however it was typed. */
const sameBatch = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Everything of a batch: the things that are or were in stock, and each panel something was laid on from them. */
export function recall(book: readonly (readonly LoggedStock[])[], batch: string): RecalledThing[] {
  return book.flatMap((entries): RecalledThing[] => {
    const thing = thingOf(entries);
    if (thing?.batch === undefined || !sameBatch(thing.batch, batch)) return [];
    const panels = grouped(usesOf(entries), ({ job, surface }) => JSON.stringify([job, surface]));
    return [
      {
        thing,
        on: [...panels.values()].map((own) => ({
          job: own[0]!.job,
          surface: own[0]!.surface,
          amount: own.reduce((sum, { amount }) => sum + amount, 0),
          firstMs: Math.min(...own.map(({ atMs }) => atMs)),
          lastMs: Math.max(...own.map(({ atMs }) => atMs)),
        })),
      },
    ];
  });
}

export interface MaterialCost {
  /** Minor units of money, by panel. */
  readonly bySurface: ReadonlyMap<string, number>;
  readonly laid: number;
  /** What was thrown away with something left in it at this job. */
  readonly thrownAway: number;
  /** Drawn from things nobody has said the price of. */
  readonly unpriced: number;
}

const perUnit = ({ paid, size }: StockThing): number | undefined => (paid === undefined ? undefined : paid / size);

/** What a job has come to in material: what was drawn at what was paid for it, and what was thrown away there. */
export function materialCost(book: readonly (readonly LoggedStock[])[], job: string): MaterialCost {
  const bySurface = new Map<string, number>();
  let [thrownAway, unpriced] = [0, 0];
  for (const entries of book) {
    const drawn = usesOf(entries).filter((use) => use.job === job);
    const thing = thingOf(entries);
    if (!thing || (drawn.length === 0 && thing.gone?.job !== job)) continue;
    const price = perUnit(thing);
    if (price === undefined) {
      unpriced += drawn.length;
      continue;
    }
    for (const { surface, amount } of drawn) bySurface.set(surface, (bySurface.get(surface) ?? 0) + amount * price);
    if (thing.gone?.job === job && thing.gone.reason !== 'empty') thrownAway += thing.gone.left * price;
  }
  return { bySurface, laid: [...bySurface.values()].reduce((sum, cost) => sum + cost, 0), thrownAway, unpriced };
}
