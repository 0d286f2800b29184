import {
  conditionLeft,
  expectedLife,
  type Exposure,
  observedLife,
  type LifeLikelihood,
  lifeLikelihood,
  USUAL_WATER,
  type WaterEnds,
} from '#core/layers/life';
import { type AgedLayer, type PaintToSpare, planRemoval, type Removal } from '#core/prepare/removal';
import { agedFound, agingOf, DECONTAMINATING, type FoundLayer, foundOn, WASHING, wearing, type Wearing } from './found';
import { clearEstimateUm, judgeReadings } from '#core/survey/paint';
import { MINUTES_PER_MONTH } from '#core/measures';
import type { Product } from '#core/products/sheets';
import {
  coatKey,
  coatMilestones,
  type CoatMilestones,
  type PlanInput,
  type InputSurface,
  surfaceAreaM2,
} from '#core/plan/job';
import { slowness } from '#core/plan/sections';
import { type CareRules, type DatedCare, firstWashOf, hardOf } from './curing';
import { coatRecords, type RunRecord, withMeasuredAir } from '#core/lay/run';

/** A layer that really lies on a surface, all its coats together. Minutes on the scale of the job. */
export interface StandingLayer extends Wearing {
  readonly product: Product;
  readonly coats: number;
  /** Share of the surface's sections levelled, 0 to 1; below 1 some of the panel is bare of it. */
  readonly doneShare: number;
  readonly laidMin: number;
  /** Of the last coat. Null: not in this air. */
  readonly milestones: CoatMilestones;
  /** First careful wash, and full hardness as its owner is told. */
  readonly firstWash: DatedCare;
  readonly fullyHard: DatedCare;
}

export interface StandingSurface {
  readonly surface: InputSurface;
  /** Found on it and staying, bottom first. */
  readonly found: readonly FoundLayer[];
  /** Bottom first. */
  readonly layers: readonly StandingLayer[];
}

/** What is on every surface of a job, from what was really laid and in the air it was laid in. */
export function standingSurfaces(job: PlanInput, record: RunRecord, exposure: Exposure): StandingSurface[] {
  return laidSurfaces(job, record, exposure).map((subject, _, all) => seenWet(subject, all, record));
}

/** What wears on a panel: the topmost layer, laid at this visit or found with its age; undefined: bare, or nobody knows. */
export const topOf = ({ layers, found }: Pick<StandingSurface, 'layers' | 'found'>): Wearing | undefined =>
  layers.at(-1) ?? found.at(-1)?.wears;

type Drops = readonly { readonly atMin: number; readonly deg: number; readonly sigmaDeg: number }[];

/** Drops of this visit that speak for the topmost layer laid at it. What was laid here was clean. */
export const dropsOnLaid = ({ surface, layers }: StandingSurface, { beads }: DropsRecord): Drops =>
  beads.filter((bead) => bead.surface === surface.id && bead.atMin >= (layers.at(-1)?.endMin ?? Infinity));

/**
 * Drops that speak for the topmost layer found: those of earlier visits, and those of this one that were read before
 * anything went over it and once the dirt of the road was off.
 */
export function dropsOnFound({ surface, layers, found }: StandingSurface, record: DropsRecord): Drops {
  const { drops = [], wears } = found.at(-1) ?? {};
  if (!wears) return drops;
  const coveredMin = layers[0]?.laidMin ?? Infinity;
  const here = record.beads.filter(
    (bead) => bead.surface === surface.id && bead.atMin < coveredMin && dropSays(record, wears, bead) === 'life',
  );
  return [...drops, ...here];
}

/** Drops by the age of the layer they were read on, and what new and bare stand at on this item. */
function seenOn({ endMin }: Wearing, drops: Drops, all: readonly StandingSurface[], { beads }: DropsRecord) {
  const own = drops
    .filter(({ atMin }) => atMin >= endMin)
    .map(({ atMin, ...drop }) => ({ ...drop, ageMonths: (atMin - endMin) / MINUTES_PER_MONTH }));
  const bare = new Set(
    all.flatMap(({ surface, layers, found }) => (layers.length + found.length === 0 ? [surface.id] : [])),
  );
  const ends: WaterEnds = {
    freshDeg: own.find(({ ageMonths }) => ageMonths < FRESH_MONTHS)?.deg ?? USUAL_WATER.freshDeg,
    bareDeg: beads.findLast((bead) => bare.has(bead.surface))?.deg ?? USUAL_WATER.bareDeg,
  };
  return { own, ends };
}

