/**
 * The bay while a job is laid out on paper: a value. Every step (`settle`, `wake`, `lay`, `level`) takes one and returns
 * the next; nothing is changed in place, so each can be tried alone and from any state.
 */
import { type CopyCoat, coatKey, type Refusal, type SurfaceCoat } from '#core/plan/job';
import { type Hours, hoursOf, mayDo, type Person } from '#core/plan/crew';
import type { Ruling } from '#core/layers/rules';
import { type History } from './history';
import type { Strategy } from './strategy';
import { type Levellers, levellersOf, type Levelling, type WetSection } from './wet';

/** One action of the sheet. Minutes on the scale of the job. */
export interface Action {
  readonly who: number;
  readonly does: 'lay' | 'level';
  readonly coat: SurfaceCoat;
  /** Copies and sections count from 1. */
  readonly copy: number;
  readonly section: number;
  readonly sections: number;
  readonly areaM2: number;
  readonly startMin: number;
  readonly endMin: number;
  /** Levelling: ages of the path's first and last point. */
  readonly ages?: readonly [first: number, last: number];
}

/** A coat of one copy that is refused, and when that was found. */
export interface RefusedCopy extends Refusal {
  readonly coat: SurfaceCoat;
  readonly copy: number;
}

/** A coat of a copy that was started before the sheet begins. */
export interface BegunCoat {
  readonly sections: number;
  readonly done: ReadonlySet<number>;
  readonly wet: readonly { readonly section: number; readonly startMin: number; readonly endMin: number }[];
  readonly startMin: number;
  /** When the last section done was levelled. */
  readonly endMin: number;
}
export const begunKey = (surface: string, layer: number, coat: number, copy: number): string =>
  [surface, layer, coat, copy].join('/');

/** Where a sheet begins: at a moment, with what is done or wet already. */
export interface SheetFrom {
  readonly nowMin: number;
  /** Until when somebody's hands are on what is started already. */
  readonly busyUntilMin?: number;
  readonly begun: ReadonlyMap<string, BegunCoat>;
}
export const FROM_THE_START: SheetFrom = { nowMin: 0, begun: new Map() };

/** The coat a copy has in hand: started, and not yet levelled to its end. */
export interface CoatInHand {
  readonly sections: number;
  /** Sections still to be laid, in their order. */
  readonly toLay: readonly number[];
  readonly levelled: number;
  readonly startMin: number;
  readonly endMin: number;
  /** Outside its window by so much at its worse end, minutes. */
  readonly outsideMin: number;
  /** Started before the sheet begins: how many sections it has is given. */
  readonly takenUp: boolean;
  /** What the rules say of when it goes over the one below. */
  readonly byTime: readonly Ruling[];
}

/** One copy of a surface on its way through its coats. */
export interface Copy {
  readonly coats: readonly SurfaceCoat[];
  /** Counted from 1. */
  readonly copy: number;
  /** Which of its coats comes next. */
  readonly next: number;
  readonly inHand: CoatInHand | undefined;
  readonly below: CopyCoat | undefined;
  /** When the next coat may start; undefined while something else has to be done first. */
  readonly eligibleMin: number | undefined;
}

/** Copies waiting for the same coat: alike but for when each may start. */
export interface Waiting {
  readonly coat: SurfaceCoat;
  /** What is started first has the lower rank. */
  readonly rank: number;
  /** By their place, which never changes. */
  readonly places: readonly number[];
}

/** A wet section, and the copy it lies on. */
export interface Wet extends WetSection {
  readonly place: number;
  readonly section: number;
}

/** How far the copies of a surface have come through one of its rounds. */
export interface Through {
  readonly copies: number;
  /** When the last of them did. */
  readonly endMin: number;
}

/** How far a coat is laid that others were moved behind: by which of its copies, and when all of them were. */
export interface LaidSoFar {
  readonly copies: ReadonlySet<number>;
  readonly allMin: number | undefined;
}

