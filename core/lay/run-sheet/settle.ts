import { nextFit } from '#core/plan/crew';
import {
  coatKey,
  coatMilestones,
  coatName,
  coatStart,
  type CopyCoat,
  overBelow,
  type SurfaceCoat,
} from '#core/plan/job';
import { type Bay, type BegunCoat, begunKey, type CoatInHand, type Copy, nextCoat, withCopy } from './bay';
import { added } from './history';
import { wake } from './wake';

/** Finds out when a copy's next coat may start, passing over coats that are refused. */
export function settle(bay: Bay, place: number): Bay {
  const { nowMin, begun } = bay.setting;
  let now = bay;
  for (;;) {
    const copy = now.copies[place]!;
    const coat = nextCoat(copy);
    if (!coat || copy.eligibleMin !== undefined) return now;
    // What is started is gone on with, whatever the rules have come to say of it since.
    const known = begun.size === 0 ? undefined : begun.get(keyOf(coat, copy.copy));
    if (known) return takeUp(now, place, coat, known);
    const fromMin = coat.refused ? nowMin : mayStartFrom(now, copy, coat);
    if (fromMin === undefined) return now;
    const start = coatStart(coat, copy.below, fromMin, firstHands(now, fromMin) ?? fromMin);
    if (!start.refusal) return wake(withCopy(now, place, { ...copy, eligibleMin: fromMin }), place, fromMin);
    const refused = added(now.done.refused, { coat, copy: copy.copy, ...start.refusal });
    now = passed({ ...now, done: { ...now.done, refused } }, place, nowMin);
  }
}

const keyOf = ({ surface, layer, coat }: SurfaceCoat, copy: number) => begunKey(surface.id, layer, coat, copy);

/** The earliest moment for a copy's next coat; undefined while something it waits for is not done. */
function mayStartFrom(bay: Bay, { below, coats, next }: Copy, coat: SurfaceCoat): number | undefined {
  const { nowMin } = bay.setting;
  let fromMin = Math.max(nowMin, below?.endMin ?? nowMin, below?.milestones.recoatFrom ?? nowMin);
  for (const id of coats[0]!.surface.follows ?? []) {
    const first = bay.setting.firstPlace.get(id);
    const followed = first === undefined ? undefined : bay.copies[first]!.coats;
    if (!followed?.[next] || followed[next].refused) continue;
    const through = bay.awaited.through.get(`${id}/${next}`);
    if (through?.copies !== followed[0]!.surface.count) return undefined;
    fromMin = Math.max(fromMin, through.endMin);
  }
  if (!coat.moved?.after) return fromMin;
  const behindMin = bay.awaited.laidSoFar.get(coatKey(coat.moved.after))?.allMin;
  return behindMin === undefined ? undefined : Math.max(fromMin, behindMin);
}

/** The first moment from which somebody who lays is there. */
function firstHands({ setting: { hours, lays } }: Bay, fromMin: number): number | undefined {
  let first: number | undefined;
  for (let who = 0; who < hours.length; who++) {
    const moment = lays[who] ? nextFit(hours[who]!, fromMin, 0) : null;
    if (moment !== null && (first === undefined || moment < first)) first = moment;
  }
  return first;
}

/** A coat that was started before the sheet begins is gone on with from where it stands. */
function takeUp(bay: Bay, place: number, coat: SurfaceCoat, known: BegunCoat): Bay {
  const { nowMin } = bay.setting;
  const before = bay.copies[place]!;
  const { below, copy } = before;
  const wetNow = new Set(known.wet.map(({ section }) => section));
  const inHand: CoatInHand = {
    sections: known.sections,
    toLay: Array.from({ length: known.sections }, (_, index) => index + 1).filter(
      (section) => !known.done.has(section) && !wetNow.has(section),
    ),
    levelled: known.done.size,
    startMin: known.startMin,
    endMin: known.endMin,
    outsideMin: 0,
    takenUp: true,
    byTime: below ? overBelow(coat, below, known.startMin) : [],
  };
  const now = withCopy(bay, place, { ...before, inHand, eligibleMin: nowMin });
  if (inHand.levelled === known.sections) return finish(now, place);
  const wets = known.wet.map(({ section, startMin, endMin }) => {
    const window = coat.openingAt(startMin).window ?? { fromMin: 0, byMin: null };
    return {
      place,
      section,
      areaM2: coat.oneM2 / known.sections,
      levelFactor: coat.levelFactor,
      startMin,
      layMin: endMin - startMin,
      layer: -1,
      fromMin: window.fromMin,
      byMin: window.byMin ?? Infinity,
    };
  });
  const sections = [...now.wet.sections, ...wets];
  const withWets = wets.length > 0 ? { ...now, wet: { ...now.wet, sections, isUnplanned: true } } : now;
  return inHand.toLay.length > 0 ? wake(withWets, place, nowMin) : layingEnds(withWets, coat, copy, nowMin);
}

/** The coat a copy has in hand is levelled to its end: the next may come. */
export function finish(bay: Bay, place: number): Bay {
  const copy = bay.copies[place]!;
  const below = coatSoFar(copy);
  const done = { ...bay.done, laid: added(bay.done.laid, below) };
  return settle(passed({ ...withCopy(bay, place, { ...copy, below }), done }, place, below.endMin), place);
}

/** The coat a copy has in hand, with what follows from its times so far. */
export function coatSoFar({ coats, next, copy, inHand }: Copy): CopyCoat {
  const coat = coats[next]!;
  const { sections, startMin, endMin, byTime, outsideMin } = inHand!;
  const milestones = coatMilestones(coat.coatCase, startMin, endMin);
  return { coat, copy, sections, startMin, endMin, milestones, byTime, outsideMin };
}

/** A copy has come through a round, laid or refused: what follows it may go on once all copies have. */
function passed(bay: Bay, place: number, atMin: number): Bay {
  const before = bay.copies[place]!;
  const { coats, copy, next } = before;
  const coat = coats[next]!;
  const { id, count } = coat.surface;
  const followers = bay.setting.followers.get(id);
  let now = withCopy(bay, place, { ...before, next: next + 1, inHand: undefined, eligibleMin: undefined });
  if (followers) {
    const key = `${id}/${next}`;
    const soFar = now.awaited.through.get(key) ?? { copies: 0, endMin: -Infinity };
    const through = { copies: soFar.copies + 1, endMin: Math.max(soFar.endMin, atMin) };
    now = { ...now, awaited: { ...now.awaited, through: new Map(now.awaited.through).set(key, through) } };
    if (through.copies === count) for (const follower of followers) now = settle(now, follower);
  }
  return layingEnds(now, coat, copy, atMin);
}

/** All sections of a copy's coat are laid, or it is refused: what was moved behind it may go on once all copies are. */
export function layingEnds(bay: Bay, coat: SurfaceCoat, copy: number, atMin: number): Bay {
  if (bay.setting.behind.size === 0) return bay;
  const key = coatKey(coatName(coat));
  const behind = bay.setting.behind.get(key);
  const before = bay.awaited.laidSoFar.get(key);
  if (!behind || before?.allMin !== undefined) return bay;
  const copies = new Set(before?.copies).add(copy);
  const allMin = copies.size === coat.surface.count ? atMin : undefined;
  const laidSoFar = new Map(bay.awaited.laidSoFar).set(key, { copies, allMin });
  let now: Bay = { ...bay, awaited: { ...bay.awaited, laidSoFar } };
  if (allMin !== undefined) for (const waiting of behind) now = settle(now, waiting);
  return now;
}
