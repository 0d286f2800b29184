import { shapeAreaM2, shapeShortSideM } from '#core/item/geometry';
import { judgeReadings } from '#core/item/paint';
import { substrateFactors, SUBSTRATES } from '#core/item/substrates';
import {
  answerOf,
  breathesFor,
  intervalRulingsOn,
  judgeStack,
  type Overruled,
  type Ruling,
  rulingsOn,
  withOverruled,
} from '#core/products/layering';
import { type MethodId, METHODS } from '#core/products/methods';
import { type Answer, millilitres, outsideLimits, type Product } from '#core/products/sheets';
import { airAt, clearAfterMin, condensation, peakMgPerM3, type VapourRelease } from '#core/time/air';
import { latestMoment } from '#core/time/clocks';
import { amountOnSurface, purchase, type Purchase } from '#core/work/quantity';
import { maxSectionM2, type Pace, sectionCount, sectionTiming, type SectionTiming } from '#core/work/sections';
import {
  type CoatCase,
  type CoatMilestones,
  coatMilestones,
  type CoatWindow,
  coatWindow,
  handoverOf,
  waterSafeOf,
} from './coat';
import { type Finding, onceEach } from './findings';
import type { PlannedJob, PlannedSurface } from './job';
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

export interface Plan {
  readonly surfaces: readonly SurfacePlan[];
  readonly purchases: readonly ProductPurchase[];
  /** Null: never in this air, or nothing laid. */
  readonly waterSafeMin: number | null;
  readonly handoverMin: number | null;
  readonly meetsNeed?: boolean;
  readonly air?: { readonly peakMgPerM3: number; readonly clearAfterMin: number | null };
  readonly findings: readonly Finding[];
}

/** What was really done of one coat. */
export interface CoatRecord {
  readonly startMin: number;
  readonly sectionsPerCopy: number;
  /** Share of its sections levelled, 0 to 1. */
  readonly doneShare: number;
  /** When the last was levelled; absent while it is being worked. */
  readonly endMin?: number;
}

/** Where a plan begins: now, with what is done already, by `surface/layer/coat`. */
export interface PlanFrom {
  readonly nowMin: number;
  readonly done: ReadonlyMap<string, CoatRecord>;
}
const FROM_THE_START: PlanFrom = { nowMin: 0, done: new Map() };

interface TopCoat {
  readonly product: Product;
  readonly laid: LaidCoat;
}

/** Where the crew stands while the rounds are walked through. */
interface Progress {
  nowMin: number;
  /** Last coat really laid on each surface. */
  readonly top: Map<string, TopCoat>;
}

interface PendingCoat {
  readonly product: Product;
  readonly layer: number;
  readonly coat: number;
  readonly method: MethodId;
}

/** Without a limit on a safety sheet, the room counts as clear at this share of its peak. */
const CLEAR_SHARE_OF_PEAK = 0.1;

/** Area of one copy of a surface, m², with its curvature. */
export function surfaceAreaM2(surface: Pick<PlannedSurface, 'shape' | 'curvature'>): number {
  return shapeAreaM2(surface.shape) * surface.curvature;
}

/** Whether a surface must be done in one go: asked for, or a matte finish, which shows every seam. */
export function inOnePiece(surface: Pick<PlannedSurface, 'onePiece' | 'substrate'>): boolean {
  return surface.onePiece || SUBSTRATES[surface.substrate].matte === true;
}

/**
 * Plans a whole job: first coats of all surfaces in their order, then second coats, and so on, one section
 * after the other by one crew that waits where a coat below is not ready.
 * @param from where to take up a job that has begun; coats done keep their real times
 * @throws RangeError for a layer whose product is not among the job's products
 */
