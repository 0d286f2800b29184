import type { MatteSchool, SubstrateId } from '#core/item/substrates';
import type { Product } from '#core/products/sheets';
import type { Air } from '#core/time/air';
import type { LevelWindow } from '#core/time/clocks';
import { goIn, type GoAnswer, type GoVerdict } from '#core/lay/go';
import { maxSectionM2, type Pace, sectionCount, sectionTiming, type SectionTiming } from '#core/plan/sections';

/** A product on one panel, and the hands for it. */
export interface BenchCase {
  readonly product: Product;
  readonly substrate: SubstrateId;
  readonly matteSchool: MatteSchool;
  readonly guardSigma: number;
  /** One copy of the panel, m²; in one go, or in sections. */
  readonly areaM2: number;
  readonly onePiece: boolean;
  /** One person's pace with this product and method on this panel. */
  readonly pace: Pace;
}

export interface BenchAnswer extends GoAnswer {
  /** Largest section by how many people there are, from one, m²; null: no limit. */
  readonly largestM2: readonly (number | null)[];
  readonly sections: number;
  readonly timing: SectionTiming;
  /** The panel by one person, first stroke to last, section after section, minutes. */
  readonly panelMin: number;
  /** Chance that a section of that size closes before it is levelled, though it is watched. */
  readonly risk: number;
  /** Whether the panel goes at all: allowed, open, and in one go where it must. */
  readonly works: GoVerdict;
}

/** So many people are asked for. */
export const MOST_PEOPLE = 3;
/** Nobody works in sections smaller than this, m². */
const SMALLEST_M2 = 0.05;

/** Windows, sections, minutes and risk of a panel in air that holds. */
export function whatIf(asked: BenchCase, air: Air, surfaceC: number): BenchAnswer {
  const go = goIn(asked, air, surfaceC);
  const { product, areaM2, onePiece, pace } = asked;
  const guarded: LevelWindow = go.window.guarded ?? { fromMin: 0, byMin: 0 };
  const largestM2 = Array.from({ length: MOST_PEOPLE }, (_, others) => largestFor(guarded, pace, others + 1));
  const alone = largestM2[0]!;
  const sections = sectionCount(areaM2, alone === null ? null : Math.max(alone, SMALLEST_M2), onePiece);
  const timing = sectionTiming(areaM2 / sections, guarded, pace, 'solo');
  const isTooLarge = alone !== null && areaM2 / sections > alone * (1 + 1e-9);
  return {
    ...go,
    largestM2,
    sections,
    timing,
    panelMin: sections * timing.totalMin,
    risk: riskOf(go.window.levelFromMin, go.window.levelByMin, timing, product.flashSigma),
    works: isTooLarge ? 'not' : go.verdict,
  };
}

/** Largest section for so many people, or fewer: one alone, or some laying and others following, whichever is larger. */
function largestFor(window: LevelWindow, pace: Pace, people: number): number | null {
  let largest = maxSectionM2(window, pace, 'solo');
  for (let laying = 1; laying < people; laying++) {
    for (let levelling = 1; laying + levelling <= people; levelling++) {
      const shared = { layM2PerMin: pace.layM2PerMin * laying, levelM2PerMin: pace.levelM2PerMin * levelling };
      const most = maxSectionM2(window, shared, 'pair');
      if (most === null || largest === null) return null;
      largest = Math.max(largest, most);
    }
  }
  return largest;
}

/**
 * Chance that a section cannot be levelled in its real window: window and cue scale together by a log-normal factor, and
 * who watches goes back as soon as it opens. It fails where the factor leaves less room than the hands take.
 */
function riskOf(
  fromMin: number | null,
  byMin: number | null,
  { layMin, levelMin }: SectionTiming,
  sigma: number,
): number {
  if (fromMin === null) return 1;
  if (byMin === null) return 0;
  const width = byMin - fromMin;
  const spread = Math.abs(levelMin - layMin);
  const least = Math.max(Math.max(layMin, levelMin) / byMin, spread === 0 ? 0 : width > 0 ? spread / width : Infinity);
  if (least === 0) return 0;
  if (sigma <= 0) return least > 1 ? 1 : 0;
  return normalBelow(Math.log(least) / sigma);
}

/** Share of a normal distribution below so many sigmas (Abramowitz and Stegun 26.2.17, to 7.5e-8). */
export function normalBelow(sigmas: number): number {
  if (sigmas === Infinity) return 1;
  const t = 1 / (1 + 0.2316419 * Math.abs(sigmas));
  const tail =
    (Math.exp((-sigmas * sigmas) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return sigmas > 0 ? 1 - tail : tail;
}

/** Air temperatures, °C, and humidities, %, of the map. */
export const MAP_C = Array.from({ length: 31 }, (_, index) => 4 + index);
export const MAP_RH = Array.from({ length: 17 }, (_, index) => 10 + 5 * index);

/**
 * Where a product works on a panel: temperature against humidity, a verdict a place; the panel as much warmer or colder
 * than the air as it is now.
 * @returns rows by humidity, columns by temperature
 */
export const workingRegion = (asked: BenchCase, airSpeed: number, surfaceOffK: number): GoVerdict[][] =>
  MAP_RH.map((rhPct) => MAP_C.map((airC) => whatIf(asked, { airC, rhPct, airSpeed }, airC + surfaceOffK).works));
