export {
  CLEAR_RESERVE_UM,
  clearEstimateUm,
  type Hardness,
  HARDNESS,
  judgeReadings,
  type PaintSystem,
  type PaintVerdict,
  type PanelPaint,
} from './readings';
export { judgeSpots, type PlacedReading } from './spots';