export function planJob(job: PlannedJob, from: PlanFrom = FROM_THE_START): Plan {
  const products = new Map(job.products.map((product) => [product.id, product]));
  const coatsOf = job.surfaces.map((surface) => coatsInOrder(surface, products));
  const plans: CoatPlan[][] = job.surfaces.map(() => []);
  const findings: Finding[][] = job.surfaces.map(() => []);
  const progress: Progress = { nowMin: from.nowMin, top: new Map() };

  const rounds = Math.max(0, ...coatsOf.map((coats) => coats.length));
  for (let round = 0; round < rounds; round++) {
    for (const [index, surface] of job.surfaces.entries()) {
      const coats = coatsOf[index]!;
      const pending = coats[round];
      if (!pending) continue;
      const stack = coats.slice(0, round + 1).map(({ product }) => product);
      const record = from.done.get([surface.id, pending.layer, pending.coat].join('/'));
      const outcome = planCoat(job, surface, pending, stack, progress, record);
      plans[index]!.push(outcome.plan);
      findings[index]!.push(...outcome.findings);
    }
  }

  const surfaces = job.surfaces.map((surface, index): SurfacePlan => {
    const oneM2 = surfaceAreaM2(surface);
    return { id: surface.id, areaM2: oneM2 * surface.count, oneM2, coats: plans[index]! };
  });
  const ready = readiness(job, surfaces);
  const air = roomAir(job, surfaces, products);
  const onPanels = paintFindings(job.surfaces);
  return {
    surfaces,
    purchases: purchases(job, surfaces),
    ...ready,
    ...(air && { air: { peakMgPerM3: air.peakMgPerM3, clearAfterMin: air.clearAfterMin } }),
    findings: onceEach([
      ...job.surfaces.flatMap((_, index) => [...onPanels[index]!, ...findings[index]!]),
      ...(ready.meetsNeed === false ? [say.missesDeadline(ready.handoverMin, job.needsByMin!)] : []),
      ...(air?.overLimit ? [air.overLimit] : []),
    ]),
  };
}

function coatsInOrder(surface: PlannedSurface, products: ReadonlyMap<string, Product>): PendingCoat[] {
  return surface.layers.flatMap(({ product: id, coats, method }, layer) => {
    const product = products.get(id);
    if (!product) throw new RangeError(`surface ${surface.id}: no product ${id}`);
    return Array.from({ length: coats }, (_, index) => ({ product, layer, method, coat: index + 1 }));
  });
}

interface CoatOutcome {
  readonly plan: CoatPlan;
  readonly findings: readonly Finding[];
}

function planCoat(
  job: PlannedJob,
  surface: PlannedSurface,
  pending: PendingCoat,
  stack: readonly Product[],
  progress: Progress,
  record: CoatRecord | undefined,
): CoatOutcome {
  const { product, layer, coat, method } = pending;
  const about = { surface: surface.id, product: product.id };
  const name = { product: product.id, layer, coat, method };
  // Fresh paint is a matter of when, not of whether: it is found below, and the numbers are still shown.
  const judged = judgeStack({ ...surface, layers: stack }, []).at(-1)!;
  const { overruled } = surface.layers[layer]!;
  const byKind = withOverruled(judged.rulings, overruled);
  const refused = (rulings: readonly Ruling[], found: readonly Finding[]): CoatOutcome => ({
    plan: { ...name, answer: 'no', rulings },
    findings: found,
  });
  if (answerOf(byKind) === 'no') return refused(byKind, say.refusals(byKind, about));

  const below = progress.top.get(surface.id);
  const recoatFrom = below?.laid.milestones.recoatFrom;
  const startMin = record?.startMin ?? Math.max(progress.nowMin, recoatFrom ?? -Infinity);
  const byTime = below ? withOverruled(intervalRulings(surface, product, below, startMin), overruled) : [];
  // A layer that nothing may ever go over refuses what was to come, not what was laid all the same.
  if (!record && recoatFrom === null && answerOf(byTime) === 'no')
    return refused([...byKind, ...byTime], say.refusals(byTime, about));

  const coatCase: CoatCase = { product, ambient: job.ambient, matteSchool: job.matteSchool, ...placeOf(surface) };
  const window = coatWindow(coatCase, startMin, job.crew.guardSigma);
  // What was laid all the same is laid: the record stands above the plan.
  if (!record && window.verdict === 'closed') {
    return refused(byKind, [say.windowClosed(product, window, about)]);
  }
  const laid = layCoat(job, surface, pending, { coatCase, window, startMin, record, nowMin: progress.nowMin });
  progress.nowMin = Math.max(progress.nowMin, laid.endMin);
  progress.top.set(surface.id, { product, laid });

  const findings = [
    ...say.refusals(byKind, about),
    ...breathing(surface, product, startMin, overruled, about),
    ...conditionFindings(job, surface, product, startMin, about),
    ...(window.verdict === 'narrow' ? [say.narrowWindow(product, window, about)] : []),
    ...tooLarge(job, surface, laid, about),
    ...(laid.milestones.waterSafe === null ? [say.neverCures(product, about)] : []),
    ...say.refusals(byTime, about),
  ];
  const rulings = [...byKind, ...byTime];
  // What comes late is laid by the plan all the same, after it was abraded: its numbers are shown.
  return { plan: { ...name, answer: answerOf(byKind), rulings, laid }, findings };
}

