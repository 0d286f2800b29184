import { shapeAreaM2, shapeShortSideM } from '#core/item/geometry';
import { substrateFactors, SUBSTRATES } from '#core/item/substrates';
import { layFactorOf, type MethodId, METHODS } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { amountOnSurface } from '#core/work/quantity';
import { maxSectionM2, type Pace, sectionCount, sectionTiming, type SectionTiming } from '#core/work/sections';
import { type CoatCase, type CoatMilestones, coatMilestones, type CoatWindow } from './coat';
import type { PlannedJob, PlannedSurface } from './job';
import type { PendingCoat } from './pending-coat';

/** A coat as it will be laid. Minutes from the start of the job unless a name says otherwise. */
export interface LaidCoat {
  readonly window: CoatWindow;
  readonly maxSectionM2: number | null;
  readonly sectionsPerCopy: number;
  readonly sectionM2: number;
  readonly timing: SectionTiming;
  /** Units of the product, all copies. */
  readonly amount: number;
  readonly startMin: number;
  readonly endMin: number;
  readonly milestones: CoatMilestones;
}

/** Area of one copy of a surface, m², with its curvature. */
export function surfaceAreaM2(surface: Pick<PlannedSurface, 'shape' | 'curvature'>): number {
  return shapeAreaM2(surface.shape) * surface.curvature;
}

/** Whether a surface must be done in one go: asked for, or a matte finish, which shows every seam. */
export function inOnePiece(surface: Pick<PlannedSurface, 'onePiece' | 'substrate'>): boolean {
  return surface.onePiece || SUBSTRATES[surface.substrate].matte === true;
}

/**
 * A person's pace with one product and method, m²/min.
 * @param slow how many times as long a part takes as a flat of its size
 */
export function paceWith(crew: Pace, product: Product, method: MethodId, slow = 1): Pace {
  return {
    layM2PerMin: (crew.layM2PerMin * layFactorOf(product, method)) / slow,
    levelM2PerMin: (crew.levelM2PerMin * product.levelPace) / slow,
  };
}

/** What one copy of a surface takes of a coat in so many sections, units of the product; no seams for one piece. */
export function amountOnCopy(
  { shape, curvature, substrate }: Pick<PlannedSurface, 'shape' | 'curvature' | 'substrate'>,
  { product, method }: Pick<PendingCoat, 'product' | 'method'>,
  sections: number,
): number {
  const areaM2 = surfaceAreaM2({ shape, curvature });
  return amountOnSurface({
    areaM2,
    coveragePerM2: product.coveragePerM2,
    substrateFactor: substrateFactors(substrate, product.substrates[substrate]).coverage,
    methodFactor: METHODS[method].amount,
    sections,
    shortSideM: shapeShortSideM(shape, areaM2),
    usageFactor: product.usageFactor,
  });
}

interface Laying {
  readonly coatCase: CoatCase;
  readonly window: CoatWindow;
  readonly startMin: number;
}

export function layCoat(
  job: PlannedJob,
  surface: PlannedSurface,
  { product, method }: PendingCoat,
  laying: Laying,
): LaidCoat {
  const { coatCase, window, startMin } = laying;
  const { mode } = job.crew;
  const guarded = window.guarded ?? { fromMin: 0, byMin: null };
  const pace = paceWith(job.crew, product, method);
  const oneM2 = surfaceAreaM2(surface);
  const onePiece = inOnePiece(surface);
  const largest = maxSectionM2(guarded, pace, mode);
  const sectionsPerCopy = sectionCount(oneM2, largest, onePiece);
  const sectionM2 = oneM2 / sectionsPerCopy;
  const timing = sectionTiming(sectionM2, guarded, pace, mode);
  const wholeMin = timing.totalMin * sectionsPerCopy * surface.count;
  const endMin = startMin + wholeMin;
  return {
    window,
    maxSectionM2: largest,
    sectionsPerCopy,
    sectionM2,
    timing,
    amount: amountOnCopy(surface, { product, method }, sectionsPerCopy) * surface.count,
    startMin,
    endMin,
    milestones: coatMilestones(coatCase, startMin, endMin),
  };
}
