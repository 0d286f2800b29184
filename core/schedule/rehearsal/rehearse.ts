import { seeded } from '#core/measures';
import { handedOverMin } from '#core/products/schools';
import { type AmbientSeries, warmerBy } from '#core/time/air';
import { latestMoment, reachedAtMin } from '#core/time/clocks';
import { type RehearsalCase, type RehearsedProduct, type Uncertainty, USUAL_UNCERTAINTY } from './case';
import { aDay, type Day } from './day';

/** One day in ten is sooner, the middle one, nine in ten. */
export interface Spread {
  readonly tenth: number;
  readonly middle: number;
  readonly nineTenths: number;
}

/** What a run sheet comes to over many days. */
export interface Rehearsed {
  readonly days: number;
  /** Share of days on which every patch was levelled in its window. */
  readonly allHold: number;
  /** Share of days a patch was late, by patch. */
  readonly late: readonly number[];
  /** Its end, when it may get wet, and when it may be handed over; undefined where that never comes, minutes. */
  readonly end: Spread;
  readonly waterSafe: Spread | undefined;
  readonly ready: Spread | undefined;
}

/** Offsets of the air at which curing is worked out; between them it runs evenly. */
const GRID_K = [-6, -4, -2, 0, 2, 4, 6];

/** When something curing is curing, on a day whose air is off by so much. */
function curingDates(ambient: AmbientSeries) {
  const airs = GRID_K.map((byK) => warmerBy(ambient, byK));
  return (
    { clock, min }: NonNullable<RehearsedProduct['ready']>,
    fromMin: number,
    offK: number,
    factor: number,
  ): number | null => {
    const place = Math.min(GRID_K.length - 1, Math.max(0, (offK - GRID_K[0]!) / 2));
    const low = Math.min(GRID_K.length - 2, Math.floor(place));
    const [a, b] = [low, low + 1].map((grid) => reachedAtMin(clock, min * factor, airs[grid]!, fromMin));
    if (a === null || b === null || a === undefined || b === undefined)
      return place - low < 0.5 ? (a ?? null) : (b ?? null);
    return a + (place - low) * (b - a);
  };
}

/**
 * Goes through a run sheet on so many days, seeded: yields how many are done. What was promised at nine in ten is the
 * ninth tenth of when it was ready.
 */
export function* rehearsing(
  asked: RehearsalCase,
  days: number,
  seed = 1,
  by: Uncertainty = USUAL_UNCERTAINTY,
): Generator<number, Rehearsed, void> {
  const random = seeded(seed);
  const late = new Float64Array(asked.patches.length);
  let hold = 0;
  const [ends, wets, readys]: [number[], (number | null)[], (number | null)[]] = [[], [], []];
  const when = momentsOf(asked);
  for (let day = 0; day < days; day++) {
    const gone = aDay(asked, by, random);
    let isHeld = true;
    gone.lateMin.forEach((min, patch) => {
      if (min > 0) [late[patch], isHeld] = [late[patch]! + 1, false];
    });
    if (isHeld) hold += 1;
    ends.push(gone.endMin);
    const { wetMin, readyMin } = when(gone);
    wets.push(wetMin);
    readys.push(readyMin);
    if (day % DAYS_A_STEP === DAYS_A_STEP - 1) yield day + 1;
  }
  return {
    days,
    allHold: hold / days,
    late: Array.from(late, (count) => count / days),
    end: spreadOf(ends)!,
    waterSafe: spreadOf(wets),
    ready: spreadOf(readys),
  };
}
const DAYS_A_STEP = 20;

/** When what was laid on a day may get wet, and be handed over. */
export function momentsOf(asked: RehearsalCase) {
  const curing = curingDates(asked.ambient);
  return ({ lastMin, offK, cure, endMin }: Day) => {
    const latest = (which: 'wet' | 'ready') =>
      latestMoment([
        endMin,
        asked.before[`${which}Min`],
        ...asked.products.flatMap((product, index) => {
          const what = product[which];
          const from = lastMin[index]!;
          return what && !Number.isNaN(from) ? [curing(what, from, offK, cure[index]!)] : [];
        }),
      ]);
    const minimumMin = latest('ready');
    const { handover } = asked;
    return {
      wetMin: latest('wet'),
      readyMin: handover ? handedOverMin(minimumMin, endMin, handover.school, handover.startMinuteOfDay) : minimumMin,
    };
  };
}

/** Tenths of what was seen; undefined where one day in ten or more never comes to it. */
export function spreadOf(seen: readonly (number | null)[]): Spread | undefined {
  if (seen.length === 0) return undefined;
  const sorted = seen.map((each) => each ?? Infinity).sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!;
  const spread = { tenth: at(0.1), middle: at(0.5), nineTenths: at(0.9) };
  return spread.nineTenths === Infinity ? undefined : spread;
}
