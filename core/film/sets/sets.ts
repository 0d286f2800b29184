import type { SubstrateId } from '#core/item/substrates';
import { edgesOf, type PanelEdge } from '#core/film/blanks';
import { boundingBox, type Point, type Polygon, signedAreaMm2 } from '#core/item/geometry';
import { partId, wholeOf, type Zone } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';

/** What the trade sells film by: one tap, and film goes on those panels. */
export const FILM_SETS = {
  'partial-front': {
    name: 'Partial front',
    covers:
      'Front bumper, mirrors, lamps, and the first half metre of bonnet and wings, which are split there: where most stones strike.',
  },
  'full-front': { name: 'Full front', covers: 'The same, with the whole bonnet and the front wings.' },
  'full-wrap': { name: 'Full wrap', covers: 'Everything painted on the outside, lamps and gloss-black trim.' },
  'wear-spots': {
    name: 'Wear spots',
    covers:
      'Where hands, shoes and luggage touch: handle recesses, edges of doors, sills, jambs, luggage lip and pillars. Edges and lip are split off as strips.',
  },
} as const;
export type FilmSetId = keyof typeof FILM_SETS;
export const FILM_SET_IDS = Object.keys(FILM_SETS) as FilmSetId[];

interface SetPanel {
  readonly id: string;
  readonly substrate: SubstrateId;
  readonly zone?: Zone | undefined;
  readonly piece?: string | undefined;
}

/** Panels by what they are called on every net. */
const FACE = /^(front-bumper|mirror|headlamp|fairing|front-mudguard|cowling|nose-spat)/;
const FRONT = /^(bonnet|front-wing|tank)/;
const WEAR = /(^sill|handle|jamb|pillar|loading|footrest|top-case-lid|coaming|-(edge|lip)(-left|-right)?$)/;

const takesFilm = ({ substrate }: SetPanel) => {
  const { gaugeReads, polishable, keepClear, inside } = SUBSTRATES[substrate];
  return !keepClear && !inside && (gaugeReads === true || polishable === true) && !/^(wheel|caliper)$/.test(substrate);
};

/** A partial front ends so far behind the front edge of bonnet and wings, mm; what is little longer is covered whole. */
export const STRIP_MM = 500;
const STRIP_SLACK = 1.3;
const STRIPPED = /^(bonnet|front-wing)/;

/**
 * Where bonnet and wings are to be split for a partial front: the share of their length from the front that is covered.
 * One that is no longer than the strip is covered whole: 1. Behind a strip that was split off before, nothing is covered.
 */
export function frontStrips<P extends SetPanel & { readonly outline: Polygon }>(
  panels: readonly P[],
): { readonly panel: P; readonly share: number }[] {
  const own = panels.filter((panel) => STRIPPED.test(panel.id) && takesFilm(panel));
  const front = (panel: P) => boundingBox(panel.outline).minX;
  return own.flatMap((panel) => {
    const { minX, maxX } = boundingBox(panel.outline);
    const isBehind = own.some(
      (other) => other !== panel && wholeOf(other.id) === wholeOf(panel.id) && front(other) < minX,
    );
    if (isBehind) return [];
    return [{ panel, share: maxX - minX <= STRIP_MM * STRIP_SLACK ? 1 : STRIP_MM / (maxX - minX) }];
  });
}

/**
 * Panels of which only one edge wears: the edge of a door that opens, which strikes what stands beside it, and what luggage
 * is dragged over. How deep the strip is that film covers, mm (engineering defaults).
 */
export const WORN_EDGES: readonly {
  readonly of: RegExp;
  readonly side: 'front' | 'rear';
  readonly depthMm: number;
  readonly key: string;
  readonly name: string;
}[] = [
  { of: /(^|-)door(-left|-right)?$/, side: 'rear', depthMm: 25, key: 'edge', name: 'edge' },
  { of: /^rear-bumper$/, side: 'front', depthMm: 110, key: 'lip', name: 'luggage lip' },
];

/** A strip along an edge of a panel that wears more than the rest of it. */
interface WornEdge<P> {
  readonly panel: P;
  /** The edge, points of its outline in their order. */
  readonly line: readonly Point[];
  readonly depthMm: number;
  /** What the strip is called behind its panel's own name, and in its id. */
  readonly key: string;
  readonly name: string;
}

/** Edges that film for wear spots is to cover, where the strip has not been split off before. */
export function wornEdges<P extends SetPanel & { readonly outline: Polygon }>(panels: readonly P[]): WornEdge<P>[] {
  const ids = new Set(panels.map(({ id }) => id));
  return panels.filter(takesFilm).flatMap((panel): WornEdge<P>[] => {
    const worn = WORN_EDGES.find(({ of, key }) => of.test(panel.id) && !ids.has(partId(panel.id, key)));
    if (!worn) return [];
    const { side, depthMm, key, name } = worn;
    const outline = signedAreaMm2(panel.outline) < 0 ? panel.outline.toReversed() : panel.outline;
    // Every net has the item's front where x is least, and anticlockwise what faces the rear climbs.
    const climb = ({ points }: PanelEdge) => (points.at(-1)![1] - points[0]![1]) * (side === 'rear' ? 1 : -1);
    const [edge] = edgesOf(outline).sort((a, b) => climb(b) - climb(a));
    return edge && climb(edge) > depthMm ? [{ panel, line: edge.points, depthMm, key, name }] : [];
  });
}

/** Panels of an item that a set covers whole, in their order. */
export function panelsOfSet<P extends SetPanel>(set: FilmSetId, panels: readonly P[]): P[] {
  const able = panels.filter(takesFilm);
  switch (set) {
    case 'partial-front':
      return able.filter(({ id }) => FACE.test(id));
    case 'full-front':
      return able.filter(({ id }) => FACE.test(id) || FRONT.test(id));
    case 'full-wrap':
      return able;
    case 'wear-spots':
      return panels.filter(
        (panel) =>
          (WEAR.test(panel.id) || panel.piece === 'handle-recess') &&
          !SUBSTRATES[panel.substrate].keepClear &&
          !SUBSTRATES[panel.substrate].glass,
      );
  }
}
