import { answerOf, type Ruling, withOverruled } from '#core/products/layering';
import { CREW_ROLES, hoursOf, mayDo, nextFit, type Person, SAME_MOMENT_MIN } from '#core/work/crew';
import { coatKey, coatMilestones, type CoatMilestones, intervalRulings, say } from '#core/work/plan';
import { maxSectionM2, sectionCount } from '#core/work/sections';
import { type LevelWindow, stepAt } from '#core/time/clocks';
import type { SurfaceCoat } from './coats';
import { mustLieOutside } from './outside';
import { coatName } from './moves';
import { beginsBetween, levelInTime, levellersOf, type Levelling, type WetSection } from './wet';

/** When to go back to what is open: as soon as it is, as late as it can wait, or once nothing more can be laid, then to the last. */
export const AHEAD = ['safe', 'quick', 'batch'] as const;
export type Ahead = (typeof AHEAD)[number];

/** What is begun first of what may be: lower coats, upper coats, what has most still to come, what takes longest to open. */
export type First = 'lower' | 'upper' | 'longest' | 'slowest';

/** A way of going about the work; which is shortest is tried. */
export interface Strategy {
  readonly ahead: Ahead;
  /** Neither laying a section nor levelling it takes longer than this share of the time until its window closes. */
  readonly ofWindow: number;
  /** Nor longer than this, minutes. */
  readonly mostMin: number;
  /** Sections may be so large that only somebody following can level them in time. */
  readonly followed: boolean;
  readonly first: First;
  /** One-piece coats are not left to two people: they are never there together. */
  readonly alone: boolean;
}

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

/** A coat of one copy that was laid and levelled, whole. */
export interface CopyCoat {
  readonly coat: SurfaceCoat;
  readonly copy: number;
  readonly sections: number;
  readonly startMin: number;
  readonly endMin: number;
  readonly milestones: CoatMilestones;
  /** What was said of when it goes over the one below. */
  readonly byTime: readonly Ruling[];
  /** Wider than the window by so much at its worse end, minutes. */
  readonly outsideMin: number;
}

export type RefusalCode = 'not-allowed' | 'bond' | 'window-closed' | 'recoat-window';
export interface RefusedCopy {
  readonly coat: SurfaceCoat;
  readonly copy: number;
  readonly code: RefusalCode;
  readonly atMin: number;
  readonly rulings: readonly Ruling[];
}

export interface Dispatched {
  readonly actions: readonly Action[];
  readonly laid: readonly CopyCoat[];
  /** Begun, and not to be ended within anybody's hours. */
  readonly begunOnly: readonly CopyCoat[];
  readonly refused: readonly RefusedCopy[];
  /** What nobody's hours leave room for. */
  readonly unlaid: readonly { readonly coat: SurfaceCoat; readonly copy: number }[];
  readonly lateCoats: number;
  readonly endMin: number;
}

/** A coat of a copy that has been begun before the sheet begins. */
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
  /** Until when somebody's hands are on what is begun already. */
  readonly busyUntilMin?: number;
  readonly begun: ReadonlyMap<string, BegunCoat>;
}
export const FROM_THE_START: SheetFrom = { nowMin: 0, begun: new Map() };

/** A copy of a surface with the coats it still gets. */
interface Chain {
  readonly coats: readonly SurfaceCoat[];
  readonly copy: number;
  next: number;
  /** Of the coat in hand: how many sections, which are to be laid, how many are levelled. */
  sections: number;
  todo: number[];
  levelled: number;
  startMin: number;
  endMin: number;
  outsideMin: number;
  /** Begun before the sheet begins: how many sections it has is given. */
  takenUp: boolean;
  byTime: readonly Ruling[];
  below: CopyCoat | undefined;
  /** When the next coat may begin; undefined while something else has to be done first. */
  eligibleMin: number | undefined;
}

interface Wet extends WetSection {
  readonly chain: Chain;
  readonly section: number;
}

/** Nothing is cut finer than this only to keep hands busy, m²: nobody lays half a mirror cap. */
const FINEST_M2 = 0.1;

/** What closes first is levelled first, and of what never closes the oldest. */
function firstToClose(a: WetSection, b: WetSection): number {
  const [aCloses, bCloses] = [a.startMin + a.byMin, b.startMin + b.byMin];
  return aCloses === bCloses ? a.startMin - b.startMin : aCloses < bCloses ? -1 : 1;
}

