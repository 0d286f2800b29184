import type { SubstrateId } from '#core/item/substrates';
import { answerOf, judgeStack } from '#core/layers/rules';
import type { MethodId } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { maxSectionM2, slowness } from '#core/plan/sections';
import { coatWindow } from './coat';
import type { PlanInput, InputSurface } from './input';
import { paceWith } from './amount';

/** A coat that is too large for one go. */
export interface TooLarge {
  readonly surface: InputSurface;
  /** Which of its layers, and what that lies on. */
  readonly layer: number;
  readonly substrate: SubstrateId;
  readonly method: MethodId;
  /** What has to go in one. */
  readonly areaM2: number;
  readonly startMin: number;
}

/**
 * Products of the same family on the shelf that would do it in one go in this air, and that the rules allow there; the
 * one with most room first.
 * @returns the largest section of each, m²; null: no limit
 */
export function productsThatFit(
  { products, crew, ambient, matteSchool }: PlanInput,
  { surface, layer, substrate, method, areaM2, startMin }: TooLarge,
  shelf: readonly Product[],
): { readonly product: Product; readonly maxM2: number | null }[] {
  const known = new Map(products.map((product) => [product.id, product]));
  const stack = surface.layers.flatMap(({ product, coats }, index) =>
    Array.from({ length: coats }, () => ({ index, product: known.get(product)! })),
  );
  const own = known.get(surface.layers[layer]!.product)!;
  return shelf
    .filter(({ id, family }) => id !== own.id && family === own.family)
    .flatMap((product) => {
      const layers = stack.map((each) => (each.index === layer ? product : each.product));
      const judged = judgeStack({ ...surface, layers }, []);
      if (judged.some(({ rulings }) => answerOf(rulings) === 'no')) return [];
      const coat = { product, substrate, surfaceC: surface.surfaceC, ambient, matteSchool };
      const { guarded } = coatWindow(coat, startMin, crew.guardSigma);
      if (!guarded) return [];
      const maxM2 = maxSectionM2(
        guarded,
        paceWith(crew, product, method, slowness(surface, areaM2, product)),
        crew.mode,
      );
      return maxM2 === null || maxM2 >= areaM2 ? [{ product, maxM2 }] : [];
    })
    .toSorted((a, b) => (b.maxM2 ?? Infinity) - (a.maxM2 ?? Infinity));
}
