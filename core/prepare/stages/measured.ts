import { MARK_KINDS, type MarkKindId } from '#core/survey/condition';
import type { LiquidGrade } from '#core/prepare/kit';
import type { StepKindId } from '#core/prepare/steps';
import {
  climbLadder,
  HAZE_LEFT_PCT,
  type PairId,
  PAIRS,
  type SpotMachine,
  type SpotTest,
  USUAL_SPOT_M2,
} from './test-ladder';

/**
 * What a test spot decided: pad, liquid, machine, pace, clear taken, share of marks gone and haze left, for every panel
 * of the same paint. The tables are only for before.
 */
export interface MeasuredPair {
  readonly pair: PairId;
  /** The panel it was tried on. */
  readonly on: string;
  readonly minPerM2: number;
  /** Clear measured before and after, µm; absent: nobody measured, and the table's upper end stands. */
  readonly tookUm?: number | undefined;
  readonly goneShare: number;
  /** It leaves haze: it is refined after it. */
  readonly hazy: boolean;
  readonly machine?: SpotMachine | undefined;
}

/** The pair that tests on one panel ended with; undefined while none has met the goal. */
export function measuredPair(tests: readonly SpotTest[], on: string, goalPct: number): MeasuredPair | undefined {
  const { found } = climbLadder(tests, goalPct);
  const test = tests.findLast(({ pair }) => pair === found);
  if (!test) return undefined;
  const { pair, minutes, areaM2 = USUAL_SPOT_M2, tookUm, gonePct, hazePct, machine } = test;
  return {
    pair,
    on,
    minPerM2: minutes / areaM2,
    ...(tookUm !== undefined && { tookUm }),
    goneShare: gonePct / 100,
    hazy: hazePct > HAZE_LEFT_PCT,
    ...(machine && { machine }),
  };
}

const STEP_OF_GRADE: Readonly<Partial<Record<LiquidGrade, StepKindId>>> = {
  cutting: 'cutting',
  'one-step': 'single-stage',
  finishing: 'finishing',
};

/** Which step a pair is: by what its liquid is for. */
export const stepOfPair = (pair: PairId): StepKindId => STEP_OF_GRADE[PAIRS[pair].grade]!;

/** Marks a test spot is judged by: what polishing usually takes away. What it only eases stays with the table. */
const JUDGED_BY_SPOT: readonly MarkKindId[] = ['swirls', 'holograms', 'sanding-marks', 'oxidation'];
export const isJudgedBySpot = (kind: MarkKindId): boolean =>
  JUDGED_BY_SPOT.includes(kind) && MARK_KINDS[kind].polished === true;
