import { millilitres } from '#core/products/sheets';
import type { JobView } from '../../job/useJobView';
import type { Fill } from '../../net/fills';
import type { LegendEntry, PanelPaint } from '../../net/paint';
import { m2, millilitresSaid } from '../../ui/measures';

const STEPS: readonly (readonly [upToMl: number, fill: Fill, text: string])[] = [
  [0, 'blank', 'nothing'],
  [2, 'tint-1', 'up to 2 ml'],
  [6, 'tint-2', 'up to 6 ml'],
  [12, 'tint-3', 'up to 12 ml'],
  [Infinity, 'tint-4', 'more'],
];

export const LEGEND: readonly LegendEntry[] = STEPS.map(([, fill, text]) => ({ fill, text }));

export function amountLens({ plan, products: sheets }: Pick<JobView, 'plan' | 'products'>) {
  const products = new Map(sheets.map((product) => [product.id, product]));
  const paints = new Map(
    plan.surfaces.map(({ id, coats }): [string, PanelPaint] => {
      const ml = coats.reduce((sum, { product, laid }) => {
        const sheet = products.get(product);
        return sum + (laid && sheet ? millilitres(sheet, laid.amount) : 0);
      }, 0);
      const filmM2 = coats.reduce(
        (sum, { product, laid }) => sum + (laid && products.get(product)?.unit === 'm2' ? laid.amount : 0),
        0,
      );
      const [, fill] = STEPS.find(([upTo]) => ml <= upTo)!;
      const caption = ml > 0 ? `${millilitresSaid(ml)}` : filmM2 > 0 ? `${m2(filmM2)} film` : undefined;
      return [id, { fill: filmM2 > 0 && ml === 0 ? 'hatch' : fill, caption }];
    }),
  );
  return (id: string): PanelPaint => paints.get(id) ?? { fill: 'blank' };
}
