import { agedFound, foundOn, type RemovalPaint } from '#core/care/upkeep';
import { planRemoval } from '#core/prepare/removal';
import { perimeterMm, shapeOutline } from '#core/item/geometry';
import { lowHalf } from '#core/item/nets';
import { clearEstimateUm, gaugeReads, judgeReadings, type PanelPaint } from '#core/survey/paint';
import { MINUTES_PER_DAY } from '#core/measures';
import { seenSubstrate } from '#core/layers/rules';
import { USUAL_BREATHING_DAYS } from '#core/products/sheets';
import type { Kit } from '#core/prepare/kit';
import { type PlanInput, surfaceAreaM2 } from '#core/plan/job';
import { slowness } from '#core/plan/sections';
import {
  climbLadder,
  measuredPair,
  FULL_SITE,
  isDone,
  isThrough,
  type MeasuredPair,
  type PanelCase,
  type PanelPreparation,
  prepareItem,
  type Preparation,
  type PrepareSettings,
  removalsToComeUm,
  shareKey,
  USUAL_GOAL_PCT,
  USUAL_SCHOOLS,
} from '#core/prepare/stages';
import type { RunRecord } from '#core/lay/run';
import { isPolishing } from '#core/prepare/steps';
import { type Job, type Surface, surfaceName } from '#formats/job';
import { type LearnedPreparation, NOTHING_LEARNED } from '#formats/log';
import { minutesToDay } from '#formats/values';
import {
  comesOff,
  foundTold,
  isAircraft,
  lyingOnSheet,
  staying,
  staysOn,
  type ToldLayer,
  toldInMinutes,
  withTakenOff,
} from '#job/plan';
import { overlaid } from '#job/terms';

/** The pair each panel's test spots of a job ended with, by the ladder. */
export function pairsFound({ prepare, surfaces }: Pick<Job, 'prepare' | 'surfaces'>) {
  const tests = prepare?.tests ?? [];
  return surfaces.flatMap((surface) => {
    const own = tests.filter((test) => test.surface === surface.id);
    const { found } = climbLadder(own, USUAL_GOAL_PCT);
    return found
      ? [{ surface: surfaceName(surface), pair: found, gonePct: own.find(({ pair }) => pair === found)!.gonePct }]
      : [];
  });
}

/** What the test spots of each panel decided, by panel. */
function spotsDecided({ prepare, surfaces }: Pick<Job, 'prepare' | 'surfaces'>): Map<string, MeasuredPair> {
  return new Map(
    surfaces.flatMap(({ id }) => {
      const own = (prepare?.tests ?? []).filter((test) => test.surface === id);
      const spot = measuredPair(own, id, USUAL_GOAL_PCT);
      return spot ? [[id, spot] as const] : [];
    }),
  );
}

/** Panels with the same paint: what a test spot decides on one holds for all of them. */
const paintKey = ({ substrate, paint, hardness }: Pick<Surface, 'substrate' | 'paint' | 'hardness'>): string =>
  [substrate, paint, hardness?.grade].join(' ');

/** A total that says nothing of the clear: refinished, filled, or nothing a gauge can read. Gelcoat is thick and known. */
const isUnreadable = (surface: Surface, { verdict, twofold }: Pick<PanelPaint, 'verdict' | 'twofold'>): boolean =>
  surface.substrate !== 'gelcoat' &&
  (twofold === true ||
    surface.paint === 'refinished' ||
    verdict === 'refinished' ||
    verdict === 'filler' ||
    !gaugeReads(surface));

/** Fresh paint is soft for solvent and sandpaper as long as it is closed to everything that has no days of its own. */
const breathesFor = ({ startAt }: Pick<Job, 'startAt'>, { refinishedOn }: Pick<Surface, 'refinishedOn'>) =>
  refinishedOn === undefined ? undefined : USUAL_BREATHING_DAYS * MINUTES_PER_DAY + minutesToDay(startAt, refinishedOn);

/** What taking something off a surface may ask of its paint, as it is before the job. */
const paintToSpare = (job: Pick<Job, 'prepare' | 'startAt'>, surface: Surface, judged: PanelPaint): RemovalPaint => ({
  paint: surface.paint,
  clearUm: clearEstimateUm(surface, judged),
  reserveUm: job.prepare?.reserveUm,
  unreadable: isUnreadable(surface, judged),
  marks: surface.marks,
  body: surface.body,
  breathesForMin: breathesFor(job, surface),
});

