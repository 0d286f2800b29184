export {
  CLEAR_RESERVE_UM,
  GELCOAT_RESERVE_UM,
  SINGLE_STAGE_RESERVE_UM,
  clearEstimateUm,
  reserveOf,
  FILLER_UM,
  gaugeReads,
  isPaint,
  type Hardness,
  HARDNESS,
  judgeReadings,
  OUTLYING_Z,
  type PaintSystem,
  type PaintVerdict,
  type PanelPaint,
  type ReadPart,
  REFINISHED_UM,
  THIN_UM,
  VERDICT_NAMES,
} from './readings';
export { type TwoPaints, twoPaints } from './two-paints';
export { judgeSpots, type PlacedReading, READING_SOURCES, type ReadingSource } from './spots';
export { median } from './median';