/**
 * Goes through the whole job by one strategy: whoever has their hands free levels what is open or lays the next
 * section, and nothing is laid unless everything wet, that section included, can still be levelled in time.
 * @param cutMin a sheet that would end later is given up
 * @returns undefined where it was given up
 */
export function dispatch(
  coats: readonly (readonly SurfaceCoat[])[],
  people: readonly Person[],
  strategy: Strategy,
  { nowMin, busyUntilMin = nowMin, begun }: SheetFrom,
  cutMin = Infinity,
): Dispatched | undefined {
  const levellers = levellersOf(people);
  const hours = people.map(hoursOf);
  const lays = people.map((person) => mayDo(person, 'lay'));
  const free = people.map((_, who) => (who === 0 ? busyUntilMin : nowMin));
  const next = [...free];
  const fastestLevel = Math.max(
    ...people.map((person, who) => (levellers.level[who] && hours[who]!.length > 0 ? person.levelM2PerMin : 0)),
  );
  const levelling = people.map(() => false);
  const actions: Action[] = [];
  const laid: CopyCoat[] = [];
  const refused: RefusedCopy[] = [];
  let lateCoats = 0;
  let wets: Wet[] = [];
  /** Something was found wet that nobody is to level yet: at the start, or laid over a coat that had not been levelled. */
  let isUnplanned = false;
  let levels: Levelling<Wet>[] = [];
  const chains = coats.flatMap((own) =>
    Array.from({ length: own[0]?.surface.count ?? 0 }, (_, copy) => chainOf(own, copy + 1)),
  );
  const ofSurface = new Map<string, Chain[]>();
  for (const chain of chains) {
    const { id } = chain.coats[0]!.surface;
    ofSurface.set(id, [...(ofSurface.get(id) ?? []), chain]);
  }
  /** When the copies of a surface that have come through a round did so, by `surface/round`. */
  const roundEndMin = new Map<string, number>();
  const followers = new Map<string, Set<Chain>>();
  for (const chain of chains) {
    for (const id of chain.coats[0]!.surface.follows ?? []) {
      followers.set(id, (followers.get(id) ?? new Set()).add(chain));
    }
  }
  /** Coats laid whole, every copy of them, by key: when; and copies that a coat of theirs has to wait with until then. */
  const laidMin = new Map<string, number>();
  const copiesLaid = new Map<string, Set<number>>();
  const behind = new Map<string, Set<Chain>>();
  const restMin = chains.map((chain) => longestRest(chain.coats, people));
  const place = new Map(chains.map((chain, index) => [chain, index]));
  const rank = (chain: Chain): number => {
    // Whoever moved it wants it next.
    if (chain.coats[chain.next]!.moved) return -Infinity;
    switch (strategy.first) {
      case 'lower':
        return chain.next;
      case 'upper':
        return -chain.next;
      case 'longest':
        return -restMin[place.get(chain)!]![chain.next]!;
      case 'slowest':
        return -(chain.coats[chain.next]!.openingAt(nowMin).window?.fromMin ?? 0);
    }
  };
  /** Copies whose coat has been begun and is not laid to its end, and those whose next coat may begin, the first first. */
  let inHand: Chain[] = [];
  let waiting: Chain[] = [];
  const wake = (chain: Chain, atMin: number) => {
    if (chain.sections > 0) inHand.push(chain);
    else {
      const own = rank(chain);
      const before = waiting.findIndex(
        (other) => rank(other) > own || (rank(other) === own && place.get(other)! > place.get(chain)!),
      );
      waiting.splice(before === -1 ? waiting.length : before, 0, chain);
    }
    for (let who = 0; who < people.length; who++) {
      next[who] = Math.max(free[who]!, Math.min(next[who]!, atMin));
    }
  };

  /** The moment until which what a round follows is not done; undefined: it is not known yet. */
  const followsUntil = ({ coats: [first], next: round }: Chain): number | undefined => {
    let until = nowMin;
    for (const id of first!.surface.follows ?? []) {
      const others = ofSurface.get(id) ?? [];
      if (others.length === 0 || round >= others[0]!.coats.length || others[0]!.coats[round]!.refused) continue;
      if (others.some((other) => other.next <= round)) return undefined;
      until = Math.max(until, roundEndMin.get(`${id}/${round}`)!);
    }
    return until;
  };
  /** The moment until which the coat it was moved behind is being laid; undefined: it is not laid yet. */
  const behindUntil = (chain: Chain, { moved }: SurfaceCoat): number | undefined => {
    if (!moved?.after) return nowMin;
    const key = coatKey(moved.after);
    const at = laidMin.get(key);
    if (at === undefined) behind.set(key, (behind.get(key) ?? new Set()).add(chain));
    return at;
  };
  /** All sections of a copy's coat are laid, or it is not to be laid at all: what was moved behind it may go on once all copies are. */
  const layingEnds = (coat: SurfaceCoat, copy: number, atMin: number) => {
    const key = coatKey(coatName(coat));
    const copies = (copiesLaid.get(key) ?? new Set()).add(copy);
    copiesLaid.set(key, copies);
    if (laidMin.has(key) || copies.size < coat.surface.count) return;
    laidMin.set(key, atMin);
    for (const chain of behind.get(key) ?? []) settle(chain);
  };
  /** A copy has come through a round: what follows it may go on once all copies have. */
  const passed = (chain: Chain, atMin: number) => {
    const { id } = chain.coats[0]!.surface;
    const key = `${id}/${chain.next}`;
    roundEndMin.set(key, Math.max(atMin, roundEndMin.get(key) ?? -Infinity));
    const coat = chain.coats[chain.next]!;
    chain.next++;
    chain.takenUp = false;
    chain.sections = 0;
    chain.eligibleMin = undefined;
    for (const follower of followers.get(id) ?? []) settle(follower);
    layingEnds(coat, chain.copy, atMin);
  };
  /** Finds out when a copy's next coat may begin, passing over coats that are refused. */
  const settle = (chain: Chain): void => {
    while (chain.next < chain.coats.length && chain.eligibleMin === undefined) {
      const coat = chain.coats[chain.next]!;
      if (coat.refused) {
        refused.push({ coat, copy: chain.copy, ...kindOf(coat.rulings), atMin: nowMin });
        passed(chain, nowMin);
        continue;
      }
      const known = begun.get(begunKey(coat.surface.id, coat.layer, coat.coat, chain.copy));
      if (known) {
        takeUp(chain, coat, known);
        return;
      }
      const [followed, behindMin] = [followsUntil(chain), behindUntil(chain, coat)];
      if (followed === undefined || behindMin === undefined) return;
      const { below } = chain;
      const recoatFrom = below?.milestones.recoatFrom;
      const fromMin = Math.max(followed, behindMin, below?.endMin ?? nowMin, recoatFrom ?? nowMin);
      const atMin = firstHands(fromMin);
      const byTime = below ? overBelow(coat, below, atMin ?? fromMin) : [];
      if (recoatFrom === null && answerOf(byTime) === 'no') {
        refused.push({ coat, copy: chain.copy, code: 'recoat-window', rulings: byTime, atMin: fromMin });
        passed(chain, nowMin);
        continue;
      }
      if (coat.openingAt(atMin ?? fromMin).verdict === 'closed') {
        refused.push({ coat, copy: chain.copy, code: 'window-closed', rulings: [], atMin: atMin ?? fromMin });
        passed(chain, nowMin);
        continue;
      }
      chain.eligibleMin = fromMin;
      wake(chain, fromMin);
    }
  };
  /** The first moment from which somebody who lays is there. */
  const firstHands = (fromMin: number): number | undefined => {
    const moments = hours.flatMap((own, who) => (lays[who] ? (nextFit(own, fromMin, 0) ?? []) : []));
    return moments.length > 0 ? Math.min(...moments) : undefined;
  };
  const takeUp = (chain: Chain, coat: SurfaceCoat, known: BegunCoat) => {
    chain.sections = known.sections;
    chain.startMin = known.startMin;
    chain.endMin = known.endMin;
    chain.levelled = known.done.size;
    chain.byTime = chain.below ? overBelow(coat, chain.below, known.startMin) : [];
    chain.outsideMin = 0;
    chain.takenUp = true;
    const wetNow = new Set(known.wet.map(({ section }) => section));
    chain.todo = Array.from({ length: known.sections }, (_, index) => index + 1).filter(
      (section) => !known.done.has(section) && !wetNow.has(section),
    );
    chain.eligibleMin = nowMin;
    if (chain.levelled === known.sections) return finish(chain);
    for (const { section, startMin, endMin } of known.wet) {
      const window = coat.openingAt(startMin).window ?? { fromMin: 0, byMin: null };
      isUnplanned = true;
      wets.push({
        chain,
        section,
        areaM2: coat.oneM2 / known.sections,
        levelFactor: coat.levelFactor,
        startMin,
        layMin: endMin - startMin,
        layer: -1,
        fromMin: window.fromMin,
        byMin: window.byMin ?? Infinity,
      });
    }
    if (chain.todo.length > 0) wake(chain, nowMin);
    else layingEnds(coat, chain.copy, nowMin);
  };
  const finish = (chain: Chain) => {
    const done = copyCoat(chain);
    const { endMin } = done;
    laid.push(done);
    chain.below = done;
    passed(chain, endMin);
    settle(chain);
  };

  const sectionsFor = (coat: SurfaceCoat, who: number, window: LevelWindow): number => {
    if (coat.onePiece) return 1;
    const person = people[who]!;
    const layM2PerMin = person.layM2PerMin * coat.layFactor;
    const largest = people.map((other, index): number | null => {
      if (!levellers.level[index]) return 0;
      const alone = index === who;
      if (!alone && !strategy.followed && levellers.level[who]) return 0;
      const pace = { layM2PerMin, levelM2PerMin: other.levelM2PerMin * coat.levelFactor };
      return maxSectionM2(window, pace, alone ? 'solo' : 'pair');
    });
    const most = largest.includes(null) ? null : Math.max(...(largest as number[]));
    const byWindow = Math.max(
      sectionCount(coat.oneM2, most === 0 ? null : most, false),
      sectionCount(coat.oneM2, coat.mostSectionM2, false),
    );
    const levelM2PerMin = fastestLevel * coat.levelFactor;
    const wholeMin = Math.max(coat.oneM2 / layM2PerMin, coat.oneM2 / levelM2PerMin);
    const mostMin = Math.min(strategy.mostMin, (window.byMin ?? Infinity) * strategy.ofWindow);
    const byPace = Math.min(Math.ceil(wholeMin / mostMin - SAME_MOMENT_MIN), Math.floor(coat.oneM2 / FINEST_M2));
    return Math.min(MOST_SECTIONS, Math.max(byWindow, byPace));
  };

  /** Lays the next section of a copy now, if everything wet can still be levelled in time. */
  const lay = (chain: Chain, who: number, atMin: number): boolean => {
    const coat = chain.coats[chain.next]!;
    // What is begun is gone on with, whatever the air has become.
    const window = coat.openingAt(atMin).window ?? (chain.takenUp ? { fromMin: 0, byMin: null } : undefined);
    if (!window) return false;
    const sections = chain.sections || sectionsFor(coat, who, window);
    const areaM2 = coat.oneM2 / sections;
    // What was begun in sections too large for the air as it is now is gone on with all the same.
    const given = coat.onePiece || chain.takenUp;
    const outsideMin = given ? mustLieOutside({ ...coat, oneM2: areaM2 }, window, people, strategy.alone) : 0;
    const layMin = areaM2 / (people[who]!.layM2PerMin * coat.layFactor);
    const start = nextFit(hours[who]!, atMin, layMin);
    if (start === null || start > atMin + SAME_MOMENT_MIN) return false;
    const section = chain.sections ? chain.todo[0]! : 1;
    const wet: Wet = {
      chain,
      section,
      areaM2,
      levelFactor: coat.levelFactor,
      startMin: atMin,
      layMin,
      layer: who,
      fromMin: Math.max(0, window.fromMin - outsideMin),
      byMin: (window.byMin ?? Infinity) + outsideMin,
    };
    const after = [...wets, wet].sort(firstToClose);
    const freeThen = free.with(who, atMin + layMin);
    const plan = levelInTime(after, levellers, freeThen);
    if (!plan || (strategy.ahead === 'safe' && !atOnce(plan, wets[0], who, atMin))) return false;
    if (chain.sections === 0) {
      waiting = waiting.filter((other) => other !== chain);
      inHand.push(chain);
      chain.sections = sections;
      chain.todo = Array.from({ length: sections }, (_, index) => index + 1);
      chain.levelled = 0;
      chain.startMin = atMin;
      chain.endMin = atMin;
      chain.outsideMin = 0;
      chain.byTime = chain.below ? overBelow(coat, chain.below, atMin) : [];
      const { recoatBy } = chain.below?.milestones ?? {};
      if (typeof recoatBy === 'number' && atMin > recoatBy + SAME_MOMENT_MIN) lateCoats++;
    }
    chain.outsideMin = Math.max(chain.outsideMin, outsideMin);
    chain.todo.shift();
    if (chain.todo.length === 0) inHand = inHand.filter((other) => other !== chain);
    wets = after;
    take(plan);
    free[who] = next[who] = atMin + layMin;
    levelling[who] = false;
    const { copy } = chain;
    actions.push({ who, does: 'lay', coat, copy, section, sections, areaM2, startMin: atMin, endMin: atMin + layMin });
    if (chain.todo.length === 0) layingEnds(coat, copy, atMin + layMin);
    return true;
  };
  const take = (plan: Levelling<Wet>[]) => {
    levels = plan;
    for (const { who, startMin } of plan) next[who] = Math.max(free[who]!, Math.min(next[who]!, startMin));
  };
  const level = (levelled: Levelling<Wet>) => {
    const { wet, who, startMin, endMin } = levelled;
    const { chain, section, areaM2 } = wet;
    const coat = chain.coats[chain.next]!;
    const ages = [startMin - wet.startMin, endMin - wet.startMin - wet.layMin] as const;
    const { copy, sections } = chain;
    actions.push({ who, does: 'level', coat, copy, section, sections, areaM2, startMin, endMin, ages });
    wets = wets.filter((other) => other !== wet);
    levels = levels.filter((other) => other !== levelled);
    free[who] = next[who] = endMin;
    levelling[who] = true;
    chain.levelled++;
    chain.endMin = Math.max(chain.endMin, endMin);
    if (chain.levelled === sections) finish(chain);
  };

  /** When what is wet already is levelled, however late it is: it comes first. */
  const planWet = () => {
    isUnplanned = false;
    wets.sort(firstToClose);
    const inTime = levelInTime(wets, levellers, free);
    if (!inTime) wets = wets.map((wet) => ({ ...wet, byMin: Infinity }));
    take(inTime ?? levelInTime(wets, levellers, free) ?? levelInTime(wets, staying(people), free) ?? []);
  };
  for (const chain of chains) settle(chain);

  for (;;) {
    if (isUnplanned) planWet();
    let who = 0;
    for (let other = 1; other < people.length; other++) if (next[other]! < next[who]!) who = other;
    const atMin = next[who] ?? Infinity;
    if (atMin === Infinity) break;
    if (atMin > cutMin + SAME_MOMENT_MIN) return undefined;
    if (actions.length > MOST_ACTIONS && wets.length === 0) break;
    let own: Levelling<Wet> | undefined;
    for (const planned of levels) if (planned.who === who && (!own || planned.startMin < own.startMin)) own = planned;
    const due = own !== undefined && own.startMin <= atMin + SAME_MOMENT_MIN;
    if (due && (strategy.ahead === 'safe' || (strategy.ahead === 'batch' && levelling[who]))) level(own!);
    else if (lays[who] && layNext(who, atMin)) continue;
    else if (due) level(own!);
    else next[who] = nextMoment(who, atMin, own?.startMin ?? Infinity);
  }

  function layNext(who: number, atMin: number): boolean {
    let tried = 0;
    const failed = new Map<string, number>();
    for (const open of [inHand, waiting]) {
      for (const chain of open) {
        if (chain.eligibleMin! > atMin + SAME_MOMENT_MIN) continue;
        const { moved } = chain.coats[chain.next]!;
        if (moved?.by !== undefined && moved.by !== people[who]!.id) continue;
        // What finds no time finds none for a larger piece of the same either.
        const { alike, oneM2 } = chain.coats[chain.next]!;
        const pieceM2 = oneM2 / (chain.sections || 1);
        if (pieceM2 >= (failed.get(alike) ?? Infinity)) continue;
        if (lay(chain, who, atMin)) return true;
        failed.set(alike, pieceM2);
        if (++tried === MOST_TRIED) return false;
      }
    }
    return false;
  }

  /** When it is worth asking somebody idle again: something opens, hands come free, the air or the hours change. */
  function nextMoment(who: number, atMin: number, ownMin: number): number {
    const [any = waiting[0]] = inHand;
    if (!any) return ownMin;
    let moment = ownMin;
    const consider = (at: number) => {
      if (at > atMin + SAME_MOMENT_MIN && at < moment) moment = at;
    };
    for (const { eligibleMin } of waiting) consider(eligibleMin!);
    for (const at of free) consider(at);
    for (const { startMin, endMin } of levels) {
      consider(startMin);
      consider(endMin);
    }
    if (lays[who]) {
      for (const [opens] of hours[who]!) consider(opens);
      for (const [opens] of levellers.covered) consider(opens);
      const { ambient } = any.coats[0]!.coatCase;
      const change = ambient[stepAt(ambient, atMin) + 1];
      if (change) consider(change.atMin);
    }
    return moment;
  }

  const unlaid = chains.flatMap((chain) =>
    chain.coats
      .slice(chain.next)
      .filter((coat) => !coat.refused)
      .map((coat) => ({ coat, copy: chain.copy })),
  );
  const endMin = actions.reduce((end, action) => Math.max(end, action.endMin), nowMin);
  const begunOnly = chains.flatMap((chain) =>
    chain.next < chain.coats.length && chain.sections > 0 ? [copyCoat(chain)] : [],
  );
  return { actions, laid, begunOnly, refused, unlaid, lateCoats, endMin };
}

