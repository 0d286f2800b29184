import type { Person } from '#core/plan/crew';
import { answerOf } from '#core/layers/rules';
import { handedOverMin } from '#core/products/schools';
import type { Product } from '#core/products/sheets';
import { countsFrom, latestMoment, type MilestoneName } from '#core/time/clocks';
import { maxSectionM2, sectionTiming } from '#core/plan/sections';
import { amountOnCopy, surfaceAreaM2 } from './amount';
import { type CoatMilestones, coatWindow, handoverOf, waterSafeOf } from './coat';
import { coatsFindings } from './coat-findings';
import { paintFindings } from './conditions';
import { type Finding, onceEach } from './findings';
import type { PlanInput } from './input';
import { byCoat, type CoatsLaid, type CopyCoat, type OfCoat } from './laid';
import { type CoatPlan, type LaidCoat, type ProductPurchase, purchases, roomAir, type SurfacePlan } from './readiness';
import * as say from './say';
import type { SurfaceCoat } from './surface-coat';

export interface Plan {
  readonly surfaces: readonly SurfacePlan[];
  readonly purchases: readonly ProductPurchase[];
  /** Null: never in this air, or nothing laid. */
  readonly waterSafeMin: number | null;
  readonly handoverMin: number | null;
  /** By the makers' sheets alone, where the workshop keeps a margin of its own. */
  readonly minimumHandoverMin?: number | null;
  readonly meetsNeed?: boolean;
  readonly air?: { readonly peakMgPerM3: number; readonly clearAfterMin: number | null };
  readonly findings: readonly Finding[];
}

/**
 * A job as a plan: its coats with the times they are laid at, what is bought, whether it is ready in time, what is found.
 * @param coats of every surface, judged by kind
 * @param laid what becomes of them, whoever laid them out
 * @param people who lays them: what is too large for them is found
 */
export function planFrom(
  job: PlanInput,
  coats: readonly (readonly SurfaceCoat[])[],
  laid: CoatsLaid,
  people: readonly Person[],
): Plan {
  const ofCoat = byCoat(coats, laid);
  const surfaces = job.surfaces.map((surface, at): SurfacePlan => {
    const oneM2 = surfaceAreaM2(surface);
    return {
      id: surface.id,
      areaM2: oneM2 * surface.count,
      oneM2,
      coats: coats[at]!.map((coat) => coatPlan(job, coat, ofCoat.get(coat)!)),
    };
  });
  const isWhole = laid.unlaid.length === 0;
  return planned(job, surfaces, {
    waterSafeMin: isWhole ? latestMoment(laid.laid.map(waterSafeOf)) : null,
    handoverMin: isWhole ? latestMoment(laid.laid.map(handoverOf)) : null,
    findings: coatsFindings(job, coats, ofCoat, people),
  });
}

function planned(
  job: PlanInput,
  surfaces: readonly SurfacePlan[],
  timed: Pick<Plan, 'waterSafeMin' | 'handoverMin'> & { readonly findings: readonly (readonly Finding[])[] },
): Plan {
  const { waterSafeMin, findings } = timed;
  const handoverMin = withMargin(job, surfaces, timed.handoverMin);
  const products = new Map(job.products.map((product) => [product.id, product]));
  const air = roomAir(job, surfaces, products);
  const onPanels = paintFindings(job.surfaces);
  // A job that applies nothing keeps or misses no date by what it applies.
  const isPlanned = surfaces.some(({ coats }) => coats.length > 0);
  const meetsNeed =
    job.needsByMin === undefined || !isPlanned ? undefined : handoverMin !== null && handoverMin <= job.needsByMin;
  return {
    surfaces,
    purchases: purchases(job, surfaces),
    waterSafeMin,
    handoverMin,
    ...(handoverMin !== timed.handoverMin && { minimumHandoverMin: timed.handoverMin }),
    ...(meetsNeed !== undefined && { meetsNeed }),
    ...(air && { air: { peakMgPerM3: air.peakMgPerM3, clearAfterMin: air.clearAfterMin } }),
    findings: onceEach([
      ...job.surfaces.flatMap((_, index) => [...onPanels[index]!, ...findings[index]!]),
      ...(meetsNeed === false ? [say.missesDeadline(handoverMin, job.needsByMin!)] : []),
      ...(air?.overLimit ? [air.overLimit] : []),
    ]),
  };
}

/** When it is handed over: the makers' minimum, or the workshop's own margin. */
function withMargin({ handover }: PlanInput, surfaces: readonly SurfacePlan[], minimumMin: number | null) {
  if (!handover) return minimumMin;
  const ends = surfaces.flatMap(({ coats }) => coats.flatMap(({ laid }) => (laid ? [laid.endMin] : [])));
  return handedOverMin(minimumMin, Math.max(0, ...ends), handover.school, handover.startMinuteOfDay);
}

function coatPlan(job: PlanInput, coat: SurfaceCoat, { laid: copies, refused }: OfCoat): CoatPlan {
  const { surface, product, layer, method, rulings } = coat;
  const byTime = [
    ...copies.flatMap((copy) => copy.byTime),
    ...refused.flatMap((copy) => (copy.code === 'recoat-window' ? copy.rulings : [])),
  ];
  const name = { product: product.id, layer, coat: coat.coat, method, substrate: surface.substrate };
  const all = [...rulings, ...byTime.slice(0, 1)];
  if (copies.length === 0) return { ...name, answer: refused.length > 0 ? 'no' : answerOf(all), rulings: all };
  return { ...name, answer: answerOf(rulings), rulings: all, laid: laidCoat(job, coat, copies) };
}

/** All copies of a coat as one. */
function laidCoat(job: PlanInput, coat: SurfaceCoat, copies: readonly CopyCoat[]): LaidCoat {
  const { product, coatCase, oneM2, layFactor, levelFactor } = coat;
  const { crew } = job;
  const startMin = Math.min(...copies.map((copy) => copy.startMin));
  const endMin = Math.max(...copies.map((copy) => copy.endMin));
  const sectionsPerCopy = Math.max(...copies.map(({ sections }) => sections));
  const window = coatWindow(coatCase, startMin, crew.guardSigma);
  const pace = { layM2PerMin: crew.layM2PerMin * layFactor, levelM2PerMin: crew.levelM2PerMin * levelFactor };
  const guarded = window.guarded ?? { fromMin: 0, byMin: null };
  const sectionM2 = oneM2 / sectionsPerCopy;
  return {
    window,
    maxSectionM2: maxSectionM2(guarded, pace, crew.mode),
    sectionsPerCopy,
    sectionM2,
    timing: sectionTiming(sectionM2, guarded, pace, crew.mode),
    amount: copies.reduce((sum, { sections }) => sum + amountOnCopy(coat.surface, coat, sections), 0),
    startMin,
    endMin,
    milestones: milestonesOfAll(copies, product),
  };
}

/** What must happen in time is due with the first copy, what must wait waits for the last. */
function milestonesOfAll(copies: readonly CopyCoat[], product: Product): CoatMilestones {
  const names = product.milestones.map(({ name }) => name).filter((name) => name in copies[0]!.milestones);
  const moment = (name: MilestoneName): number | null => {
    const moments = copies.map(({ milestones }) => milestones[name] ?? null);
    if (countsFrom(name) === 'youngest') return latestMoment(moments);
    const known = moments.filter((at) => at !== null);
    return known.length > 0 ? Math.min(...known) : null;
  };
  return Object.fromEntries(names.map((name) => [name, moment(name)]));
}
