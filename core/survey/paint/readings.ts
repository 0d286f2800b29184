import { MAD_TO_SIGMA, median, medianDeviation, SMALLEST_MAD_UM } from './median';
import { twoPaints } from './two-paints';
import type { Body } from '#core/item/make';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';

/** Bounds on a panel's median, micrometres, and on its robust z against the item. */
export const THIN_UM = 80;
export const REFINISHED_UM = 180;
export const FILLER_UM = 400;
export const OUTLYING_Z = 3.5;

export type PaintVerdict = 'usual' | 'thin' | 'refinished' | 'filler' | 'not-readable';

/** How each is said beside a reading. */
export const VERDICT_NAMES: Readonly<Record<PaintVerdict, string>> = {
  usual: 'as usual',
  thin: 'thin: do not count on polishing',
  refinished: 'probably refinished',
  filler: 'filler under the paint',
  'not-readable': 'a gauge cannot read it',
};

export interface ReadPart {
  readonly substrate: SubstrateId;
  readonly body?: Body | undefined;
}

/** Whether a gauge can read a part at all: a coat straight on metal. */
export const gaugeReads = ({ substrate, body = 'metal' }: ReadPart): boolean =>
  SUBSTRATES[substrate].gaugeReads === true && body === 'metal';

/** Paint or gelcoat of the bodywork: what one stack is chosen for. Plastic trim and lenses are polished, but no paint. */
export const isPaint = (substrate: SubstrateId): boolean => {
  const { polishable, plastic, matte, gaugeReads: read } = SUBSTRATES[substrate];
  return (polishable === true && !plastic) || (matte === true && read === true);
};

export interface PanelReadings extends ReadPart {
  readonly readingsUm: readonly number[];
}

export interface PanelPaint {
  readonly verdict: PaintVerdict;
  readonly count: number;
  /** Absent where there is nothing to read, or a gauge cannot read it. */
  readonly medianUm?: number;
  readonly spreadUm?: number;
  readonly robustZ?: number;
  /** Its readings are of two paints: its middle says nothing of either. */
  readonly twofold?: true;
}

/**
 * Judges every panel's paint thickness against the whole item's. The item is the pool of all readings a
 * gauge can make; on plastic, composite, film or glass the answer is "not readable", never a number.
 * @returns one entry a panel, in the order given; `usual` with a count of 0 where nothing was read
 */
export function judgeReadings(panels: readonly PanelReadings[]): PanelPaint[] {
  const readable = panels.filter(gaugeReads);
  const pool = readable.flatMap(({ readingsUm }) => readingsUm);
  const itemMedian = pool.length > 0 ? median(pool) : 0;
  const itemMad = pool.length > 0 ? Math.max(medianDeviation(pool, itemMedian), SMALLEST_MAD_UM) : SMALLEST_MAD_UM;
  return panels.map((panel) => {
    const { readingsUm } = panel;
    const count = readingsUm.length;
    if (count === 0) return { verdict: 'usual', count };
    if (!gaugeReads(panel)) return { verdict: 'not-readable', count };
    const medianUm = median(readingsUm);
    const robustZ = (MAD_TO_SIGMA * (medianUm - itemMedian)) / itemMad;
    const verdict = judge(medianUm, robustZ);
    const twofold = twoPaints(readingsUm.map((um) => ({ um }))) !== undefined;
    return {
      verdict,
      count,
      medianUm,
      spreadUm: medianDeviation(readingsUm, medianUm),
      robustZ,
      ...(twofold && { twofold }),
    };
  });
}

function judge(medianUm: number, robustZ: number): PaintVerdict {
  if (medianUm > FILLER_UM) return 'filler';
  if (medianUm > REFINISHED_UM || robustZ > OUTLYING_Z) return 'refinished';
  if (medianUm < THIN_UM || robustZ < -OUTLYING_Z) return 'thin';
  return 'usual';
}

/** How hard a clear coat is under the pad. */
export const HARDNESS = ['soft', 'medium', 'hard', 'very-hard'] as const;
export type Hardness = (typeof HARDNESS)[number];

export type PaintSystem = 'factory' | 'refinished' | 'single-stage';

const CLEAR_SHARE_OF_FACTORY = 0.4;
const MOST_ESTIMATED_CLEAR_UM = 50;
const COLOUR_SHARE_OF_SINGLE_STAGE = 0.5;

/** What is known of the paint of a panel besides its readings. */
export interface PaintTold {
  readonly paint: PaintSystem;
  readonly clearUm?: number | undefined;
  /** What the last visit left, µm: its estimate less what was taken then. */
  readonly clearBefore?: { readonly um: number } | undefined;
}

/** Gelcoat where nobody has measured it, and what stays of it, µm: it is ten times as thick as a clear coat. Engineering defaults. */
export const USUAL_GELCOAT_UM = 350;
export const GELCOAT_RESERVE_UM = 150;
/** What stays of single-stage paint, µm: its colour coat is all there is over the primer. Engineering default. */
export const SINGLE_STAGE_RESERVE_UM = 40;

/**
 * What there is to polish, micrometres: told; or estimated from the readings of factory paint (40 % of a total, at most
 * 50) or of single-stage paint (half of it); or what the last visit left; gelcoat as it is usually laid. Undefined where
 * nobody has measured or told, where a gauge cannot read, over two paints, and over a refinish or filler, whose total says nothing of its
 * clear: then nothing is promised.
 */
export function clearEstimateUm(
  { clearUm, paint, clearBefore, substrate }: PaintTold & { readonly substrate: SubstrateId },
  { verdict, medianUm, twofold }: Pick<PanelPaint, 'verdict' | 'medianUm' | 'twofold'> = { verdict: 'usual' },
): number | undefined {
  if (clearUm !== undefined) return clearUm;
  if (substrate === 'gelcoat') return clearBefore?.um ?? USUAL_GELCOAT_UM;
  const unknown =
    paint === 'refinished' || verdict === 'refinished' || verdict === 'filler' || verdict === 'not-readable' || twofold;
  if (medianUm === undefined || unknown) return clearBefore?.um;
  if (paint === 'single-stage') return COLOUR_SHARE_OF_SINGLE_STAGE * medianUm;
  return Math.min(MOST_ESTIMATED_CLEAR_UM, CLEAR_SHARE_OF_FACTORY * medianUm);
}

/** Clear coat that stays on the item whatever is done, micrometres: sun protection. Engineering default. */
export const CLEAR_RESERVE_UM = 25;

/** What stays of a coat whatever is done, µm, where nobody says otherwise: single-stage paint and gelcoat have their own. */
export function reserveOf({
  substrate,
  paint,
}: {
  readonly substrate: SubstrateId;
  readonly paint: PaintSystem;
}): number {
  if (substrate === 'gelcoat') return GELCOAT_RESERVE_UM;
  return paint === 'single-stage' || substrate === 'single-stage' ? SINGLE_STAGE_RESERVE_UM : CLEAR_RESERVE_UM;
}