/** Whoever is there stays until what is wet is levelled, whatever their hours say. */
const staying = (people: readonly Person[]) =>
  levellersOf(people.map(({ hours: _, ...person }) => ({ ...person, does: CREW_ROLES })));

/** The coat a copy has in hand, with what follows from its times. */
function copyCoat({ coats, next, copy, sections, startMin, endMin, byTime, outsideMin }: Chain): CopyCoat {
  const coat = coats[next]!;
  const milestones = coatMilestones(coat.coatCase, startMin, endMin);
  return { coat, copy, sections, startMin, endMin, milestones, byTime, outsideMin };
}

/** More actions than anybody is led through come of a wrong entry, and would only fill the memory. */
const MOST_ACTIONS = 10_000;
/** More sections of one copy come of a wrong entry, and would only fill the memory. */
const MOST_SECTIONS = 2000;
/** Going back to what is open so little late is going back at once, minutes. */
const AT_ONCE_MIN = 0.05;

/** With less than this until something opens nobody takes up a block for another piece, minutes. */
const NOT_WORTH_BEGINNING_MIN = 1;

/** Whether what opens first is still gone back to as soon as it is open. */
function atOnce(
  plan: readonly Levelling<WetSection>[],
  oldest: WetSection | undefined,
  who: number,
  atMin: number,
): boolean {
  const back = oldest && plan.find(({ wet }) => wet === oldest);
  if (!back) return true;
  const [opensMin] = beginsBetween(back.wet, back.who, back.endMin - back.startMin);
  if (back.who === who && opensMin < atMin + NOT_WORTH_BEGINNING_MIN) return false;
  return back.startMin <= opensMin + AT_ONCE_MIN;
}

