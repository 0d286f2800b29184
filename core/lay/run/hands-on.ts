import type { MethodId } from '#core/products/methods';
import type { CrewRole } from '#core/plan/crew';
import type { PlanInput } from '#core/plan/job';
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

type Worked = Pick<RunRecord, 'patches' | 'pauses'>;

/**
 * How long laying and levelling really took, beside what the paces had foretold of the same patches. Pauses are left
 * out; what is still in hand is left out of both.
 */
export const handsOn = (job: PlanInput, worked: Worked): BothHandsOn =>
  handsOnBy(job, worked, () => 'all').get('all') ?? { lay: NOTHING, level: NOTHING };

/** The same of each product by itself, apart by the way it was laid. */
export function handsOnProducts(
  job: PlanInput,
  worked: Worked,
): readonly (BothHandsOn & { readonly product: string; readonly method: MethodId })[] {
  const layers = new Map(job.surfaces.map(({ id, layers }) => [id, layers]));
  const ways = new Map<string, { readonly product: string; readonly method: MethodId }>();
  const taken = handsOnBy(job, worked, ({ patch, start: { product } }) => {
    const method = layers.get(patch.surface)?.[patch.layer]?.method;
    if (method === undefined) return undefined;
    const key = JSON.stringify([product, method]);
    ways.set(key, { product, method });
    return key;
  });
  return [...taken].map(([key, both]) => ({ ...both, ...ways.get(key)! }));
}

/**
 * The same, apart by whatever tells patches apart: whose hands laid and levelled them, with what, in which way.
 * @param of undefined: nobody can say, and it is left out
 */
export function handsOnBy(
  job: PlanInput,
  { patches, pauses }: Worked,
  of: (patch: PatchRecord, does: CrewRole) => string | undefined,
): ReadonlyMap<string, BothHandsOn> {
  const sums = new Map<string, BothHandsOn>();
  const add = (
    patch: PatchRecord,
    does: CrewRole,
    { fromMin, toMin }: { readonly fromMin: number | undefined; readonly toMin: number | undefined },
  ) => {
    const key = of(patch, does);
    if (key === undefined || fromMin === undefined || toMin === undefined) return;
    const pace = paceOf(job, patch.patch, patch.start.product);
    const m2PerMin = does === 'lay' ? pace.layM2PerMin : pace.levelM2PerMin;
    const known = sums.get(key) ?? { lay: NOTHING, level: NOTHING };
    const { tookMin, plannedMin } = known[does];
    sums.set(key, {
      ...known,
      [does]: {
        tookMin: tookMin + unpausedMin(pauses, fromMin, toMin),
        plannedMin: plannedMin + patch.start.areaM2 / m2PerMin,
      },
    });
  };
  for (const patch of patches.values()) {
    add(patch, 'lay', { fromMin: patch.layStartMin, toMin: patch.layEndMin });
    add(patch, 'level', { fromMin: patch.levelStartMin, toMin: patch.levelEndMin });
  }
  return sums;
}

const NOTHING: HandsOn = { tookMin: 0, plannedMin: 0 };
