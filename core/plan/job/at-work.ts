import { type MatteSchool, substrateFactors, type SubstrateId } from '#core/item/substrates';
import { TENTH_SIGMAS } from '#core/measures';
import { outsideLimits, type Product } from '#core/products/sheets';
import { type AmbientSeries, STILL_AIR } from '#core/time/air';
import type { WindowVerdict } from '#core/time/clocks';
import { DEFAULT_PACE, maxSectionM2 } from '#core/plan/sections';
import { coatMilestones, coatWindow } from './coat';
import { paceWith } from './amount';

/** Where and in what steady air a sheet is tried. */
export interface Trial {
  readonly substrate: SubstrateId;
  readonly airC: number;
  readonly rhPct: number;
  readonly matteSchool: MatteSchool;
}

/** What a sheet comes to for one person at the usual pace with a small block. Minutes after laying starts. */
export interface AtWork {
  readonly levelFromMin: number | null;
  readonly levelByMin: number | null;
  readonly verdict: WindowVerdict;
  /** Largest section with a tenth of guard on either side, m²; null: any. 0 where there is no window. */
  readonly largestM2: number | null;
  /** Null: never in this air. Undefined: the sheet does not say. */
  readonly waterSafeMin: number | null | undefined;
  readonly handoverMin: number | null | undefined;
  /** Outside the limits its own sheet names. */
  readonly outside: boolean;
}

/** A sheet tried in one air, before any job is planned with it. */
export function atWork(product: Product, { substrate, airC, rhPct, matteSchool }: Trial): AtWork {
  const ambient: AmbientSeries = [{ atMin: 0, airC, rhPct, airSpeed: STILL_AIR }];
  const coat = { product, substrate, ambient, matteSchool };
  const { levelFromMin, levelByMin, verdict, guarded } = coatWindow(coat, 0, TENTH_SIGMAS);
  const { waterSafe, handover } = coatMilestones(coat, 0, 0);
  return {
    levelFromMin,
    levelByMin,
    verdict,
    largestM2: guarded ? maxSectionM2(guarded, paceWith(DEFAULT_PACE, product, 'small-block'), 'solo') : 0,
    waterSafeMin: waterSafe,
    handoverMin: handover,
    outside: outsideLimits(product, { airC, rhPct }).length > 0,
  };
}

/** Material for a square metre and coat at the best pack's price, minor units: what it uses, without what is left over. */
export function materialMoneyPerM2(product: Product, substrate: SubstrateId): number {
  const unitMoney = Math.min(...product.packs.map(({ size, price }) => price / size));
  const { coverage } = substrateFactors(substrate, product.substrates[substrate]);
  return product.coveragePerM2 * coverage * product.usageFactor * unitMoney;
}