/** So many coats that may begin are tried before somebody waits: what does not fit in one place seldom fits in the next. */
const MOST_TRIED = 6;

function chainOf(coats: readonly SurfaceCoat[], copy: number): Chain {
  return {
    coats,
    copy,
    next: 0,
    sections: 0,
    todo: [],
    levelled: 0,
    startMin: 0,
    endMin: 0,
    outsideMin: 0,
    takenUp: false,
    byTime: [],
    below: undefined,
    eligibleMin: undefined,
  };
}

/** Why a coat is refused by kind, in the plan's words. */
function kindOf(rulings: readonly Ruling[]): { code: RefusalCode; rulings: readonly Ruling[] } {
  const bonds = rulings.filter(({ answer }) => answer === 'no').every(({ rule }) => say.refusalCode(rule) === 'bond');
  return { code: bonds ? 'bond' : 'not-allowed', rulings };
}

/** What the rules say of a coat that begins over the one below at a moment, and what was set aside of it by hand. */
const overBelow = ({ surface, product, layer }: SurfaceCoat, { coat, ...laid }: CopyCoat, startMin: number): Ruling[] =>
  withOverruled(
    intervalRulings(surface, product, { product: coat.product, laid }, startMin),
    surface.layers[layer]!.overruled,
  );

/** Minutes of work and waiting still to come on a copy from each of its coats on: what is longest is begun first. */
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
