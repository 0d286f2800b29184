import { type LiquidGrade, LIQUID_WORDS, type PadMaterial, PAD_WORDS } from '#core/prepare/kit';

/** A pad with a liquid, as they are tried on a test spot. */
export interface Pair {
  readonly material: PadMaterial;
  readonly grade: LiquidGrade;
}

const define = <T extends Record<string, Pair>>(table: T) => table;

/** From mildest to strongest. A pad belongs to one liquid. */
const TABLE = define({
  'soft-finishing': { material: 'finishing-foam', grade: 'finishing' },
  'medium-finishing': { material: 'polishing-foam', grade: 'finishing' },
  'medium-onestep': { material: 'polishing-foam', grade: 'one-step' },
  'firm-onestep': { material: 'cutting-foam', grade: 'one-step' },
  'microfibre-compound': { material: 'microfibre', grade: 'cutting' },
  'wool-compound': { material: 'wool', grade: 'cutting' },
});

export type PairId = keyof typeof TABLE;
export const PAIRS: Readonly<Record<PairId, Pair>> = TABLE;
/** What a pair is called. */
export const pairName = (pair: PairId): string =>
  `${PAD_WORDS[PAIRS[pair].material]}, ${LIQUID_WORDS[PAIRS[pair].grade]}`;

export const PAIR_IDS = Object.keys(TABLE) as [PairId, ...PairId[]];

/** Share of the marks a correction is expected to move before anyone says otherwise, %. */
export const USUAL_GOAL_PCT = 80;

/** What turns the pad on a test spot. */
export const SPOT_MACHINES = ['dual', 'forced', 'rotary', 'hand'] as const;
export type SpotMachine = (typeof SPOT_MACHINES)[number];

/** A spot of half a metre square, m², where nobody says. */
export const USUAL_SPOT_M2 = 0.25;

/** One test spot: what went, what haze it left, how long it took, what it took off. */
export interface SpotTest {
  readonly pair: PairId;
  readonly gonePct: number;
  readonly hazePct: number;
  readonly minutes: number;
  readonly areaM2?: number | undefined;
  /** Clear measured before and after, µm. */
  readonly tookUm?: number | undefined;
  readonly machine?: SpotMachine | undefined;
}

/** More haze than this wants a refining step after the pair, %. Engineering default: less is gone with the wipe. */
export const HAZE_LEFT_PCT = 10;

export interface LadderAnswer {
  /** To be tried next; absent when the ladder is done. */
  readonly next?: PairId;
  /** The mildest that meets the goal so far. */
  readonly found?: PairId;
  /** The pair that was found leaves haze: it is refined after it. */
  readonly hazy?: true;
  readonly why: string;
}

/**
 * What to try next on a test spot: mildest first, starting from what worked on this item before; the first that
 * meets the goal is followed by one milder, and the mildest that meets it is taken.
 * @param goalPct share of the marks that has to go
 * @param workedBefore what was found at an earlier visit
 */
export function climbLadder(tests: readonly SpotTest[], goalPct: number, workedBefore?: PairId): LadderAnswer {
  const tried = new Map(tests.map((test) => [test.pair, test]));
  const rank = (pair: PairId) => PAIR_IDS.indexOf(pair);
  const meets = PAIR_IDS.filter((pair) => (tried.get(pair)?.gonePct ?? -1) >= goalPct);
  const [mildest] = meets;
  if (mildest === undefined) {
    const strongest = PAIR_IDS.filter((pair) => tried.has(pair)).at(-1);
    if (strongest === undefined) {
      return workedBefore
        ? { next: workedBefore, why: 'it worked before on this item or its model' }
        : { next: PAIR_IDS[0], why: 'the mildest first' };
    }
    const next = PAIR_IDS[rank(strongest) + 1];
    return next
      ? { next, why: `${tried.get(strongest)!.gonePct} % went, ${goalPct} are wanted: one step stronger` }
      : { why: 'nothing stronger is polished with: what stays is a painter’s decision' };
  }
  const hazy = tried.get(mildest)!.hazePct > HAZE_LEFT_PCT ? { hazy: true as const } : {};
  const milder = PAIR_IDS[rank(mildest) - 1];
  if (milder !== undefined && !tried.has(milder)) {
    return { next: milder, found: mildest, ...hazy, why: 'it meets the goal: try one milder, it may do' };
  }
  const refined = hazy.hazy ? ', with a refining step after it for the haze it leaves' : '';
  return { found: mildest, ...hazy, why: `the mildest that takes ${goalPct} %${refined}` };
}
