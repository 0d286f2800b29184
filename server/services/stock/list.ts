import { createHash } from 'node:crypto';
import { goodUntilMs, grouped, isPast, type ShelfLife, type StockThing, takingOrder } from '#core/stock';
import type { StockList, StockState, StockThingView, UsageLessonRow } from '#formats/stock';
import { notFound } from '../../http/problem';
import { localInstant } from '../moments';
import type { StockReading } from './book';

/** Things a list shows at once. */
const LONGEST_LIST = 200;

/** What the stock is asked for. */
export interface StockQuestion {
  readonly find?: string | undefined;
  readonly state?: StockState | undefined;
  readonly of?: string | undefined;
  /** As it was at a moment. */
  readonly atMs?: number | undefined;
}

/** What is asked of the stock: lists, totals, one thing with its log, what was learned. */
export function stockQuestions({ log, current, known, rowOf, lessonsNow }: StockReading, now: () => Date) {
  return {
    /** What is good of each product, and of which batch what is taken next is: as sheets and jobs carry it. */
    inHand(): (of: string) => { readonly onHand: number; readonly batch?: string } {
      const { lifeOf } = known();
      const atMs = now().getTime();
      const things = grouped(
        [...current().things()].filter(({ kind }) => kind === 'product'),
        ({ of }) => of,
      );
      return (of) => {
        const good = takingOrder(things.get(of) ?? [], lifeOf(of), atMs);
        const batch = good[0]?.batch;
        return {
          onHand: good.reduce((sum, { remaining }) => sum + remaining, 0),
          ...(batch !== undefined && { batch }),
        };
      };
    },
    /** Which lessons stand: what was planned with others is planned anew. */
    lessonsStanding: (): string =>
      createHash('sha256')
        .update(
          lessonsNow()
            .filter(({ untaught }) => !untaught)
            .map(({ entry }) => entry)
            .join(),
        )
        .digest('base64url')
        .slice(0, 16),
    lessons(): UsageLessonRow[] {
      const names = known();
      const { thing } = current();
      return lessonsNow().map(({ atMs, ...lesson }): UsageLessonRow => {
        const of = thing(lesson.thing)!;
        return { ...lesson, at: localInstant(atMs), name: names.nameOf(of), unit: of.unit };
      });
    },
    list({ find = '', state = 'in', of, atMs }: StockQuestion): StockList {
      const names = known();
      const asAt = atMs ?? now().getTime();
      const things = atMs === undefined ? [...current().things()] : current().asOf(atMs);
      const wanted = find.trim().toLowerCase();
      const matches = (thing: StockThing) =>
        (of === undefined || thing.of === of) &&
        isInState(thing, state, isPast(thing, names.lifeOf(thing.of), asAt)) &&
        (wanted === '' ||
          [names.nameOf(thing), thing.batch, thing.place, thing.id].some((word) =>
            word?.toLowerCase().includes(wanted),
          ));
      const matching = things
        .filter(matches)
        .map((thing) => ({ thing, name: names.nameOf(thing), until: goodUntilMs(thing, names.lifeOf(thing.of)) }))
        .sort((a, b) => compare(a.name, b.name) || compare(a.until, b.until) || compare(a.thing.id, b.thing.id));
      return {
        rows: matching.slice(0, LONGEST_LIST).map(({ thing }) => rowOf(thing, names, asAt)),
        found: matching.length,
        totals: totalsOf(things, names, asAt),
      };
    },
    thing(id: string): StockThingView {
      const thing = current().thing(id);
      if (!thing) throw notFound('thing in stock', id);
      return { row: rowOf(thing, known(), now().getTime()), log: log.of(id) };
    },
  };
}

const compare = (a: string | number, b: string | number): number => (a === b ? 0 : a < b ? -1 : 1);

function isInState({ gone, openedMs, remaining }: StockThing, state: StockState, past: boolean): boolean {
  switch (state) {
    case 'all':
      return true;
    case 'gone':
      return gone !== undefined;
    case 'in':
      return !gone;
    case 'open':
      return !gone && openedMs !== undefined && remaining > 0;
    case 'past':
      return !gone && past;
  }
}

function totalsOf(
  things: readonly StockThing[],
  { nameOf, lifeOf }: { nameOf: (thing: StockThing) => string; lifeOf: (of: string) => ShelfLife | undefined },
  atMs: number,
): StockList['totals'] {
  const totals = new Map<string, StockList['totals'][number]>();
  for (const thing of things) {
    if (thing.gone) continue;
    const { kind, of, unit, remaining } = thing;
    const key = `${kind}/${of}`;
    const sum = totals.get(key) ?? { kind, of, name: nameOf(thing), unit, things: 0, good: 0, past: 0 };
    const past = isPast(thing, lifeOf(of), atMs);
    totals.set(key, {
      ...sum,
      things: sum.things + 1,
      good: sum.good + (past ? 0 : remaining),
      past: sum.past + (past ? remaining : 0),
    });
  }
  return [...totals.values()].sort((a, b) => compare(a.name, b.name));
}
