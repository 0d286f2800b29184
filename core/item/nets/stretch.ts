/** Where a station of the template lies, and where it lies on the item. Both rise. */
export interface Station {
  readonly from: number;
  readonly to: number;
}

/** Piecewise-linear map through stations; beyond the outermost it goes on with the slope of the last piece. */
export function stretch(stations: readonly Station[], value: number): number {
  const after = stations.findIndex((station, index) => index > 0 && value <= station.from);
  const upper = after === -1 ? stations.length - 1 : after;
  const [low, high] = [stations[upper - 1], stations[upper]];
  if (!low || !high) throw new RangeError('a stretch needs at least two stations');
  return low.to + ((value - low.from) * (high.to - low.to)) / (high.from - low.from);
}
