import { nextFit, SAME_MOMENT_MIN } from '#core/plan/crew';
import { mustLieOutside, overBelow, type SurfaceCoat } from '#core/plan/job';
import { maxSectionM2, sectionCount } from '#core/plan/sections';
import type { LevelWindow } from '#core/time/clocks';
import { type Action, type Bay, type CoatInHand, nextCoat, replaced, type Setting, type Wet, withInHand } from './bay';
import { added } from './history';
import { asked, firstToClose } from './level';
import { layingEnds } from './settle';
import { noLongerWaiting } from './wake';
import { beginsBetween, levelInTime, type Levelling, type WetSection } from './wet';

/** Nothing is cut finer than this only to keep hands busy, m²: nobody lays half a mirror cap. */
const FINEST_M2 = 0.1;
/** More sections of one copy come of a wrong entry, and would only fill the memory. */
const MOST_SECTIONS = 2000;
/** Going back to what is open so little late is going back at once, minutes. */
const AT_ONCE_MIN = 0.05;
/** With less than this until something opens nobody takes up a block for another piece, minutes. */
const NOT_WORTH_STARTING_MIN = 1;
/** So many coats that may start are tried before somebody waits: what does not fit in one place seldom fits in the next. */
const MOST_TRIED = 6;

/** A section that can be laid now, and how all that is wet is levelled then. */
export interface Laying {
  readonly place: number;
  readonly who: number;
  readonly sections: number;
  readonly wet: Wet;
  /** With this one; what closes first comes first. */
  readonly wets: readonly Wet[];
  readonly levels: readonly Levelling<Wet>[];
  readonly outsideMin: number;
}

/** The section somebody with free hands lays next: of a coat in hand, else of the first that may start; undefined: none now. */
export function nextLaying(bay: Bay, who: number, atMin: number): Laying | undefined {
  const { people } = bay.setting;
  let tried = 0;
  const failed = new Map<string, number>();
  for (const place of candidates(bay, atMin)) {
    const copy = bay.copies[place]!;
    const { moved, alike, oneM2 } = nextCoat(copy)!;
    if (moved?.by !== undefined && moved.by !== people[who]!.id) continue;
    // What finds no time finds none for a larger piece of the same either.
    const pieceM2 = oneM2 / (copy.inHand?.sections ?? 1);
    if (pieceM2 >= (failed.get(alike) ?? Infinity)) continue;
    const laying = layingOf(bay, place, who, atMin);
    if (laying) return laying;
    failed.set(alike, pieceM2);
    if (++tried === MOST_TRIED) return undefined;
  }
  return undefined;
}

/** Copies that may go on at a moment: those in hand, then the first of each coat that waits. */
function candidates({ copies, queue: { inHand, waiting } }: Bay, atMin: number): readonly number[] {
  const isEligible = (place: number) => copies[place]!.eligibleMin! <= atMin + SAME_MOMENT_MIN;
  const found = inHand.filter(isEligible);
  for (const { places } of waiting) {
    const first = places.find(isEligible);
    if (first !== undefined) found.push(first);
  }
  return found;
}

/** The next section of a copy laid now; undefined where not everything wet, that section included, can still be levelled in time. */
export function layingOf(bay: Bay, place: number, who: number, atMin: number): Laying | undefined {
  const { setting } = bay;
  const wets = bay.wet.sections;
  const { people, strategy, hours, levellers } = setting;
  const copy = bay.copies[place]!;
  const { inHand } = copy;
  const coat = nextCoat(copy)!;
  // What is started is gone on with, whatever the air has become.
  const window = coat.openingAt(atMin).window ?? (inHand?.takenUp ? { fromMin: 0, byMin: null } : undefined);
  if (!window) return undefined;
  const sections = inHand?.sections ?? sectionsFor(setting, coat, who, window);
  const areaM2 = coat.oneM2 / sections;
  // What was started in sections too large for the air as it is now is gone on with all the same.
  const given = coat.onePiece || inHand?.takenUp;
  const outsideMin = given ? mustLieOutside({ ...coat, oneM2: areaM2 }, window, people, strategy.alone) : 0;
  const layMin = areaM2 / (people[who]!.layM2PerMin * coat.layFactor);
  const start = nextFit(hours[who]!, atMin, layMin);
  if (start === null || start > atMin + SAME_MOMENT_MIN) return undefined;
  const wet: Wet = {
    place,
    section: inHand?.toLay[0] ?? 1,
    areaM2,
    levelFactor: coat.levelFactor,
    startMin: atMin,
    layMin,
    layer: who,
    fromMin: Math.max(0, window.fromMin - outsideMin),
    byMin: (window.byMin ?? Infinity) + outsideMin,
  };
  const after = wetToo(wets, wet);
  const levels = levelInTime(after, levellers, replaced(bay.hands.free, who, atMin + layMin));
  if (!levels || (strategy.ahead === 'safe' && !atOnce(levels, wets[0], who, atMin))) return undefined;
  return { place, who, sections, wet, wets: after, levels, outsideMin };
}

