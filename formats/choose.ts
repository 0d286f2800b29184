import { z } from 'zod';
import {
  bayAir,
  cheapestAlone,
  type Choice,
  type ChoiceSurface,
  comparedInWords,
  frontier,
  type FrontierPoint,
  honestWords,
  optionsFor,
  readyAfterMin,
  type Solve,
  USUAL_WISHES,
  whyNot,
  type Wishes,
} from '#core/choose';
import { twinOf } from '#core/condition';
import { surfaceAreaM2 } from '#core/plan';
import { SUBSTRATE_IDS, SUBSTRATES } from '#core/substrates';
import { type Job, jobSchema, type Surface } from './job';
import { jobSenseFaults } from './job-sense';
import { minutesToDay } from './moments';
import { isAircraft, plannedJob } from './planned-job';
import { read } from './read';
import { id, object } from './values';
import { wishesSchema } from './wishes';

export const CHOOSE_FORMAT = 'glaphyra.choose/1';
export const CHOICE_FORMAT = 'glaphyra.choice/1';

/** A job and the wishes, as the command takes them; layers that are in the job are given by hand. */
export const chooseFileSchema = object({
  format: z.literal(CHOOSE_FORMAT, { error: `expected "${CHOOSE_FORMAT}"` }),
  job: jobSchema,
  wishes: wishesSchema.default(() => wishesSchema.parse({})),
});
export type ChooseFile = z.output<typeof chooseFileSchema>;

const layerSchema = z.object({ product: id(), coats: z.int() });
const pointSchema = z.object({
  name: z.enum(['wishes', 'cheapest', 'longest', 'quickest', 'between']),
  /** Beside the first, in words. */
  words: z.string(),
  surfaces: z.array(
    z.object({ id: z.string(), layers: z.array(layerSchema), testSpot: z.boolean(), lifeMonths: z.number() }),
  ),
  purchases: z.array(
    z.object({
      product: z.string(),
      order: z.number(),
      packs: z.array(z.object({ size: z.number(), count: z.int() })),
      cost: z.number(),
      leftover: z.number(),
    }),
  ),
  materialMoney: z.number(),
  firstMoney: z.number(),
  hours: z.number(),
  keptMoney: z.number(),
  keptHours: z.number(),
  yearMoney: z.number(),
  yearHours: z.number(),
  yearUm: z.number(),
  /** From when laying starts until all of it may be handed over, the hours of laying apart; null: never in this air. */
  readyHours: z.number().nullable(),
  lifeMonths: z.number(),
  removalUm: z.number(),
  /** How far it may be from the best there is, as a share: 0.01 is a hundredth. */
  gap: z.number(),
});

/** What the command answers: the choice for the wishes first, then the others of the frontier. */
export const choiceFileSchema = z.object({
  format: z.literal(CHOICE_FORMAT),
  points: z.array(pointSchema),
  /** Surfaces for which nothing on the shelf is allowed or answers to the wishes. */
  bare: z.array(z.string()),
  honest: z.array(z.string()),
  /** Products that are not in the best choice, and why: no rule lets them, not wished, beaten, beyond the bay or the days, or so much dearer. */
  fellAway: z.array(
    z.discriminatedUnion('why', [
      z.object({ product: z.string(), why: z.enum(['not-allowed', 'not-wished', 'beaten']) }),
      z.object({
        product: z.string(),
        why: z.literal('not-in-bay'),
        because: z.enum(['limits', 'no-window', 'never-cures', 'days']),
      }),
      z.object({
        product: z.string(),
        why: z.literal('dearer'),
        by: z.number(),
        substrate: z.enum(SUBSTRATE_IDS),
        lifeMonths: z.number(),
      }),
    ]),
  ),
  /** The plain way, surface by surface, for comparison. */
  alone: z.object({ firstMoney: z.number(), keptMoney: z.number(), hours: z.number(), lifeMonths: z.number() }),
});
export type ChoiceFile = z.output<typeof choiceFileSchema>;

