import { MS_PER_DAY } from '#core/measures';
import type { ItemLife, LifeRow } from '#formats/job';

const MS_PER_YEAR = 365.25 * MS_PER_DAY;

/** A stretch on a row of the axis, years since the item was first here. */
export interface LifeBar {
  readonly row: number;
  readonly from: number;
  readonly until: number;
  readonly words: string;
}
/** A visit on its row. */
export interface LifePoint {
  readonly row: number;
  readonly at: number;
  readonly words: string;
  /** Something was repainted before it. */
  readonly repaired: boolean;
}
export interface LifeRows {
  /** From the top down: what was laid on this item, its visits, then others of its model. */
  readonly names: readonly string[];
  readonly bars: readonly LifeBar[];
  readonly points: readonly LifePoint[];
  /** Of them, so many rows are of this item. */
  readonly own: number;
  readonly nowYears: number;
}

/** What a visit took of the clear and left, and what was repainted before it, in short. */
export function visitWords({ takenUm, clearLeftUm, repainted }: LifeRow['visits'][number]): string {
  const said = [
    takenUm === null ? undefined : `−${takenUm.toFixed(1)} µm`,
    clearLeftUm === null ? undefined : `${clearLeftUm.toFixed(0)} left`,
    repainted.length > 0 ? `${repainted.join(', ')} repainted` : undefined,
  ];
  return said.filter((each) => each !== undefined).join(', ');
}

/** The life of an item as rows of one axis, with its twins by the same age. */
export function lifeRows(life: ItemLife, nowMs: number): LifeRows {
  const products = [...new Set(life.visits.flatMap(({ layers }) => layers.map(({ product }) => product)))];
  const names = [...products, 'Visits', ...life.twins.map(({ name }) => name)];
  const own = products.length + 1;
  const bars: LifeBar[] = [];
  const points: LifePoint[] = [];
  for (const [nth, item] of [life, ...life.twins].entries()) {
    const first = Date.parse(item.visits[0]?.at ?? '');
    const years = (at: string) => (Date.parse(at) - first) / MS_PER_YEAR;
    for (const visit of item.visits) {
      const visitRow = own + nth - 1;
      points.push({
        row: visitRow,
        at: years(visit.at),
        words: nth === 0 ? visitWords(visit) : '',
        repaired: visit.repainted.length > 0,
      });
      for (const { product, from, renew, panels } of visit.layers) {
        bars.push({
          row: nth === 0 ? products.indexOf(product) : visitRow,
          from: years(from),
          until: years(renew),
          words: nth === 0 ? `${panels} ${panels === 1 ? 'panel' : 'panels'}` : product,
        });
      }
    }
  }
  const first = Date.parse(life.visits[0]?.at ?? '');
  return { names, bars, points, own, nowYears: (nowMs - first) / MS_PER_YEAR };
}
