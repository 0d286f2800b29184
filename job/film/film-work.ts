import { type Around, type Blank, blanksOf, type FilmStock } from '#core/film/blanks';
import type { NestPiece } from '#core/film/nest';
import { type Point, shapeOutline } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import type { LayingSchools } from '#core/products/schools';
import type { Product } from '#core/products/sheets';
import { type Job, type Surface, surfaceName } from '#formats/job';
import { excludedFrom, layingSchools } from '#job/terms';

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
 * @param widthOf the roll's width for a product; absent: the widest roll it is nested on, else the widest it is sold in
 */
export function filmWork(
  job: Job,
  widthOf: (product: string) => number | undefined = (product) => widestNested(job, product),
): FilmWork[] {
  const blanksFor = knownBlanks(job);
  const school = layingSchools(job).film;
  const excluded = excludedFrom(job);
  return job.products
    .filter(({ family }) => family === 'film')
    .flatMap((product): FilmWork[] => {
      const on = job.surfaces.filter(
        ({ id, layers }) => !excluded.has(id) && layers.some((layer) => layer.product === product.id),
      );
      if (on.length === 0) return [];
      const widthMm = widthOf(product.id) ?? rollWidthsOf(product)[0]!;
      const stock = { rollWidthMm: widthMm, stretchPct: product.film?.stretchPct ?? USUAL_FILM.stretchPct };
      const blanks = on.flatMap((surface) => blanksFor(surface, stock, school));
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

/**
 * Blanks by panel, worked out once for panels as they stand: a job is planned anew with every reading of the air, and its
 * film is the same.
 */
function knownBlanks(job: Job) {
  const { surfaces, item } = job;
  let known = KNOWN.get(surfaces);
  if (!known || known.item !== item) KNOWN.set(surfaces, (known = { item, blanks: new Map() }));
  const { blanks } = known;
  let around: Around | undefined;
  return (surface: Surface, stock: FilmStock, school: LayingSchools['film']): readonly Blank[] => {
    const key = JSON.stringify([surface.id, stock, school]);
    const found = blanks.get(key) ?? blanksOf(filmPanel(surface), stock, school, (around ??= aroundPanels(job)));
    blanks.set(key, found);
    return found;
  };
}
const KNOWN = new WeakMap<
  Job['surfaces'],
  { readonly item: Job['item']; readonly blanks: Map<string, readonly Blank[]> }
>();

function widestNested({ film = [] }: Pick<Job, 'film'>, product: string): number | undefined {
  const widths = film.filter((nest) => nest.product === product).map(({ widthMm }) => widthMm);
  return widths.length > 0 ? Math.max(...widths) : undefined;
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
