import type { Net } from '#core/nets';
import type { Surface } from '#formats';

/** The panels of an unfolded template as surfaces of a job: the same polygons are map, area and sections. */
export function templateSurfaces({ panels }: Net): Surface[] {
  return panels.map(({ id, name, substrate, zone, curvature, outlineMm }) => ({
    id,
    name,
    substrate,
    shape: { kind: 'polygon', pointsMm: outlineMm.map(([x, y]): [number, number] => [x, y]) },
    count: 1,
    curvature,
    onePiece: false,
    existing: [],
    readingsUm: [],
    paint: 'factory',
    layers: [],
    measuredBy: 'template',
    zone,
  }));
}
