import { type Make, PIECES } from '#core/item/make';
import type { Product } from '#core/products/sheets';
import { DEFAULT_PACE } from './section';

/** A coat at the usual pace, wiped on with a small block. */
const USUAL: Pick<Product, 'family' | 'layPace' | 'levelPace'> = { family: 'ceramic', layPace: 1, levelPace: 1 };
/**
 * Film has to be stretched round a panel's curves: for each hundredth its developed area is over its flat one, laying and
 * squeegeeing take so much of the time of a flat longer, up to so many times (engineering defaults: a bonnet a quarter
 * longer, a bumper two and a half times).
 */
export const FILM_PER_CURVATURE = 12;
export const MOST_FOR_CURVATURE = 4;

/**
 * How many times as long a part takes as a flat of its size: small shaped things go by the piece, awkward ones by
 * their handling, and film by what it has to be stretched round; never less than once.
 * @param areaM2 of one of it
 * @param product what is laid; absent: any coat wiped on
 */
export function slowness(
  { piece, handling = 1, curvature = 1 }: Make & { readonly curvature?: number | undefined },
  areaM2: number,
  { family, layPace, levelPace }: Pick<Product, 'family' | 'layPace' | 'levelPace'> = USUAL,
): number {
  const isFilm = family === 'film';
  const paces = isFilm ? { lay: layPace, level: levelPace } : { lay: 1, level: 1 };
  const minPerM2 = 1 / (DEFAULT_PACE.layM2PerMin * paces.lay) + 1 / (DEFAULT_PACE.levelM2PerMin * paces.level);
  const bend = isFilm ? Math.min(MOST_FOR_CURVATURE, 1 + FILM_PER_CURVATURE * Math.max(0, curvature - 1)) : 1;
  if (piece && areaM2 > 0)
    return Math.max(1, handling, PIECES[piece][isFilm ? 'filmMin' : 'min'] / (areaM2 * minPerM2));
  return Math.max(1, handling * bend);
}