/**
 * What taking off may ask of the paint of each surface once the job has taken its share of it.
 * @param taken see {@link clearTakenUm}
 */
export function paintForRemoval(job: Job, taken: ReadonlyMap<string, number>): RemovalPaint[] {
  const judged = judgeReadings(job.surfaces);
  return job.surfaces.map((surface, nth): RemovalPaint => {
    const paint = paintToSpare(job, surface, judged[nth]!);
    const { clearUm } = paint;
    return { ...paint, ...(clearUm !== undefined && { clearUm: Math.max(0, clearUm - (taken.get(surface.id) ?? 0)) }) };
  });
}

/** Years an item is planned for where nobody says. */
export const USUAL_YEARS = 6;

/** How what is found on a surface comes off when the job starts, where it is decided that it does. */
function stripped(job: Job, surface: Surface, areaM2: number, paint: RemovalPaint): PanelCase['strips'] {
  const off = comesOff(job, surface);
  if (off.length === 0) return undefined;
  const found = foundOn(
    { existing: off.map(({ family }) => family), existingTold: off.map(({ told }) => toldInMinutes(job, told)) },
    job.owner ?? {},
  );
  return planRemoval({
    ...paint,
    slow: slowness(surface, areaM2 / surface.count),
    substrate: surface.substrate,
    existing: staysOn(job, surface),
    areaM2,
    layers: found.map((layer) => agedFound(layer, 0)),
  });
}

/** Minutes that taking off what is found on some surfaces is expected to take, whether it is decided yet or not. */
export function strippingMin(job: Job, surfaces: readonly string[], takes: 'all' | 'top' = 'all'): number {
  const decided: Job = { ...job, prepare: withTakenOff(job.prepare, surfaces, takes) };
  return panelCases(decided)
    .filter(({ id }) => surfaces.includes(id))
    .reduce((sum, { strips }) => sum + (strips?.expectedMin ?? 0), 0);
}

/** A job's surfaces as preparation sees them: condition, paint, and the protection to come. */
export function panelCases(job: Job): PanelCase[] {
  const judged = judgeReadings(job.surfaces);
  const aircraft = isAircraft(job);
  const low = lowHalf(job.surfaces.flatMap(lyingOnSheet));
  const spots = spotsDecided(job);
  const likeSpots = new Map(
    job.surfaces.flatMap((surface) => {
      const spot = spots.get(surface.id);
      return spot ? [[paintKey(surface), spot] as const] : [];
    }),
  );
  const products = new Map(job.products.map((product) => [product.id, product]));
  const scope = new Map(job.prepare?.scope?.map(({ surface, state, reason }) => [surface, { state, reason }]));
  return job.surfaces.map((surface, index): PanelCase => {
    const { id, count, curvature = 1, paint } = surface;
    // A film that stays is what is washed, polished or not, and taken from: the paint below it is out of reach.
    const substrate = seenSubstrate(surface.substrate, staysOn(job, surface), []);
    const layers = surface.layers.flatMap(({ product }) => products.get(product) ?? []);
    const areaM2 = surfaceAreaM2({ ...surface, curvature }) * count;
    const spare = paintToSpare(job, surface, judged[index]!);
    return {
      id,
      substrate,
      areaM2,
      edgeM: (perimeterMm(shapeOutline(surface.shape)) * count) / 1000,
      count,
      curvature,
      zone: surface.zone,
      low: low.has(id),
      aircraft,
      breathesForMin: spare.breathesForMin,
      marks: surface.marks ?? [],
      paint,
      clearUm: spare.clearUm,
      hardness: surface.hardness?.grade,
      touch: surface.touch,
      iron: surface.iron,
      water: surface.water,
      existing: staysOn(job, surface),
      strips: stripped(job, surface, areaM2, spare),
      toCome: layers.map(({ family }) => family),
      cameWith: job.prepare?.cameWith?.map(({ need }) => need),
      removalsUm: removalsToComeUm({
        substrate,
        layers: layers.map(({ name, family, ratedMonths, comesOffBy }) => ({ name, family, ratedMonths, comesOffBy })),
        yearsPlanned: job.prepare?.yearsPlanned ?? USUAL_YEARS,
      }),
      scope: scope.get(id),
      measured: spots.get(id) ?? likeSpots.get(paintKey(surface)),
      faultless: surface.faultless,
      unreadable: spare.unreadable,
      sand: job.prepare?.sand?.find((one) => one.surface === id)?.with,
      body: surface.body,
      piece: surface.piece,
      handling: surface.handling,
      tone: surface.colour?.tone,
    };
  });
}

