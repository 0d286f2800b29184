export {
  CLEAR_RESERVE_UM,
  clearEstimateUm,
  type Hardness,
  HARDNESS,
  judgeReadings,
  type PaintSystem,
  type PaintVerdict,
  type PanelPaint,
  VERDICT_NAMES,
} from './readings';
export { judgeSpots, type PlacedReading, READING_SOURCES, type ReadingSource } from './spots';