/** What each drop on a panel said was left of its topmost layer, 0 to 1, by its age then. */
export function waterSeen(
  standing: readonly StandingSurface[],
  record: DropsRecord,
  surface: string,
): { readonly ageMonths: number; readonly left: number }[] {
  const subject = standing.find((each) => each.surface.id === surface);
  const top = subject && topOf(subject);
  if (!top) return [];
  const drops = subject.layers.length > 0 ? dropsOnLaid(subject, record) : dropsOnFound(subject, record);
  const { own, ends } = seenOn(top, drops, standing, record);
  return own.map((drop) => leftBy(drop, ends));
}

/** A panel with the life of its topmost layers, laid and found, pulled by the drops read on them. */
function seenWet(subject: StandingSurface, all: readonly StandingSurface[], record: DropsRecord): StandingSurface {
  const pulled = (wears: Wearing, drops: Drops): Wearing => {
    const { own, ends } = seenOn(wears, drops, all, record);
    const byWater = observedLife(wears.life, own, ends);
    return byWater ? { ...wearing(wears.endMin, byWater), byWater } : wears;
  };
  const { layers, found } = subject;
  return {
    ...subject,
    layers: layers.map((layer, nth) =>
      nth === layers.length - 1 ? { ...layer, ...pulled(layer, dropsOnLaid(subject, record)) } : layer,
    ),
    found: found.map((layer, nth) =>
      layer.wears && nth === found.length - 1
        ? { ...layer, wears: pulled(layer.wears, dropsOnFound(subject, record)) }
        : layer,
    ),
  };
}

/** What drops said of a product on one panel. */
export interface LastedOn {
  /** As its sheet calls it. */
  readonly product: string;
  readonly likely: LifeLikelihood;
  /** What was left of it, by its age then. */
  readonly seen: readonly { readonly ageMonths: number; readonly left: number }[];
}

/** What all drops of a job's item said of each product they were read on, panel by panel. */
export function lastedOn(standing: readonly StandingSurface[], record: DropsRecord): LastedOn[] {
  return standing.flatMap((subject) => {
    const [laid, found] = [subject.layers.at(-1), subject.found.at(-1)];
    const tops = [
      ...(laid ? [{ product: laid.product.name, wears: laid as Wearing, drops: dropsOnLaid(subject, record) }] : []),
      ...(found?.wears && found.name !== undefined
        ? [{ product: found.name, wears: found.wears, drops: dropsOnFound(subject, record) }]
        : []),
    ];
    return tops.flatMap(({ product, wears, drops }) => {
      const { own, ends } = seenOn(wears, drops, standing, record);
      const likely = lifeLikelihood(wears.byWater?.expectedMonths ?? wears.life.months, own, ends);
      return likely ? [{ product, likely, seen: own.map((drop) => leftBy(drop, ends)) }] : [];
    });
  });
}

const leftBy = (
  { ageMonths, deg }: { readonly ageMonths: number; readonly deg: number },
  { freshDeg, bareDeg }: WaterEnds,
) => ({ ageMonths, left: Math.min(1, Math.max(0, (deg - bareDeg) / Math.max(1, freshDeg - bareDeg))) });

type DropsRecord = Pick<RunRecord, 'beads' | 'stages'>;

/** A drop says so much less than was expected that dirt may well be why: share left. */
const DULL_BY = 0.15;

/**
 * What a drop on a layer that came in with the dirt of the road says: of its life, or nothing yet. Unwashed it says
 * nothing; washed, a good one speaks for the layer, while a dull one may be tar and iron, and speaks once they are off.
 */
export function dropSays(
  { stages }: DropsRecord,
  top: Wearing,
  { atMin, deg }: { readonly atMin: number; readonly deg: number },
): 'life' | 'unwashed' | 'contaminated' {
  const isOver = (kinds: readonly string[]) =>
    [...stages.values()].some(
      ({ stage, endMin }) => kinds.includes(stage.kind) && endMin !== undefined && endMin <= atMin,
    );
  if (!isOver(WASHING)) return 'unwashed';
  if (isOver(DECONTAMINATING)) return 'life';
  const { freshDeg, bareDeg } = USUAL_WATER;
  const isDull = (deg - bareDeg) / (freshDeg - bareDeg) < conditionAt(top, atMin) - DULL_BY;
  return isDull ? 'contaminated' : 'life';
}
/** Read so soon a drop says what the layer is like new, months. */
const FRESH_MONTHS = 1;

