import { type Person, SAME_MOMENT_MIN } from '#core/plan/crew';
import type { CoatsLaid, SurfaceCoat } from '#core/plan/job';
import { stepAt } from '#core/time/clocks';
import { type Action, type Bay, nextCoat, openBay, replaced, type SheetFrom, withHands } from './bay';
import { entriesOf, lengthOf } from './history';
import { lay, nextLaying } from './lay';
import { level, nextLevelling, planWet } from './level';
import { coatSoFar, settle } from './settle';
import type { Strategy } from './strategy';

/** A job laid out by one strategy. */
export interface Dispatched extends CoatsLaid {
  readonly actions: readonly Action[];
  readonly lateCoats: number;
  readonly endMin: number;
}

/** More actions than anybody is led through come of a wrong entry, and would only fill the memory. */
const MOST_ACTIONS = 200_000;

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
  from: SheetFrom,
  cutMin = Infinity,
): Dispatched | undefined {
  let bay = openBay(coats, people, strategy, from);
  for (const place of bay.copies.keys()) bay = settle(bay, place);
  for (;;) {
    if (bay.wet.isUnplanned) bay = planWet(bay);
    const { ask } = bay.hands;
    const who = soonest(ask);
    const atMin = ask[who] ?? Infinity;
    if (atMin === Infinity) break;
    if (atMin > cutMin + SAME_MOMENT_MIN) return undefined;
    if (lengthOf(bay.done.actions) > MOST_ACTIONS && bay.wet.sections.length === 0) break;
    bay = step(bay, who, atMin);
  }
  return dispatched(bay);
}

/** What somebody does whose hands are free: level what is due, lay the next section, or wait until it is worth asking again. */
function step(bay: Bay, who: number, atMin: number): Bay {
  const { strategy, lays } = bay.setting;
  const own = nextLevelling(bay, who);
  const due = own && own.startMin <= atMin + SAME_MOMENT_MIN ? own : undefined;
  const levelsFirst = strategy.ahead === 'safe' || (strategy.ahead === 'batch' && bay.hands.levelledLast[who]);
  if (due && levelsFirst) return level(bay, due);
  const laying = lays[who] ? nextLaying(bay, who, atMin) : undefined;
  if (laying) return lay(bay, laying);
  if (due) return level(bay, due);
  const { free, ask, levelledLast } = bay.hands;
  const againMin = nextMoment(bay, who, atMin, own?.startMin ?? Infinity);
  return withHands(bay, { free, ask: replaced(ask, who, againMin), levelledLast });
}

function soonest(ask: readonly number[]): number {
  let who = 0;
  for (let other = 1; other < ask.length; other++) if (ask[other]! < ask[who]!) who = other;
  return who;
}

/** When it is worth asking somebody idle again: something opens, hands come free, the air or the hours change. */
function nextMoment(bay: Bay, who: number, atMin: number, ownMin: number): number {
  const { copies, queue, hands, wet } = bay;
  const { inHand, waiting } = queue;
  const { lays, hours, levellers } = bay.setting;
  const any = inHand[0] ?? waiting[0]?.places[0];
  if (any === undefined) return ownMin;
  let moment = ownMin;
  const consider = (at: number) => {
    if (at > atMin + SAME_MOMENT_MIN && at < moment) moment = at;
  };
  for (const { places } of waiting) for (const place of places) consider(copies[place]!.eligibleMin!);
  for (const at of hands.free) consider(at);
  for (const { startMin, endMin } of wet.levels) {
    consider(startMin);
    consider(endMin);
  }
  if (lays[who]) {
    for (const [opens] of hours[who]!) consider(opens);
    for (const [opens] of levellers.covered) consider(opens);
    const { ambient } = nextCoat(copies[any]!)!.coatCase;
    const change = ambient[stepAt(ambient, atMin) + 1];
    if (change) consider(change.atMin);
  }
  return moment;
}

function dispatched({ setting, copies, done }: Bay): Dispatched {
  const actions = entriesOf(done.actions);
  return {
    actions,
    laid: entriesOf(done.laid),
    begunOnly: copies.flatMap((copy) => (copy.inHand ? [coatSoFar(copy)] : [])),
    refused: entriesOf(done.refused),
    unlaid: copies.flatMap(({ coats, next, copy }) =>
      coats
        .slice(next)
        .filter((coat) => !coat.refused)
        .map((coat) => ({ coat, copy })),
    ),
    lateCoats: done.lateCoats,
    endMin: actions.reduce((end, action) => Math.max(end, action.endMin), setting.nowMin),
  };
}