/** Where stones hit or hands touch: fronts, mirrors, sills, and what is beside a handle. */
const HIT = /bonnet|mirror|sill|front-bumper|bumper-front|handle|leading/;

/** What a job's surfaces ask to be chosen for; sensors and the like, and what is excluded, are not asked. */
export function choiceSurfaces(job: Job): ChoiceSurface[] {
  const excluded = new Set(
    job.prepare?.scope?.filter(({ state }) => state === 'excluded').map(({ surface }) => surface),
  );
  const aircraft = isAircraft(job);
  return job.surfaces
    .filter(({ id: surface, substrate }) => !excluded.has(surface) && !SUBSTRATES[substrate].keepClear)
    .map((surface): ChoiceSurface => {
      const { id: surfaceId, substrate, existing, refinishedOn, colour, zone, layers } = surface;
      return {
        id: surfaceId,
        substrate,
        existing,
        aircraft,
        areaM2: wholeAreaM2(surface),
        pair: [surfaceId, twinOf(surfaceId) ?? surfaceId].sort()[0]!,
        hit: zone === 'front' || HIT.test(surfaceId),
        ...(refinishedOn !== undefined && { refinishedAgoMin: -minutesToDay(job.startAt, refinishedOn) }),
        ...(colour && { tone: colour.tone }),
        ...(layers.length > 0 && { fixed: layers.map(({ product, coats }) => ({ product, coats })) }),
      };
    });
}

/** All copies together, m². */
const wholeAreaM2 = (surface: Surface): number =>
  surfaceAreaM2({ ...surface, curvature: surface.curvature ?? 1 }) * surface.count;

/** Share of the painted area whose clear coat fails. */
function failingShare(job: Job): number {
  const painted = job.surfaces.filter(({ substrate }) => SUBSTRATES[substrate].polishable);
  const areaOf = (surfaces: typeof painted) => surfaces.reduce((sum, surface) => sum + wholeAreaM2(surface), 0);
  const failing = painted.filter(({ marks = [] }) => marks.some(({ kind }) => kind === 'failing-clear'));
  return painted.length === 0 ? 0 : areaOf(failing) / areaOf(painted);
}

/** A job's wishes: what was said, how the item lives, its years and the hour of work. */
export function wishesOf(job: Job): Wishes {
  const { parking, wash, climate, distance, preparation } = job.owner ?? {};
  const { pinned, ...said } = job.wishes ?? {};
  return wishesSchema.parse({
    ...said,
    hourRate: job.prepare?.hourRate ?? USUAL_WISHES.hourRate,
    keptMonths: MONTHS_PER_YEAR * (job.prepare?.yearsPlanned ?? USUAL_WISHES.keptMonths / MONTHS_PER_YEAR),
    exposure: { parking, wash, climate, distance, preparation },
  });
}

/** A job as the choice is asked for it: with a whole shelf, and only the stacks that are given by hand. */
export function jobToChoose(job: Job, shelf: Job['products']): Job {
  const pinned = new Set(job.wishes?.pinned);
  const known = new Set(shelf.map((product) => product.id));
  return {
    ...job,
    // A given stack may be of sheets that have left the shelf since.
    products: [...shelf, ...job.products.filter((product) => !known.has(product.id))],
    // What is given bare stays so: nothing is asked for it.
    surfaces: job.surfaces
      .filter(({ id: surface, layers }) => !pinned.has(surface) || layers.length > 0)
      .map((surface) => (pinned.has(surface.id) ? surface : { ...surface, layers: [] })),
  };
}
const MONTHS_PER_YEAR = 12;

/** A job with its wishes made ready, and what can be said of it before anything is solved. */
function prepareChoice({ job, wishes }: Pick<ChooseFile, 'job' | 'wishes'>) {
  const { ambient, matteSchool } = plannedJob(job);
  const air = bayAir(job.products, ambient, matteSchool);
  const kinds = optionsFor(choiceSurfaces(job), job.products, wishes, air);
  const bare = kinds
    .filter(({ options }) => options.length === 0)
    .flatMap(({ surfaces }) => surfaces.map((surface) => surface.id));
  return { kinds, bare, air };
}

