import { z } from 'zod';
import {
  cheapestAlone,
  type Choice,
  type ChoiceSurface,
  comparedInWords,
  CONCERNS,
  FILM_WISHES,
  frontier,
  type FrontierPoint,
  honestWords,
  optionsFor,
  type Solve,
  USUAL_WISHES,
  type Wishes,
} from '#core/choose';
import { CLIMATE_IDS, DISTANCE_IDS, GROUNDWORK_IDS, PARKING_IDS, WASH_IDS } from '#core/life';
import { surfaceAreaM2 } from '#core/plan';
import { SUBSTRATES } from '#core/substrates';
import { type Job, jobSchema } from './job';
import { jobSenseFaults } from './job-sense';
import { minutesToDay } from './moments';
import { read } from './read';
import { flag, id, nonNegative, object, oneOf, positive, wholeNonNegative, wholePositive } from './values';

export const CHOOSE_FORMAT = 'glaphyra.choose/1';
export const CHOICE_FORMAT = 'glaphyra.choice/1';

const concern = () =>
  z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)], { error: 'expected 0, 1, 2 or 3' });

/** What matters to a person, and what is given. Money in minor units. */
export const wishesSchema = object({
  keptMonths: positive().max(720, { error: 'expected at most 720 months' }).default(USUAL_WISHES.keptMonths),
  exposure: object({
    parking: oneOf(PARKING_IDS).optional(),
    wash: oneOf(WASH_IDS).optional(),
    climate: oneOf(CLIMATE_IDS).optional(),
    distance: oneOf(DISTANCE_IDS).optional(),
    preparation: oneOf(GROUNDWORK_IDS).optional(),
  }).default({}),
  hourRate: wholeNonNegative().default(USUAL_WISHES.hourRate),
  count: oneOf(['first', 'kept']).default(USUAL_WISHES.count),
  concerns: z.partialRecord(z.enum(CONCERNS), concern(), { error: 'expected an object' }).default({}),
  film: oneOf(FILM_WISHES).default(USUAL_WISHES.film),
  leastMonths: nonNegative().optional(),
  mostHours: positive().optional(),
  mostMoney: wholeNonNegative().optional(),
  mostProducts: wholePositive().optional(),
  inHandOnly: flag().optional(),
  testSpots: flag().default(USUAL_WISHES.testSpots),
  mostLayers: wholePositive().max(4, { error: 'expected at most 4 layers' }).default(USUAL_WISHES.mostLayers),
  beyondTwo: flag().default(USUAL_WISHES.beyondTwo),
});

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
  return job.surfaces
    .filter(({ id: surface, substrate }) => !excluded.has(surface) && !SUBSTRATES[substrate].keepClear)
    .map((surface): ChoiceSurface => {
      const { id: surfaceId, substrate, existing, count, curvature = 1, refinishedOn, colour, zone, layers } = surface;
      return {
        id: surfaceId,
        substrate,
        existing,
        areaM2: surfaceAreaM2({ ...surface, curvature }) * count,
        hit: zone === 'front' || HIT.test(surfaceId),
        ...(refinishedOn !== undefined && { refinishedAgoMin: -minutesToDay(job.startAt, refinishedOn) }),
        ...(colour && { tone: colour.tone }),
        ...(layers.length > 0 && { fixed: layers.map(({ product, coats }) => ({ product, coats })) }),
      };
    });
}

/** Share of the painted area whose clear coat fails. */
export function failingShare(job: Job): number {
  const painted = job.surfaces.filter(({ substrate }) => SUBSTRATES[substrate].polishable);
  const areaOf = (surfaces: typeof painted) =>
    surfaces.reduce((sum, surface) => sum + surfaceAreaM2({ ...surface, curvature: surface.curvature ?? 1 }), 0);
  const failing = painted.filter(({ marks = [] }) => marks.some(({ kind }) => kind === 'failing-clear'));
  return painted.length === 0 ? 0 : areaOf(failing) / areaOf(painted);
}

/** Wishes as they follow from what a job knows of its owner. */
export function wishesOf(job: Job): Wishes {
  const { parking, wash, climate, distance, preparation } = job.owner ?? {};
  return {
    ...USUAL_WISHES,
    ...(job.prepare?.hourRate !== undefined && { hourRate: job.prepare.hourRate }),
    ...(job.prepare?.yearsPlanned !== undefined && { keptMonths: 12 * job.prepare.yearsPlanned }),
    exposure: { parking, wash, climate, distance, preparation },
  };
}

/** A job with its wishes made ready, and what can be said of it before anything is solved. */
export function prepareChoice({ job, wishes }: Pick<ChooseFile, 'job' | 'wishes'>) {
  const kinds = optionsFor(choiceSurfaces(job), job.products, wishes);
  const bare = kinds
    .filter(({ options }) => options.length === 0)
    .flatMap(({ surfaces }) => surfaces.map((surface) => surface.id));
  return { kinds, bare };
}

/**
 * Chooses for a whole file: the best for the wishes, the frontier around it, and the plain way beside them.
 * @param onPoint told of each point as it is found; true: stop with what there is
 */
export function chooseFile(
  { job, wishes }: Pick<ChooseFile, 'job' | 'wishes'>,
  solve: Solve,
  onPoint?: (point: ChoicePoint, done: number, of: number) => boolean,
): ChoiceFile {
  const { kinds, bare } = prepareChoice({ job, wishes });
  let first: Choice | undefined;
  const tell = ({ name, choice }: FrontierPoint) => {
    first ??= choice;
    return choicePoint(name, choice, first);
  };
  const points = frontier(
    kinds,
    job.products,
    wishes,
    solve,
    (point, done, of) => onPoint?.(tell(point), done, of) ?? false,
  );
  const alone = cheapestAlone(kinds, job.products, wishes);
  return {
    format: CHOICE_FORMAT,
    points: points.map(tell),
    bare,
    honest: honestWords(wishes, { failingShare: failingShare(job), choice: first, shelf: job.products }),
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

function choicePoint(name: FrontierPoint['name'], choice: Choice, first: Choice): ChoicePoint {
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
