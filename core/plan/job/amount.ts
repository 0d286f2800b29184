import { shapeAreaM2, shapeShortSideM } from '#core/item/geometry';
import { substrateFactors, SUBSTRATES } from '#core/item/substrates';
import { layFactorOf, type MethodId, METHODS } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { amountOnSurface } from '#core/products/quantity';
import type { Pace } from '#core/plan/sections';
import type { InputSurface } from './input';

/** Area of one copy of a surface, m², with its curvature. */
export function surfaceAreaM2(surface: Pick<InputSurface, 'shape' | 'curvature'>): number {
  return shapeAreaM2(surface.shape) * surface.curvature;
}

/** Whether a surface must be done in one go: asked for, or a matte finish, which shows every seam. */
export function inOnePiece(surface: Pick<InputSurface, 'onePiece' | 'substrate'>): boolean {
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
  { shape, curvature, substrate }: Pick<InputSurface, 'shape' | 'curvature' | 'substrate'>,
  { product, method }: { readonly product: Product; readonly method: MethodId },
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
