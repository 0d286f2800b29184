import { boundingBox, distanceToEdgeMm, type Polygon } from '#core/item/geometry';
import { MAD_TO_SIGMA, median, medianDeviation, SMALLEST_MAD_UM } from './median';

/** How a reading came about. Simulated: by a stand-in for an instrument, and worth nothing but for trying things out. */
export const READING_SOURCES = ['typed', 'instrument', 'simulated'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

/** A reading in its place on a panel: shares of the outline's box, across and down; undefined where nobody kept it. */
export interface PlacedReading {
  readonly um: number;
  readonly at?: readonly [across: number, down: number] | undefined;
  readonly source?: ReadingSource | undefined;
}

export interface SpotVerdict {
  /** Far from the panel's other readings: a repair, a slip of the probe, or an edge polished before. */
  readonly outlying: boolean;
  /** Thin near an edge, where polish takes most and no pad belongs. */
  readonly thinEdge: boolean;
  /** Robust z against the panel's own readings. */
  readonly z: number;
}

/** A reading further off than this, in robust sigmas of its own panel, is an outlier. */
const OUTLYING_Z = 3.5;
/** A spot nearer to the edge than this, mm, is on it. */
const EDGE_MM = 60;
/** On an edge, less than this share of the panel's median is thin. */
const THIN_EDGE_SHARE = 0.75;
/** Fewer readings than this say nothing of each other. */
const LEAST_READINGS = 4;

/** Judges each reading of one panel against the others; the outline, mm, tells which lie on an edge. */
export function judgeSpots(readings: readonly PlacedReading[], outline: Polygon): SpotVerdict[] {
  const values = readings.map(({ um }) => um);
  if (values.length < LEAST_READINGS) return readings.map(() => ({ outlying: false, thinEdge: false, z: 0 }));
  const middle = median(values);
  const mad = Math.max(medianDeviation(values, middle), SMALLEST_MAD_UM);
  const { minX, minY, maxX, maxY } = boundingBox(outline);
  return readings.map(({ um, at }) => {
    const z = (MAD_TO_SIGMA * (um - middle)) / mad;
    const nearEdge =
      at !== undefined &&
      distanceToEdgeMm(outline, [minX + at[0] * (maxX - minX), maxY - at[1] * (maxY - minY)]) < EDGE_MM;
    return { outlying: Math.abs(z) > OUTLYING_Z, thinEdge: nearEdge && um < THIN_EDGE_SHARE * middle, z };
  });
}