/**
 * Chooses for a whole file: the best for the wishes, the frontier around it, and the plain way beside them.
 * @param onPoint told of each point as it is found; true: stop with what there is
 * @param onNearer told how near the best is proven to be so far, as a share
 */
export function chooseFile(
  { job, wishes }: Pick<ChooseFile, 'job' | 'wishes'>,
  solve: Solve,
  onPoint?: (point: ChoicePoint, done: number, of: number) => boolean,
  onNearer?: (gap: number) => void,
): ChoiceFile {
  const { kinds, bare, air } = prepareChoice({ job, wishes });
  const products = new Map(job.products.map((product) => [product.id, product]));
  const readyMin = ({ surfaces }: Choice) =>
    Math.max(
      0,
      ...surfaces.map(({ layers }) =>
        readyAfterMin(
          layers.map(({ product, coats }) => ({ product: products.get(product)!, coats })),
          air,
        ),
      ),
    );
  let first: Choice | undefined;
  const tell = ({ name, choice }: FrontierPoint) => {
    first ??= choice;
    return choicePoint(name, choice, { first, readyMin: readyMin(choice) });
  };
  const points = frontier(
    kinds,
    job.products,
    wishes,
    solve,
    (point, done, of) => onPoint?.(tell(point), done, of) ?? false,
    (best, bound) => {
      const gap = (best - bound) / Math.abs(best);
      if (Number.isFinite(gap)) onNearer?.(gap);
      return false;
    },
  );
  const alone = cheapestAlone(kinds, job.products, wishes);
  return {
    format: CHOICE_FORMAT,
    points: points.map(tell),
    bare,
    honest: honestWords(wishes, { failingShare: failingShare(job), choice: first, shelf: job.products }),
    fellAway: first ? whyNot(kinds, first, job.products, wishes, air) : [],
    alone: {
      firstMoney: alone.firstMoney,
      keptMoney: alone.keptMoney,
      hours: alone.minutes / MINUTES_PER_HOUR,
      lifeMonths: alone.lifeMonths,
    },
  };
}

export type ChoicePoint = ChoiceFile['points'][number];
const MINUTES_PER_HOUR = 60;

function choicePoint(
  name: FrontierPoint['name'],
  choice: Choice,
  { first, readyMin }: { readonly first: Choice; readonly readyMin: number },
): ChoicePoint {
  const { surfaces, purchases, materialMoney, firstMoney, minutes, keptMoney, keptMinutes, yearMoney } = choice;
  return {
    name,
    words: choice === first ? 'best for what you said' : comparedInWords(choice, first),
    surfaces: surfaces.map((surface) => ({ ...surface, layers: [...surface.layers] })),
    purchases: purchases.map(({ product, order, packs, cost, leftover }) => ({
      product,
      order,
      packs: [...packs],
      cost,
      leftover,
    })),
    materialMoney,
    firstMoney,
    hours: minutes / MINUTES_PER_HOUR,
    keptMoney,
    keptHours: keptMinutes / MINUTES_PER_HOUR,
    yearMoney,
    yearHours: choice.yearMinutes / MINUTES_PER_HOUR,
    yearUm: choice.yearUm,
    readyHours: Number.isFinite(readyMin) ? readyMin / MINUTES_PER_HOUR : null,
    lifeMonths: choice.lifeMonths,
    removalUm: choice.removalUm,
    gap: choice.gap,
  };
}

/** Reads a file of the choose command. @throws FaultsError with every fault at once, those of the job under `job`. */
export function readChooseFile(value: unknown): ChooseFile {
  return read(value, chooseFileSchema, (raw) => {
    const job = typeof raw === 'object' && raw !== null && 'job' in raw ? raw.job : undefined;
    return jobSenseFaults(job).map(({ path, message }) => ({ path: `job.${path}`, message }));
  });
}