/** What is wet with one more, what closes first still first; of what closes at the same moment the new one is last. */
function wetToo(wets: readonly Wet[], wet: Wet): readonly Wet[] {
  const after = wets.slice();
  let at = after.length;
  while (at > 0 && firstToClose(after[at - 1]!, wet) > 0) at--;
  after.splice(at, 0, wet);
  return after;
}

/** The bay once a section is laid. */
export function lay(bay: Bay, { place, who, sections, wet, wets, levels, outsideMin }: Laying): Bay {
  const copy = bay.copies[place]!;
  const coat = nextCoat(copy)!;
  const { startMin } = wet;
  const endMin = startMin + wet.layMin;
  const before = copy.inHand ?? started(bay, place, sections, startMin);
  const toLay = before.toLay.slice(1);
  const { levelled, takenUp, byTime } = before;
  const inHand: CoatInHand = {
    sections,
    toLay,
    levelled,
    startMin: before.startMin,
    endMin: before.endMin,
    outsideMin: Math.max(before.outsideMin, outsideMin),
    takenUp,
    byTime,
  };
  const isStart = copy.inHand === undefined;
  const free = replaced(bay.hands.free, who, endMin);
  const action: Action = {
    who,
    does: 'lay',
    coat,
    copy: copy.copy,
    section: wet.section,
    sections,
    areaM2: wet.areaM2,
    startMin,
    endMin,
  };
  const { laid, refused, lateCoats } = bay.done;
  const isLateStart = isStart && isLate(copy.below?.milestones.recoatBy, startMin);
  const now: Bay = {
    setting: bay.setting,
    copies: replaced(bay.copies, place, withInHand(copy, inHand)),
    queue: {
      waiting: isStart ? noLongerWaiting(bay.queue, place, coat) : bay.queue.waiting,
      inHand: laidOn(bay.queue.inHand, place, isStart, toLay.length === 0),
    },
    wet: { sections: wets, levels, isUnplanned: bay.wet.isUnplanned },
    hands: {
      free,
      ask: replaced(asked(bay.hands.ask, free, levels), who, endMin),
      levelledLast: replaced(bay.hands.levelledLast, who, false),
    },
    awaited: bay.awaited,
    done: {
      actions: added(bay.done.actions, action),
      laid,
      refused,
      lateCoats: isLateStart ? lateCoats + 1 : lateCoats,
    },
  };
  return toLay.length === 0 ? layingEnds(now, coat, copy.copy, endMin) : now;
}

function started(bay: Bay, place: number, sections: number, atMin: number): CoatInHand {
  const copy = bay.copies[place]!;
  return {
    sections,
    toLay: Array.from({ length: sections }, (_, index) => index + 1),
    levelled: 0,
    startMin: atMin,
    endMin: atMin,
    outsideMin: 0,
    takenUp: false,
    byTime: copy.below ? overBelow(nextCoat(copy)!, copy.below, atMin) : [],
  };
}

const isLate = (recoatByMin: number | null | undefined, atMin: number): boolean =>
  typeof recoatByMin === 'number' && atMin > recoatByMin + SAME_MOMENT_MIN;

function laidOn(inHand: readonly number[], place: number, isStart: boolean, isLast: boolean): readonly number[] {
  if (isLast) return isStart ? inHand : inHand.filter((other) => other !== place);
  return isStart ? [...inHand, place] : inHand;
}

function sectionsFor(
  { people, levellers, strategy, fastestLevelM2PerMin }: Setting,
  coat: SurfaceCoat,
  who: number,
  window: LevelWindow,
): number {
  if (coat.onePiece) return 1;
  const layM2PerMin = people[who]!.layM2PerMin * coat.layFactor;
  const largest = people.map((other, index): number | null => {
    if (!levellers.level[index]) return 0;
    const alone = index === who;
    if (!alone && !strategy.followed && levellers.level[who]) return 0;
    const pace = { layM2PerMin, levelM2PerMin: other.levelM2PerMin * coat.levelFactor };
    return maxSectionM2(window, pace, alone ? 'solo' : 'pair');
  });
  const most = largestOf(largest);
  const byWindow = Math.max(
    sectionCount(coat.oneM2, most === 0 ? null : most, false),
    sectionCount(coat.oneM2, coat.mostSectionM2, false),
  );
  const levelM2PerMin = fastestLevelM2PerMin * coat.levelFactor;
  const wholeMin = Math.max(coat.oneM2 / layM2PerMin, coat.oneM2 / levelM2PerMin);
  const mostMin = Math.min(strategy.mostMin, (window.byMin ?? Infinity) * strategy.ofWindow);
  const byPace = Math.min(Math.ceil(wholeMin / mostMin - SAME_MOMENT_MIN), Math.floor(coat.oneM2 / FINEST_M2));
  return Math.min(MOST_SECTIONS, Math.max(byWindow, byPace));
}

/** The largest of some sections; null: one of them has no limit. */
function largestOf(sections: readonly (number | null)[]): number | null {
  let most = 0;
  for (const m2 of sections) {
    if (m2 === null) return null;
    most = Math.max(most, m2);
  }
  return most;
}

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
  if (back.who === who && opensMin < atMin + NOT_WORTH_STARTING_MIN) return false;
  return back.startMin <= opensMin + AT_ONCE_MIN;
}
