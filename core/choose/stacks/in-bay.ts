import { type MatteSchool, SUBSTRATE_IDS } from '#core/item/substrates';
import { outsideLimits, type Product } from '#core/products/sheets';
import { airAt, type AmbientSeries } from '#core/time/air';
import { coatMilestones, coatWindow, readyBySheet } from '#core/plan/job';
import type { ValidStack } from './stacks';

/** Why a product cannot be laid in the air of a bay. */
export type Barred = 'limits' | 'no-window' | 'never-cures';

/** How a product behaves in the air of the bay from when laying starts. Minutes; infinite: never there. */
export interface InBay {
  readonly barred?: Barred;
  /** Until the next coat may lie over it. */
  readonly recoatMin: number;
  /** Until it may be handed over, else get wet. */
  readonly readyMin: number;
}

/** Each product of a shelf in the air of the bay where it is to be laid. */
export type BayAir = ReadonlyMap<string, InBay>;

const reached = (moment: number | null | undefined): number => (moment === null ? Infinity : (moment ?? 0));

/**
 * Tries every product in the air that is expected: its limits when laying starts, whether it can be levelled there,
 * and when it is ready. By the surface its sheet names first; the hours of laying are not counted.
 */
export function bayAir(shelf: readonly Product[], ambient: AmbientSeries, matteSchool: MatteSchool): BayAir {
  const { airC, rhPct } = airAt(ambient, 0);
  return new Map(
    shelf.map((product): [string, InBay] => {
      const substrate = SUBSTRATE_IDS.find((id) => product.substrates[id]?.use === 'yes') ?? 'clear-gloss';
      const coat = { product, substrate, ambient, matteSchool };
      const milestones = coatMilestones(coat, 0, 0);
      const { recoatFrom, waterSafe } = milestones;
      const times = {
        recoatMin: reached(recoatFrom),
        readyMin: reached(readyBySheet(milestones)),
      };
      if (outsideLimits(product, { airC, rhPct }).length > 0) {
        return [product.id, { ...times, barred: 'limits' }];
      }
      if (coatWindow(coat, 0, 0).verdict === 'closed') return [product.id, { ...times, barred: 'no-window' }];
      if (waterSafe === null) return [product.id, { ...times, barred: 'never-cures' }];
      return [product.id, times];
    }),
  );
}

/** When a stack is ready after laying starts, minutes: each coat waits for the one below, and all of them cure. */
export function readyAfterMin(layers: ValidStack['layers'], air: BayAir): number {
  let startMin = 0;
  let ready = 0;
  let waitsFor = 0;
  for (const { product, coats } of layers) {
    const { recoatMin, readyMin } = air.get(product.id) ?? { recoatMin: 0, readyMin: 0 };
    for (let coat = 0; coat < coats; coat++) {
      startMin += waitsFor;
      ready = Math.max(ready, startMin + readyMin);
      waitsFor = recoatMin;
    }
  }
  return ready;
}
