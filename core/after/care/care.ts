import {
  conditionLeft,
  expectedLife,
  type Exposure,
  type LifeEstimate,
  observedLife,
  type ObservedLife,
  USUAL_WATER,
  type WaterEnds,
} from '#core/after/life';
import { type AgedLayer, foundLayer, planRemoval, type Removal } from '#core/after/removal';
import { clearEstimateUm, judgeReadings } from '#core/item/paint';
import { MINUTES_PER_DAY, MINUTES_PER_MONTH } from '#core/measures';
import { FAMILIES, type FoundId } from '#core/products/families';
import type { Product } from '#core/products/sheets';
import {
  coatKey,
  coatMilestones,
  type CoatMilestones,
  type PlannedJob,
  type PlannedSurface,
  readyBySheet,
  surfaceAreaM2,
} from '#core/work/plan';
import { slowness } from '#core/work/sections';
import { coatRecords, type RunRecord, withMeasuredAir } from '#core/work/run';

/** Average month, minutes. */

/** A layer that really lies on a surface, all its coats together. Minutes on the scale of the job. */
export interface StandingLayer {
  readonly product: Product;
  readonly coats: number;
  /** Share of the surface's sections levelled, 0 to 1; below 1 some of the panel is bare of it. */
  readonly doneShare: number;
  readonly laidMin: number;
  readonly endMin: number;
  /** Of the last coat. Null: not in this air. */
  readonly milestones: CoatMilestones;
  /** First careful wash, and whether the sheet says so or the family's habit. */
  readonly firstWashMin: number | null;
  readonly firstWashBy: 'sheet' | 'family';
  readonly life: LifeEstimate;
  /** The same pulled by what water did on it since; absent: no drop says anything. */
  readonly byWater?: ObservedLife;
  /** When it wants renewing: expected, and the ends of the range. */
  readonly renewMin: number;
  readonly renewRangeMin: readonly [number, number];
}

export interface StandingSurface {
  readonly surface: PlannedSurface;
  /** Found on it at the walk-round, bottom first: of unknown age. */
  readonly found: readonly FoundId[];
  /** Bottom first. */
  readonly layers: readonly StandingLayer[];
}

/** What is on every surface of a job, from what was really laid and in the air it was laid in. */
export function standingSurfaces(job: PlannedJob, record: RunRecord, exposure: Exposure): StandingSurface[] {
  return laidSurfaces(job, record, exposure).map((subject, _, all) => seenWet(subject, all, record.beads));
}

/** Drops read on the topmost layer of a panel since it was laid, and what new and bare stand at on this item. */
function dropsOn({ surface, layers }: StandingSurface, all: readonly StandingSurface[], beads: RunRecord['beads']) {
  const top = layers.at(-1);
  if (!top) return undefined;
  const months = (atMin: number) => (atMin - top.endMin) / MINUTES_PER_MONTH;
  const own = beads
    .filter((bead) => bead.surface === surface.id && bead.atMin >= top.endMin)
    .map(({ atMin, deg, sigmaDeg }) => ({ ageMonths: months(atMin), deg, sigmaDeg }));
  const isBare = (id: string) => all.some((each) => each.surface.id === id && each.layers.length === 0);
  const ends: WaterEnds = {
    freshDeg: own.find(({ ageMonths }) => ageMonths < FRESH_MONTHS)?.deg ?? USUAL_WATER.freshDeg,
    bareDeg: beads.findLast((bead) => isBare(bead.surface))?.deg ?? USUAL_WATER.bareDeg,
  };
  return { top, own, ends };
}

/** What each drop on a panel said was left of its topmost layer, 0 to 1, by its age then. */
export function waterSeen(
  standing: readonly StandingSurface[],
  beads: RunRecord['beads'],
  surface: string,
): { readonly ageMonths: number; readonly left: number }[] {
  const subject = standing.find((each) => each.surface.id === surface);
  const drops = subject && dropsOn(subject, standing, beads);
  if (!drops) return [];
  const { freshDeg, bareDeg } = drops.ends;
  return drops.own.map(({ ageMonths, deg }) => ({
    ageMonths,
    left: Math.min(1, Math.max(0, (deg - bareDeg) / Math.max(1, freshDeg - bareDeg))),
  }));
}

/** A panel with the life of its topmost layer pulled by the drops read on it. */
function seenWet(
  subject: StandingSurface,
  all: readonly StandingSurface[],
  beads: RunRecord['beads'],
): StandingSurface {
  const drops = dropsOn(subject, all, beads);
  const byWater = drops && observedLife(drops.top.life, drops.own, drops.ends);
  if (!byWater) return subject;
  const { top } = drops;
  const after = (age: number) => top.endMin + age * MINUTES_PER_MONTH;
  const pulled: StandingLayer = {
    ...top,
    life: byWater,
    byWater,
    renewMin: after(byWater.months),
    renewRangeMin: [after(byWater.lowMonths), after(byWater.highMonths)],
  };
  return { ...subject, layers: [...subject.layers.slice(0, -1), pulled] };
}
/** Read so soon a drop says what the layer is like new, months. */
const FRESH_MONTHS = 1;

