import type { SupplyId } from '#core/stock';
import type { StepKindId } from '#core/prepare/steps';

const SPLASHES: readonly SupplyId[] = ['gloves', 'glasses'];
const DUST: readonly SupplyId[] = ['dust-mask', 'glasses'];
const VAPOUR: readonly SupplyId[] = ['gloves', 'mask'];

/** What has to be worn at a step of preparation. What is not named wants nothing but sense. */
const WORN_AT: Readonly<Partial<Record<StepKindId, readonly SupplyId[]>>> = {
  wheels: SPLASHES,
  'pre-wash': SPLASHES,
  tar: VAPOUR,
  iron: SPLASHES,
  degrease: SPLASHES,
  'strip-found': ['gloves', 'glasses', 'mask'],
  'peel-transit': ['gloves'],
  'interior-clean': ['gloves'],
  'run-level': DUST,
  'sanding-p3000': DUST,
  'sanding-p2000': DUST,
  abrade: DUST,
  cutting: DUST,
  refining: ['glasses'],
  'single-stage': DUST,
  'metal-polish': ['gloves', 'glasses'],
  'chip-clean': SPLASHES,
  'chip-fill': VAPOUR,
  'panel-wipe': VAPOUR,
};
export const wornAt = (kind: StepKindId): readonly SupplyId[] => WORN_AT[kind] ?? [];