function intervalRulings(surface: PlannedSurface, product: Product, below: TopCoat, startMin: number): Ruling[] {
  const { recoatFrom: recoatFromMin, recoatBy: recoatByMin } = below.laid.milestones;
  return intervalRulingsOn({
    product,
    substrate: surface.substrate,
    below: { kind: 'product', product: below.product },
    interval: { startMin, belowEndMin: below.laid.endMin, recoatFromMin, recoatByMin },
  });
}

function placeOf(surface: PlannedSurface): Pick<CoatCase, 'substrate' | 'surfaceC'> {
  return { substrate: surface.substrate, surfaceC: surface.surfaceC };
}

/** A person's pace with one product and method, m²/min. */
export function paceWith(crew: Pace, product: Product, method: MethodId): Pace {
  return {
    layM2PerMin: crew.layM2PerMin * METHODS[method].pace * product.layPace,
    levelM2PerMin: crew.levelM2PerMin * product.levelPace,
  };
}

interface Laying {
  readonly coatCase: CoatCase;
  readonly window: CoatWindow;
  readonly startMin: number;
  readonly nowMin: number;
  readonly record: CoatRecord | undefined;
}

function layCoat(job: PlannedJob, surface: PlannedSurface, { product, method }: PendingCoat, laying: Laying): LaidCoat {
  const { coatCase, window, startMin, record } = laying;
  const { mode } = job.crew;
  const guarded = window.guarded ?? { fromMin: 0, byMin: null };
  const pace = paceWith(job.crew, product, method);
  const oneM2 = surfaceAreaM2(surface);
  const onePiece = inOnePiece(surface);
  const largest = maxSectionM2(guarded, pace, mode);
  const sectionsPerCopy = record?.sectionsPerCopy ?? sectionCount(oneM2, largest, onePiece);
  const sectionM2 = oneM2 / sectionsPerCopy;
  const timing = sectionTiming(sectionM2, guarded, pace, mode);
  const wholeMin = timing.totalMin * sectionsPerCopy * surface.count;
  const endMin = record ? (record.endMin ?? laying.nowMin + wholeMin * (1 - record.doneShare)) : startMin + wholeMin;
  const amountOne = amountOnSurface({
    areaM2: oneM2,
    coveragePerM2: product.coveragePerM2,
    substrateFactor: substrateFactors(surface.substrate, product.substrates[surface.substrate]).coverage,
    methodFactor: METHODS[method].amount,
    sections: sectionsPerCopy,
    shortSideM: shapeShortSideM(surface.shape, oneM2),
    usageFactor: product.usageFactor,
  });
  return {
    window,
    maxSectionM2: largest,
    sectionsPerCopy,
    sectionM2,
    timing,
    amount: amountOne * surface.count,
    startMin,
    endMin,
    milestones: coatMilestones(coatCase, startMin, endMin),
  };
}

