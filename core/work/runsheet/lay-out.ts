import { answerOf } from '#core/products/layering';
import type { Product } from '#core/products/sheets';
import { countsFrom, latestMoment, type MilestoneName } from '#core/time/clocks';
import { peopleOf, type Person } from '#core/work/crew';
import {
  amountOnCopy,
  coatKey,
  type CoatMilestones,
  type CoatPlan,
  coatWindow,
  handoverOf,
  type LaidCoat,
  type Plan,
  type PlannedJob,
  paceWith,
  planned,
  surfaceAreaM2,
  type SurfacePlan,
  waterSafeOf,
} from '#core/work/plan';
import { maxSectionM2, sectionTiming, slowness } from '#core/work/sections';
import { coatsOf, type SurfaceCoat, told, type ToldCoat } from './coats';
import { type Action, type CopyCoat, FROM_THE_START, type RefusalCode, type SheetFrom } from './dispatch';
import { byCoat, type OfCoat } from './of-coat';
import { sheetFindings } from './findings';
import { type HeldMoves, coatName, heldMoves } from './moves';
import { shortest } from './search';

export interface SheetAction extends Omit<Action, 'coat'> {
  readonly coat: ToldCoat;
  /** Units of the product, of a laying. */
  readonly amount?: number;
}

export interface RefusedCoat {
  readonly coat: ToldCoat;
  readonly code: RefusalCode;
}

/** A whole job laid out action by action. Minutes on the scale of the job. */
export interface LaidOut {
  readonly people: readonly Person[];
  /** By the moment they begin. */
  readonly actions: readonly SheetAction[];
  /** Minutes of laying and levelling, by place in the crew. */
  readonly busyMin: readonly number[];
  readonly endMin: number;
  /** Minutes from where the sheet begins that nobody could beat. */
  readonly boundMin: number;
  readonly refused: readonly RefusedCoat[];
  /** What nobody's hours leave room for. */
  readonly unlaid: readonly ToldCoat[];
  /** What was moved by hand and does not hold. */
  readonly lostMoves: HeldMoves['lost'];
  /** The same job as a plan: coats with the times of this sheet, what is bought, when it is ready, what is found. */
  readonly plan: Plan;
}

/**
 * Lays out a job with the people there are: working ahead, nothing wet left over a break, coats in their order.
 * @param from where to take up a job that has begun
 * @throws RangeError for a layer whose product is not among the job's products
 */
export function layOut(job: PlannedJob, from: SheetFrom = FROM_THE_START): LaidOut {
  const people = peopleOf(job.crew);
  const asListed = coatsOf(job);
  const { held, lost } = heldMoves(
    asListed,
    job.moves ?? [],
    people.map(({ id }) => id),
  );
  const coats = held.size === 0 ? asListed : asListed.map((own) => own.map((coat) => withMove(coat, held)));
  const { sheet, boundMin } = shortest(coats, people, from, job.crew.ahead);
  const known = new Map(coats.flat().map((coat) => [coat, told(coat)]));
  const actions = sheet.actions
    .map((action): SheetAction => ({
      ...action,
      coat: known.get(action.coat)!,
      ...(action.does === 'lay' && { amount: amountOf(action) }),
    }))
    .sort((a, b) => a.startMin - b.startMin || a.who - b.who || a.endMin - b.endMin);
  const ofCoat = byCoat(coats, sheet);
  const surfaces = job.surfaces.map((surface, at): SurfacePlan => {
    const oneM2 = surfaceAreaM2(surface);
    return {
      id: surface.id,
      areaM2: oneM2 * surface.count,
      oneM2,
      coats: coats[at]!.map((coat) => coatPlan(job, coat, ofCoat.get(coat)!)),
    };
  });
  const whole = sheet.unlaid.length === 0;
  const refused = onceACoat(sheet.refused).map(({ coat, code }) => ({ coat: known.get(coat)!, code }));
  const unlaid = onceACoat(sheet.unlaid).map(({ coat }) => known.get(coat)!);
  return {
    people,
    actions,
    busyMin: people.map((_, who) =>
      actions.reduce((sum, action) => sum + (action.who === who ? action.endMin - action.startMin : 0), 0),
    ),
    endMin: sheet.endMin,
    boundMin,
    refused,
    unlaid,
    lostMoves: lost,
    plan: planned(job, surfaces, {
      waterSafeMin: whole ? latestMoment(sheet.laid.map(waterSafeOf)) : null,
      handoverMin: whole ? latestMoment(sheet.laid.map(handoverOf)) : null,
      findings: sheetFindings(job, coats, ofCoat, people),
    }),
  };
}

const withMove = (coat: SurfaceCoat, held: HeldMoves['held']): SurfaceCoat => {
  const moved = held.get(coatKey(coatName(coat)));
  return moved ? { ...coat, moved } : coat;
};

/** One entry for all copies of a coat. */
function onceACoat<T extends { readonly coat: SurfaceCoat }>(entries: readonly T[]): T[] {
  const byCoat = new Map<SurfaceCoat, T>();
  for (const entry of entries) if (!byCoat.has(entry.coat)) byCoat.set(entry.coat, entry);
  return [...byCoat.values()].sort((a, b) => a.coat.at - b.coat.at || a.coat.round - b.coat.round);
}

/** What one section takes, units of the product. */
const amountOf = ({ coat, sections }: Action) => amountOnCopy(coat.surface, coat, sections) / sections;

function coatPlan(job: PlannedJob, coat: SurfaceCoat, { laid: copies, refused }: OfCoat): CoatPlan {
  const { surface, product, layer, method, rulings } = coat;
  const byTime = [
    ...copies.flatMap((copy) => copy.byTime),
    ...refused.flatMap((copy) => (copy.code === 'recoat-window' ? copy.rulings : [])),
  ];
  const name = { product: product.id, layer, coat: coat.coat, method, substrate: surface.substrate };
  const all = [...rulings, ...byTime.slice(0, 1)];
  if (copies.length === 0) return { ...name, answer: coat.refused ? 'no' : answerOf(all), rulings: all };
  return { ...name, answer: answerOf(rulings), rulings: all, laid: laidCoat(job, coat, copies) };
}

/** All copies of a coat as one. */
function laidCoat(job: PlannedJob, coat: SurfaceCoat, copies: readonly CopyCoat[]): LaidCoat {
  const { product, method, coatCase, oneM2 } = coat;
  const startMin = Math.min(...copies.map((copy) => copy.startMin));
  const endMin = Math.max(...copies.map((copy) => copy.endMin));
  const sectionsPerCopy = Math.max(...copies.map(({ sections }) => sections));
  const window = coatWindow(coatCase, startMin, job.crew.guardSigma);
  const pace = paceWith(job.crew, product, method, slowness(coat.surface, oneM2, product));
  const guarded = window.guarded ?? { fromMin: 0, byMin: null };
  const sectionM2 = oneM2 / sectionsPerCopy;
  return {
    window,
    maxSectionM2: maxSectionM2(guarded, pace, job.crew.mode),
    sectionsPerCopy,
    sectionM2,
    timing: sectionTiming(sectionM2, guarded, pace, job.crew.mode),
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
