import { latestMoment } from '#core/time/clocks';
import type { RunProgress } from '#core/lay/run';
import { type StandingSurface, topOf } from './care';

/** Where a job stands between its first surface and the owner's yard. */
export const PHASES = ['survey', 'planned', 'running', 'curing', 'ready', 'in-care'] as const;
export type Phase = (typeof PHASES)[number];

/** How far the stages of a job's preparation have come. */
export interface StagesCome {
  readonly begun: boolean;
  /** Some are still to be done. */
  readonly left: boolean;
}

/**
 * The phase of a job at a moment: what has been planned, done, and cured since. Where nothing is to be laid, a visit
 * for care or a taking off, its stages alone say how far it is.
 */
export function phaseOf(
  { plan, begun, patchesDone, patchesTotal, refused }: RunProgress,
  standing: readonly StandingSurface[],
  nowMin: number,
  stages: StagesCome = { begun: false, left: true },
): Phase {
  if (!begun && patchesTotal + refused > 0) return 'planned';
  if (!begun) return !stages.begun ? 'survey' : stages.left ? 'running' : 'in-care';
  if (patchesDone < patchesTotal) return 'running';
  const { handoverMin } = plan;
  if (handoverMin === null || nowMin < handoverMin) return 'curing';
  const firstWash = firstWashMin(standing);
  return firstWash === null || nowMin < firstWash ? 'ready' : 'in-care';
}

/** When the whole item may first be washed: the latest of its layers; null where none is laid or one never gets there. */
export function firstWashMin(standing: readonly StandingSurface[]): number | null {
  const washes = standing.flatMap(({ layers }) => layers.map(({ firstWash }) => firstWash.atMin));
  return latestMoment(washes);
}

/** When the first of its surfaces wants renewing: the top layer is what wears. */
export function firstRenewMin(standing: readonly StandingSurface[]): number | null {
  const renewals = standing.flatMap((subject) => {
    const top = topOf(subject);
    return top ? [top.renewMin] : [];
  });
  return renewals.length === 0 ? null : Math.min(...renewals);
}
