import type { BlankEdge } from '#core/film/blanks';
import { type FilmSetId, frontStrips, panelsOfSet, wornEdges } from '#core/film/sets';
import { boundingBox, type Point } from '#core/item/geometry';
import type { Job, JobDraft, Surface } from '#formats/job';
import type { ProductSheet } from '#formats/shelf';
import { type FilmNest, outlineOf } from '#job/film';
import { changeDocument, changeSurface, type Edit, setStacks } from './edits';
import { splitFault, splitOffEdge, splitSurface } from './split-surface';

/** Film on panels, under all else that goes on them; another film there gives way to it. */
export function layFilm(surfaces: readonly Surface[], product: string, shelf: readonly ProductSheet[]): Edit {
  const films = filmsOf(shelf);
  return setStacks(
    new Map(
      surfaces.map(({ id, layers }) => [
        id,
        [{ product, coats: 1, method: 'small-block' as const }, ...layers.filter((layer) => !films.has(layer.product))],
      ]),
    ),
    shelf,
  );
}

/**
 * Film on what a set covers. For a partial front, bonnet and wings are split behind their strip, for wear spots the edges
 * of doors and the luggage lip are split off, unless film is on them already.
 * @param onItem those that film may still go on; what the film's sheet does not name stays bare
 */
export function laySet(
  set: FilmSetId,
  onItem: readonly Surface[],
  film: ProductSheet,
  shelf: readonly ProductSheet[],
): Edit {
  return (draft) => {
    const surfaces = taking(film, onItem);
    const films = filmsOf(shelf);
    const strips = set === 'partial-front' ? stripsOf(surfaces) : [];
    const edges = set === 'wear-spots' ? wornOf(surfaces) : [];
    let split = draft;
    const newPieces = (cut: (before: JobDraft) => JobDraft): Surface[] => {
      const before = new Set(split.document.surfaces.map(({ id }) => id));
      split = cut(split);
      return split.document.surfaces.filter(({ id }) => !before.has(id));
    };
    const fronts = strips.flatMap(({ panel, share }): Surface[] => {
      if (panel.layers.some((layer) => films.has(layer.product))) return [];
      if (share === 1) return [panel];
      const pieces = newPieces((before) => splitSurface(before, panel.id, [share, 0], [share, 1]));
      const front = (piece: Surface) => boundingBox(outlineOf(piece)).minX;
      return pieces.toSorted((a, b) => front(a) - front(b)).slice(0, 1);
    });
    const worn = edges
      .filter(({ panel }) => !panel.layers.some((layer) => films.has(layer.product)))
      .flatMap(({ panel, ...edge }) => newPieces((before) => splitOffEdge(before, panel.id, edge)));
    return layFilm([...panelsOfSet(set, surfaces), ...fronts, ...worn], film.id, shelf)(split);
  };
}

const splittable = (surfaces: readonly Surface[]) =>
  surfaces.filter((surface) => !splitFault(surface)).map((surface) => ({ ...surface, outline: outlineOf(surface) }));
const stripsOf = (surfaces: readonly Surface[]) => frontStrips(splittable(surfaces));
const wornOf = (surfaces: readonly Surface[]) => wornEdges(splittable(surfaces));

/** How many panels, or strips of panels, a set covers with a film. */
export function panelsInSet(set: FilmSetId, onItem: readonly Surface[], film: ProductSheet): number {
  const surfaces = taking(film, onItem);
  return (
    panelsOfSet(set, surfaces).length +
    (set === 'partial-front' ? stripsOf(surfaces).length : 0) +
    (set === 'wear-spots' ? wornOf(surfaces).length : 0)
  );
}

/** What a film may go on by its sheet: adhesive holds on little but smooth paint and lenses. */
const taking = ({ substrates }: ProductSheet, surfaces: readonly Surface[]) =>
  surfaces.filter(({ substrate }) => (substrates[substrate]?.use ?? 'no') !== 'no');

/** No film on panels; what lies over it stays. */
export function takeFilmOff(surfaces: readonly Surface[], shelf: readonly ProductSheet[]): Edit {
  const films = filmsOf(shelf);
  return setStacks(
    new Map(surfaces.map(({ id, layers }) => [id, layers.filter((layer) => !films.has(layer.product))])),
    shelf,
  );
}

const filmsOf = (shelf: readonly ProductSheet[]) =>
  new Set(shelf.filter(({ family }) => family === 'film').map(({ id }) => id));

/** An edge of a panel is wrapped, or not. */
export function wrapEdge(surface: Surface, { points }: Pick<BlankEdge, 'points'>, wraps: boolean): Edit {
  const { id, film } = surface;
  // The middle of its middle stretch: a corner would be on two edges.
  const half = Math.floor((points.length - 2) / 2);
  const [[x1, y1], [x2, y2]] = [points[half]!, points[half + 1]!];
  const at = placeOn(surface, [(x1 + x2) / 2, (y1 + y2) / 2]);
  const others = (film?.edges ?? []).filter((each) => Math.hypot(each.at[0] - at[0], each.at[1] - at[1]) > SAME_PLACE);
  return changeSurface(id, { film: { ...film, edges: [...others, { at: [at[0], at[1]], wraps }] } });
}
const SAME_PLACE = 1e-6;

/** Where a point of a blank lies on its panel, shares of its box: a blank is the panel grown about its middle. */
function placeOn(surface: Surface, [x, y]: Point): Point {
  const { minX, maxX, minY, maxY } = boundingBox(outlineOf(surface));
  const growth = Math.sqrt(Math.max(1, surface.curvature ?? 1));
  const share = (value: number, low: number, high: number) =>
    high > low ? Math.min(1, Math.max(0, 0.5 + (value - (low + high) / 2) / growth / (high - low))) : 0.5;
  return [share(x, minX, maxX), share(y, minY, maxY)];
}

/** Where a panel is split, as a share of the way across; undefined: where it is hidden best. */
export const splitFilm = ({ id, film }: Surface, splitAt: number | undefined): Edit =>
  changeSurface(id, { film: { ...film, splitAt } });

/** A film's rolls as they are nested now, in their order. */
export const keepRolls = ({ film = [] }: Pick<Job, 'film'>, product: string, nests: readonly FilmNest[]): Edit =>
  changeDocument({ film: [...film.filter((nest) => nest.product !== product), ...nests] });
