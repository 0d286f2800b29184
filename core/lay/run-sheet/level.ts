import { CREW_ROLES, type Person } from '#core/plan/crew';
import { type Action, type Bay, type CoatInHand, nextCoat, replaced, type Wet, withInHand } from './bay';
import { added } from './history';
import { finish } from './settle';
import { levelInTime, levellersOf, type Levelling, type WetSection } from './wet';

/** What closes first is levelled first, and of what never closes the oldest. */
export function firstToClose(a: WetSection, b: WetSection): number {
  const [aCloses, bCloses] = [a.startMin + a.byMin, b.startMin + b.byMin];
  return aCloses === bCloses ? a.startMin - b.startMin : aCloses < bCloses ? -1 : 1;
}

/** When each is worth asking next, once it is known who levels what. */
export function asked(
  ask: readonly number[],
  free: readonly number[],
  levels: readonly Levelling<WetSection>[],
): readonly number[] {
  const then = [...ask];
  for (const { who, startMin } of levels) then[who] = Math.max(free[who]!, Math.min(then[who]!, startMin));
  return then;
}

/** When what is wet already is levelled, however late it is: it comes first. */
export function planWet(bay: Bay): Bay {
  const { levellers, people } = bay.setting;
  const { free, ask } = bay.hands;
  const wets = bay.wet.sections.toSorted(firstToClose);
  const inTime = levelInTime(wets, levellers, free);
  const late = inTime ? wets : wets.map((wet): Wet => ({ ...wet, byMin: Infinity }));
  const levels =
    inTime ?? levelInTime(late, levellers, free) ?? levelInTime(late, levellersOf(people.map(staying)), free) ?? [];
  return {
    ...bay,
    wet: { sections: late, levels, isUnplanned: false },
    hands: { ...bay.hands, ask: asked(ask, free, levels) },
  };
}

/** Whoever is there stays until what is wet is levelled, whatever their hours say. */
const staying = ({ hours: _, ...person }: Person): Person => ({ ...person, does: CREW_ROLES });

/** What somebody levels next, by the plan; undefined: nothing. */
export function nextLevelling({ wet: { levels } }: Bay, who: number): Levelling<Wet> | undefined {
  let own: Levelling<Wet> | undefined;
  for (const planned of levels) if (planned.who === who && (!own || planned.startMin < own.startMin)) own = planned;
  return own;
}

/** The bay once a section is levelled. */
export function level(bay: Bay, levelling: Levelling<Wet>): Bay {
  const { wet, who, startMin, endMin } = levelling;
  const { place, section, areaM2 } = wet;
  const copy = bay.copies[place]!;
  const before = copy.inHand!;
  const { sections, toLay, outsideMin, takenUp, byTime } = before;
  const inHand: CoatInHand = {
    sections,
    toLay,
    levelled: before.levelled + 1,
    startMin: before.startMin,
    endMin: Math.max(before.endMin, endMin),
    outsideMin,
    takenUp,
    byTime,
  };
  const action: Action = {
    who,
    does: 'level',
    coat: nextCoat(copy)!,
    copy: copy.copy,
    section,
    sections,
    areaM2,
    startMin,
    endMin,
    ages: [startMin - wet.startMin, endMin - wet.startMin - wet.layMin],
  };
  const { laid, refused, lateCoats } = bay.done;
  const now: Bay = {
    setting: bay.setting,
    copies: replaced(bay.copies, place, withInHand(copy, inHand)),
    queue: bay.queue,
    wet: {
      sections: bay.wet.sections.filter((other) => other !== wet),
      levels: bay.wet.levels.filter((other) => other !== levelling),
      isUnplanned: bay.wet.isUnplanned,
    },
    hands: {
      free: replaced(bay.hands.free, who, endMin),
      ask: replaced(bay.hands.ask, who, endMin),
      levelledLast: replaced(bay.hands.levelledLast, who, true),
    },
    awaited: bay.awaited,
    done: { actions: added(bay.done.actions, action), laid, refused, lateCoats },
  };
  return inHand.levelled === sections ? finish(now, place) : now;
}
