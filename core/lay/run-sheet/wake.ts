import type { Bay, Queue, Waiting } from './bay';

/** A copy may go on from a moment: it takes its place among what is in hand or waits, and hands that are idle then are asked. */
export function wake(bay: Bay, place: number, atMin: number): Bay {
  const { coats, next, inHand } = bay.copies[place]!;
  const { free, ask } = bay.hands;
  const { queue, setting } = bay;
  const coat = coats[next]!;
  return {
    ...bay,
    hands: { ...bay.hands, ask: ask.map((askMin, who) => Math.max(free[who]!, Math.min(askMin, atMin))) },
    queue: inHand
      ? { ...queue, inHand: [...queue.inHand, place] }
      : { ...queue, waiting: withWaiting(queue.waiting, place, coat, setting.rankOf(coat)) },
  };
}

/** Copies that wait for a coat stand together, by rank, then by place. */
function withWaiting(waiting: readonly Waiting[], place: number, coat: Waiting['coat'], rank: number): Waiting[] {
  const own = waiting.findIndex((each) => each.coat === coat);
  if (own !== -1) return waiting.with(own, { coat, rank, places: inserted(waiting[own]!.places, place) });
  const before = waiting.findIndex((each) => each.rank > rank || (each.rank === rank && each.places[0]! > place));
  return waiting.toSpliced(before === -1 ? waiting.length : before, 0, { coat, rank, places: [place] });
}

function inserted(places: readonly number[], place: number): number[] {
  const before = places.findIndex((other) => other > place);
  return places.toSpliced(before === -1 ? places.length : before, 0, place);
}

/** What waits once a copy does not any more: its coat is started. */
export function noLongerWaiting({ waiting }: Queue, place: number, coat: Waiting['coat']): readonly Waiting[] {
  const own = waiting.findIndex((each) => each.coat === coat);
  if (own === -1) return waiting;
  const places = waiting[own]!.places.filter((other) => other !== place);
  return places.length > 0 ? waiting.with(own, { ...waiting[own]!, places }) : waiting.toSpliced(own, 1);
}
