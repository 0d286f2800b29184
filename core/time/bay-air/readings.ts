/** The air of a bay as an instrument said it. */
export interface BayReading {
  readonly atMs: number;
  readonly airC: number;
  readonly rhPct: number;
}

/** No bay is colder, hotter, or wetter; no instrument of one reads so dry. */
export const BELIEVED_C = [-40, 60] as const;
export const BELIEVED_RH_PCT = [1, 100] as const;
/** Air does not change faster than this, K a minute, however wide the door; beside the instrument's own noise, K. */
const FASTEST_K_PER_MIN = 1.5;
const NOISE_K = 3;
/** After so long, minutes, a reading says little of now. */
const STALE_MIN = 20;
/** What an instrument is off by, K, and by how much the air wanders from a reading in an hour. Engineering defaults. */
export const INSTRUMENT_K = 0.3;
export const WANDERS_K_PER_ROOT_HOUR = 0.8;

type ReadingFault = 'out-of-range' | 'jumped';

/**
 * What is wrong with each of some readings in their order; undefined where it may be believed. A jump is told against the
 * last good one; where the next agree with it, it was the air after all.
 */
export function readingFaults(readings: readonly BayReading[]): (ReadingFault | undefined)[] {
  let good: BayReading | undefined;
  return readings.map((reading, index) => {
    if (!isInRange(reading)) return 'out-of-range';
    if (good && jumps(good, reading)) {
      const next = nextInRange(readings, index + 1);
      if (!next || jumps(reading, next)) return 'jumped';
    }
    good = reading;
    return undefined;
  });
}

function nextInRange(readings: readonly BayReading[], from: number): BayReading | undefined {
  for (let index = from; index < readings.length; index++) if (isInRange(readings[index]!)) return readings[index];
  return undefined;
}

const isInRange = ({ airC, rhPct }: BayReading) =>
  airC >= BELIEVED_C[0] && airC <= BELIEVED_C[1] && rhPct >= BELIEVED_RH_PCT[0] && rhPct <= BELIEVED_RH_PCT[1];

const jumps = (from: BayReading, to: BayReading) =>
  Math.abs(to.airC - from.airC) > NOISE_K + (FASTEST_K_PER_MIN * Math.abs(to.atMs - from.atMs)) / 60_000;

/** The last reading that may be believed, how old it is, and how far the air may be from it by now (one sigma). */
interface LastGood {
  readonly reading: BayReading;
  readonly ageMin: number;
  readonly spreadK: number;
  readonly isStale: boolean;
}

/** @returns undefined where none may be believed */
export function lastGood(readings: readonly BayReading[], nowMs: number): LastGood | undefined {
  const faults = readingFaults(readings);
  const reading = readings.findLast((each, index) => faults[index] === undefined && each.atMs <= nowMs);
  if (!reading) return undefined;
  const ageMin = (nowMs - reading.atMs) / 60_000;
  const spreadK = Math.hypot(INSTRUMENT_K, WANDERS_K_PER_ROOT_HOUR * Math.sqrt(ageMin / 60));
  return { reading, ageMin, spreadK, isStale: ageMin > STALE_MIN };
}

/** Some readings as one: their lowest, middle and highest, and how many they are. */
export interface ReadingBucket {
  readonly atMs: number;
  readonly lowC: number;
  readonly meanC: number;
  readonly highC: number;
  readonly rhPct: number;
  readonly count: number;
}

/** Readings in so many equal stretches of time, empty ones left out: a year of minutes is drawn as what fits the screen. */
export function downsampled(readings: readonly BayReading[], most: number): ReadingBucket[] {
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last || most < 1) return [];
  const widthMs = Math.max(1, (last.atMs - first.atMs + 1) / most);
  const buckets: { atMs: number; lowC: number; sumC: number; highC: number; sumRh: number; count: number }[] = [];
  let at = -1;
  for (const { atMs, airC, rhPct } of readings) {
    const place = Math.floor((atMs - first.atMs) / widthMs);
    if (place !== at) {
      at = place;
      buckets.push({ atMs, lowC: airC, sumC: 0, highC: airC, sumRh: 0, count: 0 });
    }
    const bucket = buckets.at(-1)!;
    bucket.lowC = Math.min(bucket.lowC, airC);
    bucket.highC = Math.max(bucket.highC, airC);
    bucket.sumC += airC;
    bucket.sumRh += rhPct;
    bucket.count += 1;
  }
  return buckets.map(({ atMs, lowC, sumC, highC, sumRh, count }) => ({
    atMs,
    lowC,
    meanC: sumC / count,
    highC,
    rhPct: sumRh / count,
    count,
  }));
}
