/** A pad with a liquid, as they are tried on a test spot. */
export interface Pair {
  readonly pad: string;
  readonly liquid: string;
}

const define = <T extends Record<string, Pair>>(table: T) => table;

/** From mildest to strongest. A pad belongs to one liquid. */
const TABLE = define({
  'soft-finishing': { pad: 'soft foam', liquid: 'finishing polish' },
  'medium-finishing': { pad: 'polishing foam', liquid: 'finishing polish' },
  'medium-onestep': { pad: 'polishing foam', liquid: 'one-step polish' },
  'firm-onestep': { pad: 'cutting foam', liquid: 'one-step polish' },
  'microfibre-compound': { pad: 'microfibre', liquid: 'cutting compound' },
  'wool-compound': { pad: 'wool', liquid: 'cutting compound' },
});

export type PairId = keyof typeof TABLE;
export const PAIRS: Readonly<Record<PairId, Pair>> = TABLE;
export const PAIR_IDS = Object.keys(TABLE) as [PairId, ...PairId[]];

/** Share of the marks a correction is expected to move before anyone says otherwise, %. */
export const USUAL_GOAL_PCT = 80;

/** One test spot: what went, what haze it left, how long it took. */
export interface SpotTest {
  readonly pair: PairId;
  readonly gonePct: number;
  readonly hazePct: number;
  readonly minutes: number;
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
