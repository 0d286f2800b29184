import { type Hours, sharedIn } from '#core/plan/crew';
import type { LaidOut } from '#core/lay/run-sheet';
import { ADDED_MIN } from './added';

/** Hours of laying a job. Person-minutes are what is paid for, elapsed minutes what the clock shows: two figures. */
export interface LayingHours {
  /** Laying and levelling, all people. */
  readonly busyMin: number;
  /** Set-up, towels, packing up. */
  readonly addedMin: number;
  /** What is paid for: busy and added. Waiting is not in it: nobody stands beside a hazing panel while there is something to do. */
  readonly personMin: number;
  /** From set-up to the last towel by the clock, breaks included. */
  readonly elapsedMin: number;
  /** Of these, minutes in which nobody laid or levelled anything. */
  readonly waitingMin: number;
}

/** What laying the job of a run sheet takes; nothing where nothing is laid. */
export function layingHours({
  actions,
  busyMin,
  people,
}: Pick<LaidOut, 'actions' | 'busyMin' | 'people'>): LayingHours {
  const laid = actions.filter(({ does }) => does === 'lay');
  const busy = busyMin.reduce((sum, min) => sum + min, 0);
  if (laid.length === 0) return { busyMin: 0, addedMin: 0, personMin: 0, elapsedMin: 0, waitingMin: 0 };
  const setUpMin = layingSetUpMin(new Set(laid.map(({ coat }) => coat.product.id)).size);
  const workers = busyMin.filter((min) => min > 0).length || people.length;
  const spanMin = Math.max(...actions.map(({ endMin }) => endMin)) - actions[0]!.startMin;
  const addedMin = setUpMin + packingUpMin(laid.length, 1);
  return {
    busyMin: busy,
    addedMin,
    personMin: busy + addedMin,
    elapsedMin: setUpMin + spanMin + packingUpMin(laid.length, workers),
    waitingMin: idleMin(actions),
  };
}

/** Setting up before the first of so many products is laid, minutes; 0 where nothing is laid. */
export const layingSetUpMin = (products: number): number =>
  products === 0 ? 0 : ADDED_MIN.setUp + products * ADDED_MIN.product;

/** Packing up after so many sections, with the towels changed by so many people on the way, minutes by the clock. */
export const packingUpMin = (sections: number, workers: number): number =>
  sections === 0 ? 0 : ADDED_MIN.packUp + (sections * ADDED_MIN.section) / workers;

/** When a preparation has been worked through, and when it has dried after that, minutes. */
export interface Prepared {
  readonly workedMin: number;
  readonly driedMin: number;
}

/**
 * Setting up for laying, by one person while the last of the preparation dries, and when the first panel may be laid.
 * @param people when each of them is there
 * @returns null where the hours do not reach so far
 */
export function layingBegins(
  people: readonly Hours[],
  { workedMin, driedMin }: Prepared,
  setUpMin: number,
): { readonly setUp: Hours; readonly fromMin: number } | null {
  if (setUpMin <= 0) return { setUp: [], fromMin: driedMin };
  const [setUp] = sharedIn(people, Math.max(workedMin, driedMin - setUpMin), [setUpMin], () => 1);
  const ready = setUp?.at(-1)?.[1];
  return ready === undefined ? null : { setUp: setUp!, fromMin: Math.max(driedMin, ready) };
}

/** Minutes between the first and the last action in which nothing is laid or levelled. */
function idleMin(actions: LaidOut['actions']): number {
  let [idle, until] = [0, actions[0]!.startMin];
  for (const { startMin, endMin } of actions) {
    idle += Math.max(0, startMin - until);
    until = Math.max(until, endMin);
  }
  return idle;
}
