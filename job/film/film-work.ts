import { type Around, type Blank, blanksOf } from '#core/film/blanks';
import type { NestPiece } from '#core/film/nest';
import { type Point, shapeOutline } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import type { LayingSchools } from '#core/products/schools';
import type { Product } from '#core/products/sheets';
import { type Job, type Surface, surfaceName } from '#formats/job';
import { layingSchools } from '#job/plan';

/** All the film of one product that a job takes, cut for rolls of one width. */
export interface FilmWork {
  readonly product: Product;
  readonly widthMm: number;
  readonly blanks: readonly Blank[];
  /** The same as they are nested: each about its own first corner. */
  readonly pieces: readonly NestPiece[];
  /** Film in the pieces, all copies. */
  readonly areaM2: number;
  /** Money for a square metre of it, minor units: the cheapest pack's; absent where the sheet has no prices. */
  readonly moneyPerM2?: number;
}

/** Turns a film allows, degrees: by a half always, by a quarter without a grain, a little askew where it is trimmed anyway. */
function turnsOf(film: Product['film'], school: LayingSchools['film']): number[] {
  const straight = film?.grain ? [0, 180] : [0, 90, 180, 270];
  return school === 'bulk' && !film?.grain ? [...straight, ...TILTS] : straight;
}
const TILTS = [4, -4, 176, 184];

/** What a sheet that says nothing of its film is taken for. */
const USUAL_FILM = { rollWidthsMm: [1524], stretchPct: 30 };

/** Widths a film is sold in, the widest first. */
export const rollWidthsOf = ({ film }: Product): number[] =>
  (film?.rollWidthsMm.length ? film.rollWidthsMm : USUAL_FILM.rollWidthsMm).toSorted((a, b) => b - a);

/**
 * The film of a job, product by product: what of its panels has film in its stack, as blanks for the roll.
 * @param widthOf the roll's width for a product; absent: the widest it is sold in
 */
export function filmWork(job: Job, widthOf: (product: string) => number | undefined = () => undefined): FilmWork[] {
  const around = aroundPanels(job);
  const school = layingSchools(job).film;
  return job.products
    .filter(({ family }) => family === 'film')
    .flatMap((product): FilmWork[] => {
      const on = job.surfaces.filter(({ layers }) => layers.some((layer) => layer.product === product.id));
      if (on.length === 0) return [];
      const widthMm = widthOf(product.id) ?? rollWidthsOf(product)[0]!;
      const stock = { rollWidthMm: widthMm, stretchPct: product.film?.stretchPct ?? USUAL_FILM.stretchPct };
      const blanks = on.flatMap((surface) => blanksOf(filmPanel(surface), stock, school, around));
      const turns = turnsOf(product.film, school);
      const prices = product.packs.map(({ size, price }) => price / size);
      return [
        {
          product,
          widthMm,
          blanks,
          pieces: blanks.map(({ id, outline, count }) => ({ id, outline, count, turns })),
          areaM2: blanks.reduce((sum, { areaM2, count }) => sum + areaM2 * count, 0),
          ...(prices.length > 0 && { moneyPerM2: Math.min(...prices) }),
        },
      ];
    });
}

/** A panel's outline as its blanks have it. */
export const outlineOf = (surface: Surface): readonly Point[] =>
  surface.shape.kind === 'polygon' ? surface.shape.pointsMm : shapeOutline(surface.shape);

const filmPanel = (surface: Surface) => ({
  id: surface.id,
  name: surfaceName(surface),
  outline: outlineOf(surface),
  substrate: surface.substrate,
  curvature: surface.curvature ?? 1,
  count: surface.count,
  zone: surface.zone,
  edges: surface.film?.edges,
  splitAt: surface.film?.splitAt,
});

/** What lies on the net beside each panel: only what has its place there. */
function aroundPanels(job: Job): Around {
  const onNet = job.surfaces.filter(
    ({ shape, measuredBy, onSheet }) => shape.kind === 'polygon' && (measuredBy === 'template' || onSheet),
  );
  return {
    neighbours: onNet.map((surface) => ({
      id: surface.id,
      outline: outlineOf(surface),
      substrate: surface.substrate,
      keepClear: SUBSTRATES[surface.substrate].keepClear === true,
    })),
    // The sheet grows downwards, the net upwards.
    linework: arrange(job).linework.map((line) => line.map(([x, y]): Point => [x, -y])),
  };
}
