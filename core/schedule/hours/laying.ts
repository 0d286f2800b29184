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
  const products = new Set(laid.map(({ coat }) => coat.product.id)).size;
  const towelsMin = laid.length * ADDED_MIN.section;
  const onceMin = ADDED_MIN.setUp + products * ADDED_MIN.product + ADDED_MIN.packUp;
  const workers = busyMin.filter((min) => min > 0).length || people.length;
  const spanMin = Math.max(...actions.map(({ endMin }) => endMin)) - actions[0]!.startMin;
  return {
    busyMin: busy,
    addedMin: towelsMin + onceMin,
    personMin: busy + towelsMin + onceMin,
    elapsedMin: spanMin + towelsMin / workers + onceMin,
    waitingMin: idleMin(actions),
  };
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