/** What stays as it is while a job is laid out. */
export interface Setting {
  readonly strategy: Strategy;
  readonly people: readonly Person[];
  readonly hours: readonly Hours[];
  readonly lays: readonly boolean[];
  readonly levellers: Levellers;
  readonly fastestLevelM2PerMin: number;
  readonly nowMin: number;
  readonly begun: ReadonlyMap<string, BegunCoat>;
  /** Places of the copies whose surface follows a surface, by its id. */
  readonly followers: ReadonlyMap<string, readonly number[]>;
  /** Places of the copies one of whose coats was moved behind a coat, by its key. */
  readonly behind: ReadonlyMap<string, readonly number[]>;
  /** First place of the copies of a surface, by its id. */
  readonly firstPlace: ReadonlyMap<string, number>;
  readonly rankOf: (coat: SurfaceCoat) => number;
}

/** What may go on. */
export interface Queue {
  /** Copies whose coat is started and not laid to its end. */
  readonly inHand: readonly number[];
  /** Those whose next coat may start, the first first. */
  readonly waiting: readonly Waiting[];
}

/** What is wet, and who levels it when. */
export interface WetNow {
  /** What closes first comes first. */
  readonly sections: readonly Wet[];
  readonly levels: readonly Levelling<Wet>[];
  /** Something is wet that nobody is to level yet: at the start, or laid over a coat that had not been levelled. */
  readonly isUnplanned: boolean;
}

/** When each has their hands free, when each is next worth asking, and whether each levelled last. */
export interface Hands {
  readonly free: readonly number[];
  readonly ask: readonly number[];
  readonly levelledLast: readonly boolean[];
}

/** What others wait for. */
export interface Awaited {
  /** Only of surfaces that something follows, by `surface/round`. */
  readonly through: ReadonlyMap<string, Through>;
  /** Only of coats that something was moved behind, by key. */
  readonly laidSoFar: ReadonlyMap<string, LaidSoFar>;
}

/** What is done so far. */
export interface Done {
  readonly actions: History<Action>;
  readonly laid: History<CopyCoat>;
  readonly refused: History<RefusedCopy>;
  readonly lateCoats: number;
}

export interface Bay {
  readonly setting: Setting;
  readonly copies: readonly Copy[];
  readonly queue: Queue;
  readonly wet: WetNow;
  readonly hands: Hands;
  readonly awaited: Awaited;
  readonly done: Done;
}

/** The bay before anything is done in it. */
export function openBay(
  coats: readonly (readonly SurfaceCoat[])[],
  people: readonly Person[],
  strategy: Strategy,
  { nowMin, busyUntilMin = nowMin, begun }: SheetFrom,
): Bay {
  const hours = people.map(hoursOf);
  const levellers = levellersOf(people);
  const copies = coats.flatMap((own) =>
    Array.from({ length: own[0]?.surface.count ?? 0 }, (_, index): Copy => ({
      coats: own,
      copy: index + 1,
      next: 0,
      inHand: undefined,
      below: undefined,
      eligibleMin: undefined,
    })),
  );
  const free = people.map((_, who) => (who === 0 ? busyUntilMin : nowMin));
  const setting: Setting = {
    strategy,
    people,
    hours,
    levellers,
    nowMin,
    begun,
    lays: people.map((person) => mayDo(person, 'lay')),
    fastestLevelM2PerMin: Math.max(
      ...people.map((person, who) => (levellers.level[who] && hours[who]!.length > 0 ? person.levelM2PerMin : 0)),
    ),
    followers: placesBy(copies, (copy) => copy.coats[0]!.surface.follows ?? []),
    behind: placesBy(copies, (copy) => copy.coats.flatMap(({ moved }) => (moved?.after ? [coatKey(moved.after)] : []))),
    firstPlace: firstPlaces(copies),
    rankOf: ranks(coats, people, strategy, nowMin),
  };
  return {
    setting,
    copies,
    queue: { inHand: [], waiting: [] },
    wet: { sections: [], levels: [], isUnplanned: false },
    hands: { free, ask: free, levelledLast: people.map(() => false) },
    awaited: { through: new Map(), laidSoFar: new Map() },
    done: { actions: undefined, laid: undefined, refused: undefined, lateCoats: 0 },
  };
}