/** A job's preparation by the usual figures. */
export const preparedItem = (job: Job): Preparation => prepareItem(panelCases(job), prepareSettings(job));

/** A job's panels as they are prepared, by the usual figures. */
export const preparedPanels = (job: Job): readonly PanelPreparation[] => preparedItem(job).panels;

/** The panels of a job with the steps they are really through with; what is planned, begun or left out is no step of theirs. */
export const donePanels = (
  job: Job,
  record: Pick<RunRecord, 'stages'>,
  prepared = preparedPanels(job),
): PanelPreparation[] =>
  prepared.map((panel) => ({
    ...panel,
    steps: panel.steps.filter((step) => isDone(step) && isThrough(record.stages, step, panel.id)),
  }));

/**
 * Clear a visit took from each surface, µm: measured where it was, else the upper end of every polishing or stripping step
 * the panel is through with. Surfaces that nothing was taken from are left out.
 */
export function clearTakenUm(job: Job, record: RunRecord, panels = donePanels(job, record)): Map<string, number> {
  const taken = new Map<string, number>();
  for (const { id, steps } of panels) {
    const most = steps
      .filter(({ kind }) => isPolishing(kind) || kind === 'strip-found')
      .reduce((sum, { clearUm }) => sum + clearUm[1], 0);
    const um = record.clearTakenUm.get(id) ?? most;
    if (um > 0) taken.set(id, um);
  }
  return taken;
}

/** Panels that are through with stripping. @param done see {@link donePanels} */
export const strippedPanels = (done: readonly Pick<PanelPreparation, 'id' | 'steps'>[]): ReadonlySet<string> =>
  new Set(done.filter(({ steps }) => steps.some(({ kind }) => kind === 'strip-found')).map(({ id }) => id));

/**
 * What was found on each surface and is still there, bottom first: a layer that is decided to come off stays until its
 * stripping is finished on that very panel.
 * @param stripped see {@link strippedPanels}
 */
export function foundStill(job: Job, stripped: ReadonlySet<string>): ReadonlyMap<string, readonly ToldLayer[]> {
  return new Map(
    job.surfaces.map((surface) => [
      surface.id,
      stripped.has(surface.id) ? staying(job, surface) : foundTold(job, surface),
    ]),
  );
}

/**
 * A job's input with what really lies on its surfaces, see {@link foundStill}: for what is there, not for what is planned.
 * The same input where nothing is decided to come off, or all of it has.
 */
export function withFoundStill(
  planned: PlanInput,
  job: Job,
  record: Pick<RunRecord, 'stages'>,
  prepared?: readonly PanelPreparation[],
): PlanInput {
  if (!job.surfaces.some((surface) => comesOff(job, surface).length > 0)) return planned;
  const still = foundStill(job, strippedPanels(donePanels(job, record, prepared)));
  return {
    ...planned,
    surfaces: planned.surfaces.map((surface) => {
      const found = still.get(surface.id) ?? [];
      return {
        ...surface,
        existing: found.map(({ family }) => family),
        existingTold: found.map(({ told }) => toldInMinutes(job, told)),
      };
    }),
  };
}

/** A job's settings of preparation, every one it leaves out as usual. */
export function prepareSettings(
  { prepare }: Pick<Job, 'prepare'>,
  { hours, uses, shares }: LearnedPreparation = NOTHING_LEARNED,
  kit?: Kit,
): PrepareSettings {
  return {
    learned: Object.fromEntries(Object.entries(hours).map(([kind, { factor }]) => [kind, factor])),
    learnedUse: new Map(uses.map(({ what, factor }) => [what, factor])),
    sharesSeen: new Map(shares.map((seen) => [shareKey(seen.level, seen.kind, seen.severity), seen])),
    level: prepare?.level ?? 'one-step',
    schools: overlaid(USUAL_SCHOOLS, prepare?.schools),
    site: overlaid(FULL_SITE, prepare?.site),
    move: prepare?.move && { from: prepare.move.from, site: overlaid(FULL_SITE, prepare.move.site) },
    forCare: prepare?.forCare,
    salted: prepare?.salted,
    overnight: prepare?.overnight,
    leftOut: new Set(prepare?.leftOut ?? []),
    reserveUm: prepare?.reserveUm,
    kit,
  };
}