type About = { readonly surface: string; readonly product: string };

/** What the rule on fresh paint says at the moment of laying; set aside by hand it is a test spot like any other. */
function breathing(
  { substrate, aircraft, refinishedAtMin }: PlannedSurface,
  product: Product,
  startMin: number,
  overruled: Overruled | undefined,
  about: About,
): Finding[] {
  if (refinishedAtMin === undefined) return [];
  const breathesForMin = breathesFor(product, { refinishedAgoMin: startMin - refinishedAtMin });
  const asked = rulingsOn({ product, substrate, aircraft, below: { kind: 'bare' }, breathesForMin });
  return withOverruled(
    asked.filter(({ rule }) => rule === 'fresh-paint'),
    overruled,
  ).flatMap((ruling) =>
    ruling.answer === 'no' ? [say.freshPaint(product, breathesForMin, about)] : say.refusals([ruling], about),
  );
}

function conditionFindings(
  job: PlannedJob,
  surface: PlannedSurface,
  product: Product,
  startMin: number,
  about: About,
): Finding[] {
  const air = airAt(job.ambient, startMin);
  const surfaceC = surface.surfaceC ?? air.airC;
  const dew = condensation(air.airC, air.rhPct, surfaceC);
  const outside = outsideLimits(product, { airC: air.airC, rhPct: air.rhPct, surfaceC });
  return [
    ...(dew.verdict === 'ok' ? [] : [say.condensationOn(surface, surfaceC, dew, about)]),
    ...(outside.length > 0 ? [say.outOfLimits(product, outside, about)] : []),
  ];
}

function tooLarge(job: PlannedJob, surface: PlannedSurface, laid: LaidCoat, about: About): Finding[] {
  const { maxSectionM2: largest, sectionM2 } = laid;
  if (!inOnePiece(surface) || largest === null || sectionM2 <= largest * (1 + 1e-9)) return [];
  return [say.tooLarge(job.crew.mode, sectionM2, largest, about)];
}

function paintFindings(surfaces: readonly PlannedSurface[]): Finding[][] {
  return judgeReadings(surfaces).map((paint, index) => say.paint(paint, surfaces[index]!.id));
}

function laidCoats(surfaces: readonly SurfacePlan[]) {
  return surfaces.flatMap(({ areaM2, coats }) =>
    coats.flatMap(({ product, laid }) => (laid ? [{ product, areaM2, laid }] : [])),
  );
}

function readiness(job: PlannedJob, surfaces: readonly SurfacePlan[]) {
  const coats = laidCoats(surfaces);
  const waterSafeMin = latestMoment(coats.map(({ laid }) => waterSafeOf(laid)));
  const handoverMin = latestMoment(coats.map(({ laid }) => handoverOf(laid)));
  if (job.needsByMin === undefined) return { waterSafeMin, handoverMin };
  return { waterSafeMin, handoverMin, meetsNeed: handoverMin !== null && handoverMin <= job.needsByMin };
}

function purchases(job: PlannedJob, surfaces: readonly SurfacePlan[]): ProductPurchase[] {
  const coats = laidCoats(surfaces);
  return job.products.flatMap((product) => {
    const own = coats.filter((coat) => coat.product === product.id);
    if (own.length === 0) return [];
    const laid = own.reduce((sum, coat) => sum + coat.laid.amount, 0);
    const laidM2 = own.reduce((sum, coat) => sum + coat.areaM2, 0);
    return [{ product: product.id, onHand: product.onHand, ...purchase({ ...product, laid, laidM2 }) }];
  });
}

function roomAir(job: PlannedJob, surfaces: readonly SurfacePlan[], products: ReadonlyMap<string, Product>) {
  if (!job.room) return undefined;
  const coats = laidCoats(surfaces);
  const grams = coats.reduce((sum, { product: id, laid }) => {
    const product = products.get(id)!;
    return sum + (millilitres(product, laid.amount) / 1000) * product.vocGPerL;
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
