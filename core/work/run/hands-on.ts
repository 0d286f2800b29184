import type { PlannedJob } from '#core/work/plan';
import { unpausedMin } from './course';
import type { RunRecord } from './record';
import { paceOf } from './sheet';

/** Hands on the item: what it took and what it was thought to take, minutes. */
export interface HandsOn {
  readonly tookMin: number;
  readonly plannedMin: number;
}

/**
 * How long laying and levelling really took, beside what the paces had foretold of the same patches. Pauses are left
 * out; what is still in hand is left out of both.
 */
export function handsOn(
  job: PlannedJob,
  { patches, pauses }: RunRecord,
): { readonly lay: HandsOn; readonly level: HandsOn } {
  const sum = (
    of: (patch: RunRecord['patches'] extends ReadonlyMap<string, infer P> ? P : never) => HandsOn | undefined,
  ): HandsOn =>
    [...patches.values()].reduce<HandsOn>(
      (total, patch) => {
        const one = of(patch);
        return one ? { tookMin: total.tookMin + one.tookMin, plannedMin: total.plannedMin + one.plannedMin } : total;
      },
      { tookMin: 0, plannedMin: 0 },
    );
  return {
    lay: sum(({ patch, start, layStartMin, layEndMin }) =>
      layEndMin === undefined
        ? undefined
        : {
            tookMin: unpausedMin(pauses, layStartMin, layEndMin),
            plannedMin: start.areaM2 / paceOf(job, patch, start.product).layM2PerMin,
          },
    ),
    level: sum(({ patch, start, levelStartMin, levelEndMin }) =>
      levelStartMin === undefined || levelEndMin === undefined
        ? undefined
        : {
            tookMin: unpausedMin(pauses, levelStartMin, levelEndMin),
            plannedMin: start.areaM2 / paceOf(job, patch, start.product).levelM2PerMin,
          },
    ),
  };
}
