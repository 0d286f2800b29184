import {
  answerOf,
  intervalRulingsOn,
  judgeStack,
  type Ruling,
  seenSubstrate,
  withOverruled,
} from '#core/products/layering';
import type { SubstrateId } from '#core/item/substrates';
import { handedOverMin } from '#core/products/schools';
import type { Product } from '#core/products/sheets';
import { type CoatCase, coatWindow } from './coat';
import { breathing, conditionFindings, paintFindings, tooLarge } from './conditions';
import { type Finding, onceEach } from './findings';
import type { PlannedJob, PlannedSurface } from './job';
import { type LaidCoat, layCoat, surfaceAreaM2 } from './lay-coat';
import type { PendingCoat } from './pending-coat';
import { type CoatPlan, type ProductPurchase, purchases, readiness, roomAir, type SurfacePlan } from './readiness';
import * as say from './say';

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

/**
 * Plans a whole job: first coats of all surfaces in their order, then second coats, and so on, one section
 * after the other by one crew that waits where a coat below is not ready.
 * @throws RangeError for a layer whose product is not among the job's products
 */
export function planJob(job: PlannedJob): Plan {
  const products = new Map(job.products.map((product) => [product.id, product]));
  const coatsOf = job.surfaces.map((surface) => coatsInOrder(surface, products));
  const plans: CoatPlan[][] = job.surfaces.map(() => []);
  const findings: Finding[][] = job.surfaces.map(() => []);
  const progress: Progress = { nowMin: 0, top: new Map() };

  const rounds = Math.max(0, ...coatsOf.map((coats) => coats.length));
  for (let round = 0; round < rounds; round++) {
    for (const [index, surface] of job.surfaces.entries()) {
      const coats = coatsOf[index]!;
      const pending = coats[round];
      if (!pending) continue;
      const stack = coats.slice(0, round + 1).map(({ product }) => product);
      const outcome = planCoat(job, surface, pending, stack, progress);
      plans[index]!.push(outcome.plan);
      findings[index]!.push(...outcome.findings);
    }
  }

  const surfaces = job.surfaces.map((surface, index): SurfacePlan => {
    const oneM2 = surfaceAreaM2(surface);
    return { id: surface.id, areaM2: oneM2 * surface.count, oneM2, coats: plans[index]! };
  });
  return planned(job, surfaces, { ...readiness(surfaces), findings });
}

/** Coats with their times, whoever laid them out, as a plan: what is bought, whether it is ready in time, what is found. */
export function planned(
  job: PlannedJob,
  surfaces: readonly SurfacePlan[],
  timed: Pick<Plan, 'waterSafeMin' | 'handoverMin'> & { readonly findings: readonly (readonly Finding[])[] },
): Plan {
  const { waterSafeMin, findings } = timed;
  const handoverMin = withMargin(job, surfaces, timed.handoverMin);
  const products = new Map(job.products.map((product) => [product.id, product]));
  const air = roomAir(job, surfaces, products);
  const onPanels = paintFindings(job.surfaces);
  const meetsNeed = job.needsByMin === undefined ? undefined : handoverMin !== null && handoverMin <= job.needsByMin;
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
function withMargin({ handover }: PlannedJob, surfaces: readonly SurfacePlan[], minimumMin: number | null) {
  if (!handover) return minimumMin;
  const ends = surfaces.flatMap(({ coats }) => coats.flatMap(({ laid }) => (laid ? [laid.endMin] : [])));
  return handedOverMin(minimumMin, Math.max(0, ...ends), handover.school, handover.startMinuteOfDay);
}

/**
 * The coats of a surface in their order, counted out over its layers.
 * @throws RangeError for a layer whose product is not known
 */
export function coatsInOrder(surface: PlannedSurface, products: ReadonlyMap<string, Product>): PendingCoat[] {
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
  bare: PlannedSurface,
  pending: PendingCoat,
  stack: readonly Product[],
  progress: Progress,
): CoatOutcome {
  const { product, layer, coat, method } = pending;
  const about = { surface: bare.id, product: product.id };
  // Fresh paint is a matter of when, not of whether: it is found below, and the numbers are still shown.
  const judged = judgeStack({ ...bare, layers: stack }, []).at(-1)!;
  const surface = asSeen(bare, stack.slice(0, -1));
  const name = { product: product.id, layer, coat, method, substrate: surface.substrate };
  const { overruled } = bare.layers[layer]!;
  const byKind = withOverruled(judged.rulings, overruled);
  const refused = (rulings: readonly Ruling[], found: readonly Finding[]): CoatOutcome => ({
    plan: { ...name, answer: 'no', rulings },
    findings: found,
  });
  if (answerOf(byKind) === 'no') return refused(byKind, say.refusals(byKind, about));

  const below = progress.top.get(surface.id);
  const recoatFrom = below?.laid.milestones.recoatFrom;
  const startMin = Math.max(progress.nowMin, recoatFrom ?? -Infinity);
  const byTime = below ? withOverruled(intervalRulings(surface, product, below, startMin), overruled) : [];
  if (recoatFrom === null && answerOf(byTime) === 'no')
    return refused([...byKind, ...byTime], say.refusals(byTime, about));

  const coatCase: CoatCase = { product, ambient: job.ambient, matteSchool: job.matteSchool, ...placeOf(surface) };
  const window = coatWindow(coatCase, startMin, job.crew.guardSigma);
  if (window.verdict === 'closed') {
    return refused(byKind, [say.windowClosed(product, window, about)]);
  }
  const laid = layCoat(job, surface, pending, { coatCase, window, startMin });
  progress.nowMin = Math.max(progress.nowMin, laid.endMin);
  progress.top.set(surface.id, { product, laid });

  const findings = [
    ...say.refusals(byKind, about),
    ...breathing(bare, product, startMin, overruled, about),
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

/** What the rules say of a coat that begins over the one below at a moment. */
export function intervalRulings(
  surface: Pick<PlannedSurface, 'substrate'>,
  product: Product,
  below: { readonly product: Product; readonly laid: Pick<LaidCoat, 'milestones' | 'endMin'> },
  startMin: number,
): Ruling[] {
  const { recoatFrom: recoatFromMin, recoatBy: recoatByMin } = below.laid.milestones;
  return intervalRulingsOn({
    product,
    substrate: surface.substrate,
    below: { kind: 'product', product: below.product },
    interval: { startMin, belowEndMin: below.laid.endMin, recoatFromMin, recoatByMin },
  });
}

/** What the layers below leave a layer of a surface to lie on. */
export function substrateUnder(
  { substrate, existing, layers }: Pick<PlannedSurface, 'substrate' | 'existing' | 'layers'>,
  layer: number,
  products: ReadonlyMap<string, Product>,
): SubstrateId {
  const below = layers.slice(0, layer).flatMap(({ product }) => products.get(product) ?? []);
  return seenSubstrate(substrate, existing, below);
}

/** A surface as a coat over `laid` meets it: a film below is what it lies on. */
export function asSeen(surface: PlannedSurface, laid: readonly Product[]): PlannedSurface {
  const substrate = seenSubstrate(surface.substrate, surface.existing, laid);
  return substrate === surface.substrate ? surface : { ...surface, substrate };
}

function placeOf(surface: PlannedSurface): Pick<CoatCase, 'substrate' | 'surfaceC'> {
  return { substrate: surface.substrate, surfaceC: surface.surfaceC };
}
