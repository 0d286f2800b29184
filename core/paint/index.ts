export {
  clearEstimateUm,
  CLEAR_RESERVE_UM,
  type Hardness,
  HARDNESS,
  judgeReadings,
  median,
  type PaintSystem,
  type PaintVerdict,
  type PanelPaint,
  type PanelReadings,
} from './readings';
export * from './spots';
