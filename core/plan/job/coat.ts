import {
  KEEP_WET_SHARE_OF_CUE,
  type MatteSchool,
  milestoneFactor,
  substrateFactors,
  type SubstrateId,
  SUBSTRATES,
} from '#core/item/substrates';
import type { Product } from '#core/products/sheets';
import { airAt, type AmbientSeries } from '#core/time/air';
import {
  CLOCK_NAMES,
  type ClockName,
  clockRate,
  clockRunMin,
  countsFrom,
  guardedWindow,
  LEVELLING_MILESTONES,
  type LevelWindow,
  type Milestone,
  type MilestoneName,
  reachedAtMin,
  windowVerdict,
  type WindowVerdict,
} from '#core/time/clocks';

/** Where and in what air one coat of a product is laid. Minutes on the scale of the ambient series. */
export interface CoatCase {
  readonly product: Product;
  readonly substrate: SubstrateId;
  readonly surfaceC?: number | undefined;
  readonly ambient: AmbientSeries;
  readonly matteSchool: MatteSchool;
}

/** How a coat behaves from the moment its laying starts; minutes after that moment. */
export interface CoatWindow {
  /** Relative speed of each of its clocks at the start. */
  readonly rates: Readonly<Partial<Record<ClockName, number>>>;
  /** Null: not reached in this air. Absent from the sheet: undefined. */
  readonly cueMin: number | null | undefined;
  readonly levelFromMin: number | null;
  readonly levelByMin: number | null;
  readonly verdict: WindowVerdict;
  /** Window one can trust; undefined where there is none. */
  readonly guarded: LevelWindow | undefined;
}

/** The sheet's milestones with this substrate's and school's factors and what was learned put in. */
function effectiveMilestone(coat: CoatCase, name: MilestoneName): Milestone | undefined {
  const { product, substrate, matteSchool } = coat;
  if (name === 'levelBy' && matteSchool === 'keep-wet' && SUBSTRATES[substrate].matte) {
    const cue = effectiveMilestone(coat, 'cue');
    if (cue) return { ...cue, name, min: cue.min * KEEP_WET_SHARE_OF_CUE };
  }
  const onSheet = product.milestones.find((milestone) => milestone.name === name);
  if (!onSheet) return undefined;
  const factors = substrateFactors(substrate, product.substrates[substrate]);
  const learned = onSheet.clock === 'flash' ? product.flashFactor : 1;
  return { ...onSheet, min: onSheet.min * milestoneFactor(factors, name) * learned };
}

/**
 * When a milestone of a coat is reached, on the ambient's scale; null if never, undefined if it is not on the
 * sheet. What is watched while levelling follows the surface where it was measured; curing follows the air.
 */
function milestoneAt(coat: CoatCase, name: MilestoneName, fromMin: number): number | null | undefined {
  const milestone = effectiveMilestone(coat, name);
  const clock = milestone && coat.product.clocks[milestone.clock];
  if (!milestone || !clock) return undefined;
  const surfaceC = LEVELLING_MILESTONES.includes(name) ? coat.surfaceC : undefined;
  return reachedAtMin(clock, milestone.min, coat.ambient, fromMin, surfaceC);
}

/** When a coat whose laying starts at `startMin` may be levelled, and the part of that one can trust. */
export function levelling(
  coat: CoatCase,
  startMin: number,
  guardSigmas: number,
): Pick<CoatWindow, 'levelFromMin' | 'levelByMin' | 'verdict' | 'guarded'> {
  const after = (moment: number | null) => (moment === null ? null : moment - startMin);
  const from = milestoneAt(coat, 'levelFrom', startMin);
  const levelFromMin = from === undefined ? 0 : after(from);
  const levelByMin = after(milestoneAt(coat, 'levelBy', startMin) ?? null);
  return {
    levelFromMin,
    levelByMin,
    verdict: windowVerdict(levelFromMin, levelByMin),
    guarded:
      levelFromMin === null
        ? undefined
        : guardedWindow({ fromMin: levelFromMin, byMin: levelByMin }, coat.product.flashSigma, guardSigmas),
  };
}

/** The window of a coat whose laying starts at `startMin`. A sheet without `levelFrom` opens it at once; without `levelBy` it never closes. */
export function coatWindow(coat: CoatCase, startMin: number, guardSigmas: number): CoatWindow {
  const cue = milestoneAt(coat, 'cue', startMin);
  const air = airAt(coat.ambient, startMin);
  const rates: Partial<Record<ClockName, number>> = {};
  for (const name of CLOCK_NAMES) {
    const clock = coat.product.clocks[name];
    if (clock) rates[name] = clockRate(clock, air, coat.surfaceC ?? air.airC);
  }
  return {
    rates,
    cueMin: cue === undefined || cue === null ? cue : cue - startMin,
    ...levelling(coat, startMin, guardSigmas),
  };
}

/**
 * How long the flash really took against what was predicted, in the clock's own time, so that it stays right
 * when the air changes. Undefined where the cue is not on the flash clock, or is at once.
 */
export function cueRatio(coat: CoatCase, startMin: number, seenMin: number): number | undefined {
  const cue = effectiveMilestone(coat, 'cue') ?? effectiveMilestone(coat, 'levelFrom');
  const clock = cue && coat.product.clocks[cue.clock];
  if (!cue || !clock || cue.clock !== 'flash' || cue.min <= 0 || seenMin <= startMin) return undefined;
  const ran = clockRunMin(clock, coat.ambient, startMin, seenMin, coat.surfaceC);
  return ran > 0 ? ran / cue.min : undefined;
}

/** Moments of a coat on the ambient's scale; null: never in this air. Only what its sheet names. */
export type CoatMilestones = Readonly<Partial<Record<MilestoneName, number | null>>>;

/** When a coat may be handed over, else get wet, by its sheet; null: never in this air; undefined where it says neither. */
export const readyBySheet = ({ handover, waterSafe }: CoatMilestones): number | null | undefined =>
  handover === undefined ? waterSafe : handover;

interface Laid {
  readonly milestones: CoatMilestones;
  readonly endMin: number;
}

/** When a coat that is laid may get wet; one whose sheet does not say, once it is laid. */
export const waterSafeOf = ({ milestones: { waterSafe }, endMin }: Laid): number | null =>
  waterSafe === undefined ? endMin : waterSafe;

/** When a coat that is laid may be handed over; one whose sheet says nothing, once it is laid. */
export const handoverOf = ({ milestones, endMin }: Laid): number | null => {
  const ready = readyBySheet(milestones);
  return ready === undefined ? endMin : ready;
};

/**
 * All that follows a coat: what must happen in time counts from the oldest patch, what must wait from the
 * youngest.
 */
export function coatMilestones(coat: CoatCase, startMin: number, endMin: number): CoatMilestones {
  const moments: Partial<Record<MilestoneName, number | null>> = {};
  for (const { name } of coat.product.milestones) {
    if (name === 'levelFrom' || name === 'levelBy') continue;
    const moment = milestoneAt(coat, name, countsFrom(name) === 'oldest' ? startMin : endMin);
    if (moment !== undefined) moments[name] = moment;
  }
  return moments;
}
