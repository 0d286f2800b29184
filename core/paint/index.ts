export {
  clearEstimateUm,
  CLEAR_RESERVE_UM,
  type Hardness,
  HARDNESS,
  judgeReadings,
  type PaintSystem,
  type PaintTold,
  type PaintVerdict,
  type PanelPaint,
} from './readings';
export * from './spots';
