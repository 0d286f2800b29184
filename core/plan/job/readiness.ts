import type { SubstrateId } from '#core/item/substrates';
import type { Ruling } from '#core/layers/rules';
import type { MethodId } from '#core/products/methods';
import { type Answer, millilitres, type Product, vocOf } from '#core/products/sheets';
import { clearAfterMin, peakMgPerM3, type VapourRelease } from '#core/time/air';
import { purchase, type Purchase } from '#core/products/quantity';
import type { SectionTiming } from '#core/plan/sections';
import { type CoatMilestones, type CoatWindow } from './coat';
import type { PlanInput } from './input';
import * as say from './say';

/** A coat as it will be laid. Minutes from the start of the job unless a name says otherwise. */
export interface LaidCoat {
  readonly window: CoatWindow;
  readonly maxSectionM2: number | null;
  readonly sectionsPerCopy: number;
  readonly sectionM2: number;
  readonly timing: SectionTiming;
  /** Units of the product, all copies. */
  readonly amount: number;
  readonly startMin: number;
  readonly endMin: number;
  readonly milestones: CoatMilestones;
}

/** One coat of the plan. `laid` is absent where it was refused or its window stays closed. */
export interface CoatPlan {
  readonly product: string;
  /** Which of the surface's layers, and which coat of it, from 0 and from 1. */
  readonly layer: number;
  readonly coat: number;
  readonly method: MethodId;
  /** What it lies on as it sees it: a film below is the surface. */
  readonly substrate: SubstrateId;
  readonly answer: Answer;
  readonly rulings: readonly Ruling[];
  readonly laid?: LaidCoat;
}

export interface SurfacePlan {
  readonly id: string;
  /** All copies together, and one of them. */
  readonly areaM2: number;
  readonly oneM2: number;
  readonly coats: readonly CoatPlan[];
}

export interface ProductPurchase extends Purchase {
  readonly product: string;
  readonly onHand: number;
}

/** Without a limit on a safety sheet, the room counts as clear at this share of its peak. */
const CLEAR_SHARE_OF_PEAK = 0.1;

function laidCoats(surfaces: readonly SurfacePlan[]) {
  return surfaces.flatMap(({ areaM2, coats }) =>
    coats.flatMap(({ product, laid }) => (laid ? [{ product, areaM2, laid }] : [])),
  );
}

export function purchases(job: PlanInput, surfaces: readonly SurfacePlan[]): ProductPurchase[] {
  const coats = laidCoats(surfaces);
  return job.products.flatMap((product) => {
    const own = coats.filter((coat) => coat.product === product.id);
    if (own.length === 0) return [];
    const laid = own.reduce((sum, coat) => sum + coat.laid.amount, 0);
    const laidM2 = own.reduce((sum, coat) => sum + coat.areaM2, 0);
    return [{ product: product.id, onHand: product.onHand, ...purchase({ ...product, laid, laidM2 }) }];
  });
}

export function roomAir(job: PlanInput, surfaces: readonly SurfacePlan[], products: ReadonlyMap<string, Product>) {
  if (!job.room) return undefined;
  const coats = laidCoats(surfaces);
  const grams = coats.reduce((sum, { product: id, laid }) => {
    const product = products.get(id)!;
    return sum + (millilitres(product, laid.amount) / 1000) * vocOf(product);
  }, 0);
  const first = Math.min(...coats.map(({ laid }) => laid.startMin));
  const last = Math.max(...coats.map(({ laid }) => laid.endMin));
  const release: VapourRelease = { ...job.room, grams, overMin: coats.length > 0 ? last - first : 0 };
  const peak = peakMgPerM3(release);
  const { limitMgPerM3 } = job.room;
  const over = limitMgPerM3 !== undefined && peak > limitMgPerM3;
  return {
    peakMgPerM3: peak,
    clearAfterMin: clearAfterMin(release, limitMgPerM3 ?? peak * CLEAR_SHARE_OF_PEAK),
    overLimit: over ? say.vapour(peak, limitMgPerM3) : undefined,
  };
}
