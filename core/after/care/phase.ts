import { latestMoment } from '#core/time/clocks';
import type { RunProgress } from '#core/work/run';
import type { StandingSurface } from './care';

/** Where a job stands between its first surface and the owner's yard. */
export const PHASES = ['survey', 'planned', 'running', 'curing', 'ready', 'in-care'] as const;
export type Phase = (typeof PHASES)[number];

/** The phase of a job at a moment: what has been planned, done, and cured since. */
export function phaseOf(
  { plan, begun, patchesDone, patchesTotal, refused }: RunProgress,
  standing: readonly StandingSurface[],
  nowMin: number,
): Phase {
  if (!begun) return patchesTotal + refused === 0 ? 'survey' : 'planned';
  if (patchesDone < patchesTotal) return 'running';
  const { handoverMin } = plan;
  if (handoverMin === null || nowMin < handoverMin) return 'curing';
  const firstWash = firstWashMin(standing);
  return firstWash === null || nowMin < firstWash ? 'ready' : 'in-care';
}

/** When the whole item may first be washed: the latest of its layers; null where none is laid or one never gets there. */
export function firstWashMin(standing: readonly StandingSurface[]): number | null {
  const washes = standing.flatMap(({ layers }) => layers.map((layer) => layer.firstWashMin));
  return latestMoment(washes);
}

/** When the first of its surfaces wants renewing: the top layer is what wears. */
export function firstRenewMin(standing: readonly StandingSurface[]): number | null {
  const renewals = standing.flatMap(({ layers }) => {
    const top = layers.at(-1);
    return top ? [top.renewMin] : [];
  });
  return renewals.length === 0 ? null : Math.min(...renewals);
}
