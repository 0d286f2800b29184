export { AREA_SIGMA, areaEstimate, areaRange, type AreaSource, totalArea } from './area-spread';
export { boxed, joined, overlapM2, partedAlongEdge, without } from './boolean';
export {
  boundingBox,
  type Box,
  containsPoint,
  distanceToEdgeMm,
  cutsAt,
  longAxis,
  nearestOnSegment,
  perimeterMm,
  type Point,
  type Polygon,
  polygonAreaM2,
  signedAreaMm2,
  stripsBetween,
} from './polygon';
export { firstSelfCrossing } from './crossing';
export { type Shape, shapeAreaM2, type ShapeKind, shapeOutline, shapeShortSideM, simpsonOutline } from './shapes';
export { splitAlong } from './split';
