import { judgeStack, type LayerJudgement } from '#core/layering';
import type { PlannedSurface } from '#core/plan';
import type { Product } from '#core/products';
import type { Layer } from '#formats';

type Ground = Pick<PlannedSurface, 'substrate' | 'existing' | 'refinishedAtMin'>;

/** Judges a stack of layers as they are planned; one answer a layer, the strictest of its coats. */
export function judgeLayers(
  ground: Ground,
  layers: readonly Pick<Layer, 'product' | 'coats' | 'overruled'>[],
  products: readonly Product[],
): LayerJudgement[] {
  const known = new Map(products.map((product) => [product.id, product]));
  const coats = layers.flatMap(({ product, coats: count, overruled }, layer) =>
    Array.from({ length: count }, () => ({ product: known.get(product)!, layer, overruled })),
  );
  const judged = judgeStack(
    {
      substrate: ground.substrate,
      existing: ground.existing,
      layers: coats.map(({ product }) => product),
      overruled: coats.map(({ overruled }) => overruled),
      refinishedAgoMin: ground.refinishedAtMin === undefined ? undefined : -ground.refinishedAtMin,
    },
    products,
  );
  const strictest = ['no', 'test', 'yes'];
  return layers.map((_, index) =>
    judged
      .filter((__, coat) => coats[coat]!.layer === index)
      .reduce((a, b) => (strictest.indexOf(b.answer) < strictest.indexOf(a.answer) ? b : a)),
  );
}
