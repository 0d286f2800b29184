import type { StepKindId } from '#core/prepare/steps';

/** A stage of preparation at the bay: one kind of step over all panels that want it, which time round. */
export interface StageRef {
  readonly kind: StepKindId;
  readonly round: number;
}

export const stageKey = ({ kind, round }: StageRef): string => `${kind}/${round}`;