function placesBy(copies: readonly Copy[], keysOf: (copy: Copy) => readonly string[]): Map<string, number[]> {
  const places = new Map<string, number[]>();
  for (const [place, copy] of copies.entries()) {
    for (const key of new Set(keysOf(copy))) {
      const own = places.get(key);
      if (own) own.push(place);
      else places.set(key, [place]);
    }
  }
  return places;
}

function firstPlaces(copies: readonly Copy[]): Map<string, number> {
  const places = new Map<string, number>();
  for (const [place, { coats }] of copies.entries()) {
    const { id } = coats[0]!.surface;
    if (!places.has(id)) places.set(id, place);
  }
  return places;
}

/** What a strategy starts first, worked out once for each coat. */
function ranks(
  coats: readonly (readonly SurfaceCoat[])[],
  people: readonly Person[],
  { first }: Strategy,
  nowMin: number,
): Setting['rankOf'] {
  const known = new Map<SurfaceCoat, number>();
  for (const own of coats) {
    const rest = first === 'longest' ? longestRest(own, people) : [];
    for (const [round, coat] of own.entries()) {
      const byStrategy = {
        lower: () => round,
        upper: () => -round,
        longest: () => -rest[round]!,
        slowest: () => -(coat.openingAt(nowMin).window?.fromMin ?? 0),
      }[first];
      // Whoever moved it wants it next.
      known.set(coat, coat.moved ? -Infinity : byStrategy());
    }
  }
  return (coat) => known.get(coat)!;
}

/** Minutes of work and waiting still to come on a copy from each of its coats on. */
function longestRest(coats: readonly SurfaceCoat[], people: readonly Person[]): number[] {
  const [layPace, levelPace] = [
    Math.max(...people.map(({ layM2PerMin }) => layM2PerMin)),
    Math.max(...people.map(({ levelM2PerMin }) => levelM2PerMin)),
  ];
  const rest: number[] = [];
  let sum = 0;
  for (const { oneM2, layFactor, levelFactor, product } of coats.toReversed()) {
    const waits = product.milestones.find(({ name }) => name === 'recoatFrom')?.min ?? 0;
    if (rest.length > 0) sum += waits;
    sum += oneM2 / (layPace * layFactor) + oneM2 / (levelPace * levelFactor);
    rest.unshift(sum);
  }
  return rest;
}

/** A list with one entry replaced; a copied slice is several times as quick here as `with`. */
export function replaced<T>(list: readonly T[], at: number, entry: T): readonly T[] {
  const next = list.slice();
  next[at] = entry;
  return next;
}

/** The bay with other hands. */
export const withHands = ({ setting, copies, queue, wet, awaited, done }: Bay, hands: Hands): Bay => ({
  setting,
  copies,
  queue,
  wet,
  hands,
  awaited,
  done,
});

/** The bay with one copy as it has become. Spelled out: a step is taken some ten thousand times in a search. */
export const withCopy = (
  { setting, copies, queue, wet, hands, awaited, done }: Bay,
  place: number,
  copy: Copy,
): Bay => ({
  setting,
  copies: replaced(copies, place, copy),
  queue,
  wet,
  hands,
  awaited,
  done,
});

/** A copy with the coat it has in hand as that has become. */
export const withInHand = ({ coats, copy, next, below, eligibleMin }: Copy, inHand: CoatInHand): Copy => ({
  coats,
  copy,
  next,
  inHand,
  below,
  eligibleMin,
});

/** The coat that comes next on a copy; undefined once it has them all. */
export const nextCoat = ({ coats, next }: Copy): SurfaceCoat | undefined => coats[next];