function laidSurfaces(job: PlannedJob, record: RunRecord, exposure: Exposure): StandingSurface[] {
  const measured = withMeasuredAir(job, record);
  const coats = coatRecords(job, record);
  const products = new Map(job.products.map((product) => [product.id, product]));
  return job.surfaces.map((surface) => ({
    surface,
    found: surface.existing,
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
        standing(
          { product, coats: laid.length, doneShare, laidMin: last.startMin, endMin, milestones },
          exposure,
          job.firstWashDays,
        ),
      ];
    }),
  }));
}

type Laid = Pick<StandingLayer, 'product' | 'coats' | 'doneShare' | 'laidMin' | 'endMin' | 'milestones'>;

function standing(laid: Laid, exposure: Exposure, schoolDays: number | undefined): StandingLayer {
  const { product, endMin, milestones } = laid;
  const life = expectedLife(product, exposure);
  const after = (months: number) => endMin + months * MINUTES_PER_MONTH;
  return {
    ...laid,
    firstWashMin: firstWashAfter(product, milestones, endMin, schoolDays),
    firstWashBy: milestones.washOk === undefined ? 'family' : 'sheet',
    life,
    renewMin: after(life.months),
    renewRangeMin: [after(life.lowMonths), after(life.highMonths)],
  };
}

/**
 * When a coat may first be washed with care: as its sheet says, else the family's usual days after it may be
 * handed over, and not before the workshop's own; null where it never cures in this air.
 * @param schoolDays days of the workshop's school, where it has one
 */
export function firstWashAfter(
  product: Product,
  milestones: CoatMilestones,
  endMin: number,
  schoolDays?: number,
): number | null {
  if (milestones.washOk === null) return null;
  const ready = readyBySheet(milestones);
  if (ready === null) return null;
  const after = (days: number) => (ready ?? endMin) + days * MINUTES_PER_DAY;
  if (milestones.washOk === undefined) return after(schoolDays ?? FAMILIES[product.family].firstWashDays);
  return schoolDays === undefined ? milestones.washOk : Math.max(milestones.washOk, after(schoolDays));
}

/** Condition left of a layer at a moment, 1 to 0. */
export function conditionAt(layer: StandingLayer, atMin: number): number {
  return conditionLeft((atMin - layer.endMin) / MINUTES_PER_MONTH, layer.life.months);
}

/** Reference hardening where a sheet names no `fullCure`, days. Engineering default: weeks, not hours. */
const USUAL_FULL_CURE_DAYS = 14;

/** When a layer is hard and comes off by chemistry no longer; null: never in this air. */
export function hardFromMin({ milestones, endMin }: Pick<StandingLayer, 'milestones' | 'endMin'>): number | null {
  const { fullCure } = milestones;
  return fullCure === undefined ? endMin + USUAL_FULL_CURE_DAYS * MINUTES_PER_DAY : fullCure;
}

/** Clear coat there is to work with on each surface, µm, told or estimated from readings; undefined: nobody knows. */
export function clearOnSurfaces(surfaces: readonly PlannedSurface[]): (number | undefined)[] {
  const judged = judgeReadings(surfaces);
  return surfaces.map((surface, index) => clearEstimateUm(surface, judged[index]!));
}

/** How everything on a surface comes off at a moment: what was laid, and what was found beneath it. */
export function removalFrom(subject: StandingSurface, clearUm: number | undefined, atMin: number): Removal {
  const { surface, found, layers } = subject;
  const foundLayers = found.map((family, nth) => {
    const laidAtMin = surface.existingAtMin?.[nth];
    const known = laidAtMin !== undefined && laidAtMin !== null;
    return foundLayer(family, known ? Math.max(0, (atMin - laidAtMin) / MINUTES_PER_MONTH) : undefined);
  });
  const laid = layers.map((layer): AgedLayer => {
    const hardAt = hardFromMin(layer);
    return {
      name: layer.product.name,
      family: layer.product.family,
      comesOffBy: layer.product.comesOffBy,
      ageMonths: Math.max(0, (atMin - layer.endMin) / MINUTES_PER_MONTH),
      hard: hardAt !== null && atMin >= hardAt,
      lifeMonths: layer.life.months,
    };
  });
  return planRemoval({
    slow: slowness(surface, surfaceAreaM2(surface)),
    substrate: surface.substrate,
    areaM2: surfaceAreaM2(surface) * surface.count,
    layers: [...foundLayers, ...laid],
    clearUm,
    refinished: surface.paint === 'refinished',
  });
}
