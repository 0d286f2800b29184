import { judgeStack, LAYERING_RULES, type LayerJudgement, withIntervals } from '#core/layers/rules';
import type { Product } from '#core/products/sheets';
import type { CoatPlan, InputSurface } from '#core/plan/job';
import type { Layer } from '#formats/job';

/** All of a surface that the rules look at. */
type Ground = Pick<InputSurface, 'substrate' | 'existing' | 'existingTold' | 'refinishedAtMin' | 'aircraft' | 'worn'>;

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
      existingTold: ground.existingTold,
      aircraft: ground.aircraft,
      worn: ground.worn,
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

/** Judges the layers of a panel of the job: by kind, and by when the plan has them go over one another. */
export function judgePlanned(
  ground: Ground,
  layers: readonly Pick<Layer, 'product' | 'coats' | 'overruled'>[],
  coats: readonly CoatPlan[],
  products: readonly Product[],
): LayerJudgement[] {
  const known = new Map(products.map((product) => [product.id, product]));
  return judgeLayers(ground, layers, products).map((judged, at) => {
    const [timed] = coats.flatMap(({ layer, coat, rulings }) => {
      const intervals = rulings.filter(({ rule }) => LAYERING_RULES[rule].looksAt === 'interval');
      const below = known.get(layers[coat > 1 ? at : at - 1]?.product ?? '');
      return layer === at && below && intervals.length > 0 ? [{ intervals, below }] : [];
    });
    return timed ? withIntervals(judged, timed.intervals, timed.below, ground.substrate) : judged;
  });
}

/** The job's own copies of sheets stand before the shelf's: a newer sheet is never slipped in. */
export function productsOf<P extends { readonly id: string }>(own: readonly P[], shelf: readonly P[]): P[] {
  const known = new Set(own.map(({ id }) => id));
  return [...own, ...shelf.filter(({ id }) => !known.has(id))];
}
