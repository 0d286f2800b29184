import type { PlannedJob } from '#core/work/plan';
import { unpausedMin } from './course';
import type { PatchRecord, RunRecord } from './record';
import { paceOf } from './sheet';

/** Hands on the item: what it took and what it was thought to take, minutes. */
export interface HandsOn {
  readonly tookMin: number;
  readonly plannedMin: number;
}

/** Of laying and of levelling. */
export interface BothHandsOn {
  readonly lay: HandsOn;
  readonly level: HandsOn;
}

/**
 * How long laying and levelling really took, beside what the paces had foretold of the same patches. Pauses are left
 * out; what is still in hand is left out of both.
 */
export const handsOn = (job: PlannedJob, { patches, pauses }: Pick<RunRecord, 'patches' | 'pauses'>): BothHandsOn =>
  summed(job, [...patches.values()], pauses);

/** The same of each product by itself, with how many patches of it were laid. */
export function handsOnProducts(
  job: PlannedJob,
  { patches, pauses }: Pick<RunRecord, 'patches' | 'pauses'>,
): ReadonlyMap<string, BothHandsOn> {
  const byProduct = new Map<string, PatchRecord[]>();
  for (const patch of patches.values()) {
    const { product } = patch.start;
    byProduct.set(product, [...(byProduct.get(product) ?? []), patch]);
  }
  return new Map([...byProduct].map(([product, own]) => [product, summed(job, own, pauses)]));
}

function summed(job: PlannedJob, patches: readonly PatchRecord[], pauses: RunRecord['pauses']): BothHandsOn {
  const sum = (
    key: 'layM2PerMin' | 'levelM2PerMin',
    span: (patch: PatchRecord) => readonly [number | undefined, number | undefined],
  ): HandsOn =>
    patches.reduce<HandsOn>(
      (total, patch) => {
        const [fromMin, toMin] = span(patch);
        if (fromMin === undefined || toMin === undefined) return total;
        const { start } = patch;
        return {
          tookMin: total.tookMin + unpausedMin(pauses, fromMin, toMin),
          plannedMin: total.plannedMin + start.areaM2 / paceOf(job, patch.patch, start.product)[key],
        };
      },
      { tookMin: 0, plannedMin: 0 },
    );
  return {
    lay: sum('layM2PerMin', ({ layStartMin, layEndMin }) => [layStartMin, layEndMin]),
    level: sum('levelM2PerMin', ({ levelStartMin, levelEndMin }) => [levelStartMin, levelEndMin]),
  };
}
