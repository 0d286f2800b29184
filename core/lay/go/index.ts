export {
  bestStretch,
  type GoAnswer,
  goAt,
  type GoCase,
  goIn,
  type GoReason,
  goStrip,
  type GoStretch,
  type GoVerdict,
  SLOT_MIN,
  worst,
} from './go-or-wait';
export { SUN_GAIN_K, sunGainK } from './around';
export { followingAir, warmUpTauMin } from './surface-track';
export { type WayToGo, waysToGo } from './ways';
