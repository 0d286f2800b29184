import { MINUTES_PER_DAY, MS_PER_MIN } from '#core/measures';
import { rhAfterTemperatureChange } from '#core/time/air';
import { type BayReading, readingFaults } from './readings';

/** When a bay is heated, local hours. */
interface HeatingHours {
  readonly opensAtHour: number;
  readonly closesAtHour: number;
}

/** A bay's air as its own history has it, and how well that fits. */
interface FittedBay {
  readonly openC: number;
  readonly nightC: number;
  readonly tauMin: number;
  readonly openRhPct: number;
  /** Root of the mean square between the model, run freely through each stretch from its first reading, and the readings, K. */
  readonly rmsK: number;
  /** What it rests on, hours. */
  readonly hours: number;
}

/** Time constants that are tried, minutes: a tent to a stone barn. */
const TAU_MIN = [15, 1500] as const;
const SEARCH_STEPS = 60;
/** Readings farther apart than this, minutes, are two stretches; with less than so many hours nothing is said. */
const GAP_MIN = 180;
const LEAST_HOURS = 20;

interface Step {
  readonly fromC: number;
  readonly toC: number;
  /** Minutes of it that the bay is heated, first or last, and not. */
  readonly parts: readonly { readonly min: number; readonly heated: boolean }[];
}

/**
 * First-order model of a heated bay, fitted to its readings by least squares: air runs towards what it is heated to, else
 * towards where it settles, with one time constant. For a time constant the two are linear; the constant is searched for
 * (golden section on its logarithm).
 * @param minuteOfDay local minutes since midnight of an instant
 * @returns undefined where there is too little to go by, or one of the two is never seen
 */
export function fitBay(
  readings: readonly BayReading[],
  { opensAtHour, closesAtHour }: HeatingHours,
  minuteOfDay: (atMs: number) => number,
): FittedBay | undefined {
  const faults = readingFaults(readings);
  const good = readings.filter((_, index) => faults[index] === undefined);
  const stretches = stretchesOf(good);
  const hours = stretches.reduce((sum, own) => sum + (own.at(-1)!.atMs - own[0]!.atMs) / 3_600_000, 0);
  if (hours < LEAST_HOURS) return undefined;
  const heatedAt = (atMs: number) => {
    const minute = ((minuteOfDay(atMs) % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
    return minute >= opensAtHour * 60 && minute < closesAtHour * 60;
  };
  const steps = stretches.map((own) => stepsOf(own, heatedAt));
  const errorAt = (logTau: number) => fitFor(steps, Math.exp(logTau));
  let [low, high] = [Math.log(TAU_MIN[0]), Math.log(TAU_MIN[1])];
  const ratio = (Math.sqrt(5) - 1) / 2;
  for (let step = 0; step < SEARCH_STEPS; step++) {
    const [a, b] = [high - ratio * (high - low), low + ratio * (high - low)];
    if ((errorAt(a)?.squares ?? Infinity) < (errorAt(b)?.squares ?? Infinity)) high = b;
    else low = a;
  }
  const best = errorAt((low + high) / 2);
  if (!best) return undefined;
  const count = steps.reduce((sum, own) => sum + own.length, 0);
  const open = good.filter(({ atMs }) => heatedAt(atMs));
  const rh = open.map(({ airC, rhPct }) => rhAfterTemperatureChange(airC, rhPct, best.openC));
  return {
    openC: best.openC,
    nightC: best.nightC,
    tauMin: Math.exp((low + high) / 2),
    openRhPct: rh.reduce((sum, each) => sum + each, 0) / Math.max(1, rh.length),
    rmsK: Math.sqrt(best.squares / count),
    hours,
  };
}

function stretchesOf(readings: readonly BayReading[]): BayReading[][] {
  const stretches: BayReading[][] = [];
  for (const reading of readings) {
    const last = stretches.at(-1)?.at(-1);
    if (last && reading.atMs - last.atMs <= GAP_MIN * MS_PER_MIN) stretches.at(-1)!.push(reading);
    else stretches.push([reading]);
  }
  return stretches.filter((own) => own.length > 2);
}

/** Steps of minutes in which the heating does not change. */
function stepsOf(own: readonly BayReading[], heatedAt: (atMs: number) => boolean): Step[] {
  return own.slice(1).map((reading, index): Step => {
    const before = own[index]!;
    const parts: { min: number; heated: boolean }[] = [];
    for (let atMs = before.atMs; atMs < reading.atMs; atMs += MS_PER_MIN) {
      const min = Math.min(1, (reading.atMs - atMs) / MS_PER_MIN);
      const heated = heatedAt(atMs);
      const last = parts.at(-1);
      if (last?.heated === heated) last.min += min;
      else parts.push({ min, heated });
    }
    return { fromC: before.airC, toC: reading.airC, parts };
  });
}

/**
 * The best two temperatures for a time constant. Run freely, the air after any step is a share of the first reading, a
 * share of what it is heated to and a share of where it settles: linear in the two.
 */
function fitFor(
  stretches: readonly (readonly Step[])[],
  tauMin: number,
): { readonly openC: number; readonly nightC: number; readonly squares: number } | undefined {
  const rows: { known: number; open: number; night: number }[] = [];
  for (const steps of stretches) {
    const firstC = steps[0]!.fromC;
    let [first, open, night] = [1, 0, 0];
    for (const { parts, toC } of steps) {
      for (const { min, heated } of parts) {
        const keep = Math.exp(-min / tauMin);
        [first, open, night] = [
          first * keep,
          open * keep + (heated ? 1 - keep : 0),
          night * keep + (heated ? 0 : 1 - keep),
        ];
      }
      rows.push({ known: toC - first * firstC, open, night });
    }
  }
  let [oo, on, nn, ok, nk] = [0, 0, 0, 0, 0];
  for (const { known, open, night } of rows) {
    oo += open * open;
    on += open * night;
    nn += night * night;
    ok += open * known;
    nk += night * known;
  }
  const determinant = oo * nn - on * on;
  if (determinant < 1e-9) return undefined;
  const openC = (ok * nn - nk * on) / determinant;
  const nightC = (nk * oo - ok * on) / determinant;
  const squares = rows.reduce((sum, { known, open, night }) => sum + (known - open * openC - night * nightC) ** 2, 0);
  return { openC, nightC, squares };
}