function laidSurfaces(job: PlanInput, record: RunRecord, exposure: Exposure): StandingSurface[] {
  const measured = withMeasuredAir(job, record);
  const coats = coatRecords(job, record);
  const products = new Map(job.products.map((product) => [product.id, product]));
  return job.surfaces.map((surface) => ({
    surface,
    found: foundOn(surface, exposure),
    layers: surface.layers.flatMap(({ product: id, coats: planned }, layer): StandingLayer[] => {
      const laid = Array.from({ length: planned }, (_, index) =>
        coats.get(coatKey({ surface: surface.id, layer, coat: index + 1 })),
      ).filter((coat) => coat !== undefined && coat.doneShare > 0);
      const last = laid.at(-1);
      const product = products.get(id);
      if (!last || !product) return [];
      const endMin = last.endMin ?? last.startMin;
      const { ambient, matteSchool } = measured;
      const milestones = coatMilestones(
        { product, substrate: surface.substrate, ambient, matteSchool },
        last.startMin,
        endMin,
      );
      const doneShare = Math.min(...laid.map((coat) => coat!.doneShare));
      return [
        standing({ product, coats: laid.length, doneShare, laidMin: last.startMin, endMin, milestones }, exposure, job),
      ];
    }),
  }));
}

type Laid = Pick<StandingLayer, 'product' | 'coats' | 'doneShare' | 'laidMin' | 'endMin' | 'milestones'>;

function standing(laid: Laid, exposure: Exposure, rules: CareRules): StandingLayer {
  const { product, endMin } = laid;
  return {
    ...laid,
    ...wearing(endMin, expectedLife(product, exposure)),
    firstWash: firstWashOf(laid, rules),
    fullyHard: hardOf(laid, rules),
  };
}

/** Condition left of a layer at a moment, 1 to 0. */
export function conditionAt(layer: Wearing, atMin: number): number {
  return conditionLeft((atMin - layer.endMin) / MINUTES_PER_MONTH, layer.life.months);
}

/** When a layer is really hard and comes off by chemistry no longer, whatever its owner is told; null: never in this air. */
export const hardFromMin = (layer: Pick<StandingLayer, 'product' | 'milestones' | 'endMin'>): number | null =>
  hardOf(layer, {}).atMin;

/** Clear coat there is to work with on each surface, µm, told or estimated from readings; undefined: nobody knows. */
export function clearOnSurfaces(surfaces: readonly InputSurface[]): (number | undefined)[] {
  const judged = judgeReadings(surfaces);
  return surfaces.map((surface, index) => clearEstimateUm(surface, judged[index]));
}

/** What a removal may ask of the paint of a surface; of fresh paint the minutes it still breathes from the start of the job. */
export type RemovalPaint = Omit<PaintToSpare, 'substrate' | 'existing'>;

/** How everything on a surface comes off at a moment: what was laid, and what was found beneath it. */
export function removalFrom(subject: StandingSurface, paint: RemovalPaint, atMin: number): Removal {
  const { surface, found, layers } = subject;
  const laid = layers.map((layer): AgedLayer => {
    const hardAt = hardFromMin(layer);
    return {
      name: layer.product.name,
      family: layer.product.family,
      comesOffBy: layer.product.comesOffBy,
      ageMonths: Math.max(0, (atMin - layer.endMin) / MINUTES_PER_MONTH),
      hard: hardAt !== null && atMin >= hardAt,
      lifeMonths: layer.life.months,
      aging: agingOf(layer.product, layer.life),
    };
  });
  const { breathesForMin } = paint;
  return planRemoval({
    ...paint,
    ...(breathesForMin !== undefined && { breathesForMin: breathesForMin - atMin }),
    slow: slowness(surface, surfaceAreaM2(surface)),
    substrate: surface.substrate,
    areaM2: surfaceAreaM2(surface) * surface.count,
    layers: [...found.map((layer) => agedFound(layer, atMin)), ...laid],
  });
}
