import { CLIMATE_IDS, DISTANCE_IDS, GROUNDWORK_IDS, PARKING_IDS, WASH_IDS } from '#core/layers/life';
import { REMOVAL_METHOD_IDS } from '#core/products/removal-methods';
import { CUTTER_IDS } from '#core/film/cutters';
import { BODIES, PIECE_IDS } from '#core/item/make';
import {
  INSPECTION_LIGHTS,
  IRON_TESTS,
  MARK_KIND_IDS,
  MARK_SEVERITIES,
  OUTCOMES,
  TONES,
  TOUCHES,
  WATER_BEHAVIOURS,
} from '#core/survey/condition';
import { HARDNESS, READING_SOURCES } from '#core/survey/paint';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { MINUTES_PER_DAY, TENTH_SIGMAS } from '#core/measures';
import { FOUND_IDS } from '#core/products/families';
import { RULE_IDS } from '#core/layers/rules';
import { METHOD_IDS } from '#core/products/methods';
import { LAYING_SCHOOLS, type LayingSchools } from '#core/products/schools';
import { STILL_AIR } from '#core/time/air';
import { CREW_ROLES } from '#core/plan/crew';
import { AHEAD_SCHOOLS } from '#core/plan/job';
import { LEVELS, NEEDS, PAIR_IDS, SANDINGS, SCOPE_STATES, SPOT_MACHINES, USES } from '#core/prepare/stages';
import { CREW_MODES, DEFAULT_PACE } from '#core/plan/sections';
import { STEP_KIND_IDS } from '#core/prepare/steps';
import { careDays, productSchema } from '#formats/shelf';
import {
  anyNumber,
  calendarDay,
  celsius,
  flag,
  instant,
  list,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  percent,
  positive,
  share,
  text,
  wholeNonNegative,
  wholePositive,
} from '#formats/values';
import { JOB_LIMITS } from './limits';
import { jobWishesSchema } from './wishes';
import { z } from 'zod';

export const JOB_FORMAT = 'glaphyra.job/1';

const point = z.tuple([anyNumber(), anyNumber()], { error: 'expected a point: [x, y]' });

export const shapeSchema = z.discriminatedUnion(
  'kind',
  [
    object({ kind: z.literal('rectangle'), aMm: positive(), bMm: positive() }),
    object({ kind: z.literal('trapezoid'), aMm: positive(), bMm: positive(), hMm: positive() }),
    object({
      kind: z.literal('polygon'),
      pointsMm: list(point, JOB_LIMITS.points).min(3, { error: 'expected at least three points' }),
    }),
    object({ kind: z.literal('ring'), outerMm: positive(), innerMm: nonNegative() }),
    object({ kind: z.literal('cylinder'), diameterMm: positive(), lengthMm: positive() }),
    object({ kind: z.literal('offsets'), stationMm: positive(), offsetsMm: list(nonNegative()) }),
    object({ kind: z.literal('area'), areaM2: positive() }),
  ],
  { error: 'expected a shape of kind rectangle, trapezoid, polygon, ring, cylinder, offsets or area' },
);

const layer = object({
  product: nonEmpty(),
  coats: wholePositive()
    .max(JOB_LIMITS.coatsOfLayer, { error: `expected at most ${JOB_LIMITS.coatsOfLayer} coats` })
    .default(1),
  method: oneOf(METHOD_IDS).default('small-block'),
  /** Rules set aside by hand, each with its reason. */
  overruled: z.partialRecord(z.enum(RULE_IDS), nonEmpty(), { error: 'expected an object' }).optional(),
});

const mark = object({
  id: nonEmpty(),
  kind: oneOf(MARK_KIND_IDS),
  severity: oneOf(MARK_SEVERITIES),
  at: z.tuple([share(), share()], { error: 'expected a place on the panel: [across, down]' }),
  sizeMm: positive().optional(),
  /** All over the panel rather than in one place. */
  allOver: flag().optional(),
  outcome: oneOf(OUTCOMES).optional(),
  /** Filled at an earlier visit: out of sight until what hides it comes off. */
  hiddenBefore: flag().optional(),
  light: oneOf(INSPECTION_LIGHTS).optional(),
  note: text().optional(),
});

/** What an earlier visit, or a passport, tells of a layer that is found. */
const told = object({
  since: instant().optional(),
  name: nonEmpty().optional(),
  ratedMonths: positive().optional(),
  meltsAtC: celsius().optional(),
  comesOffBy: list(oneOf(REMOVAL_METHOD_IDS)).optional(),
  /** Methods it was tried with on a patch, and stood. */
  resists: list(oneOf(REMOVAL_METHOD_IDS)).optional(),
  /** How often it is looked after by its sheet, days. */
  careDays: careDays.optional(),
  /** Drops read on it, degrees with their standard error. */
  drops: list(object({ at: instant(), deg: positive(), sigmaDeg: nonNegative() }), JOB_LIMITS.drops).optional(),
});

/** Nothing takes longer than so many times a flat. */
const MOST_HANDLING = 20;

export const surfaceSchema = object({
  id: nonEmpty(),
  name: nonEmpty().optional(),
  substrate: oneOf(SUBSTRATE_IDS),
  shape: shapeSchema,
  count: wholePositive()
    .max(JOB_LIMITS.copies, { error: `expected at most ${JOB_LIMITS.copies} copies` })
    .default(1),
  curvature: positive().optional(),
  /** What is under the finish, where that is not as its kind of surface usually is: a gauge reads on metal only. */
  body: oneOf(BODIES).optional(),
  /** Small and shaped: done by the piece, whatever its area. */
  piece: oneOf(PIECE_IDS).optional(),
  /** How many times as long everything on it takes as on a flat of its size. */
  handling: positive()
    .max(MOST_HANDLING, { error: `expected at most ${MOST_HANDLING}` })
    .optional(),
  onePiece: flag().default(false),
  /** Its n-th coat is not begun before the n-th coat of these, all copies, is levelled: access, dust, reach. */
  follows: list(nonEmpty(), JOB_LIMITS.surfaces).optional(),
  surfaceC: celsius().optional(),
  existing: list(oneOf(FOUND_IDS), JOB_LIMITS.existing).default([]),
  /** What is told of each of them, in their order; null: nobody knows. */
  existingTold: list(told.nullable(), JOB_LIMITS.existing).optional(),
  readingsUm: list(nonNegative(), JOB_LIMITS.readings).default([]),
  /** Where each reading was taken, in their order; null where nobody kept it. */
  readingsAt: list(
    z.tuple([share(), share()], { error: 'expected a place on the panel: [across, down]' }).nullable(),
    JOB_LIMITS.readings,
  ).optional(),
  /** How each came about, in their order; null where nobody kept it. */
  readingsFrom: list(oneOf(READING_SOURCES).nullable(), JOB_LIMITS.readings).optional(),
  clearUm: nonNegative().optional(),
  /** What the last visit left of the clear, and what corrections took over the life of the item up to then. */
  clearBefore: object({ um: nonNegative(), on: calendarDay(), takenUm: nonNegative() }).optional(),
  paint: oneOf(['factory', 'refinished', 'single-stage']).default('factory'),
  refinishedOn: calendarDay().optional(),
  /** How dark it is, and what the owner or the paint code calls it. */
  colour: object({ tone: oneOf(TONES), name: text().optional() }).optional(),
  /** How hard its clear coat is: noted, or found by a test. */
  hardness: object({ grade: oneOf(HARDNESS), by: oneOf(['told', 'test']) }).optional(),
  layers: list(layer, JOB_LIMITS.layers),
  // Beyond the plan: how it was measured, where it sits on the item, what was seen.
  measuredBy: oneOf(['tape', 'template', 'trace']).default('tape'),
  /** Its outline lies on the sheet where it was drawn, not in the rows below. */
  onSheet: flag().optional(),
  zone: oneOf(['front', 'top', 'left', 'right', 'rear', 'under']).optional(),
  note: text().optional(),
  marks: list(mark, JOB_LIMITS.marks).optional(),
  /** Stones hit it or hands touch it, or not; absent: as its place on the item has it. */
  hit: flag().optional(),
  /** Looked at under the lamp, and nothing found that correction would move. Without it and without marks: unknown. */
  faultless: flag().optional(),
  touch: oneOf(TOUCHES).optional(),
  iron: oneOf(IRON_TESTS).optional(),
  water: oneOf(WATER_BEHAVIOURS).optional(),
  /** How film goes on it, where that is not as its net has it. */
  film: object({
    /** Edges wrapped or not, each by a place near it: shares of the panel's box, across and up. */
    edges: list(
      object({
        at: z.tuple([share(), share()], { error: 'expected a place on the panel: [across, up]' }),
        wraps: flag(),
      }),
      JOB_LIMITS.points,
    ).optional(),
    /** Where it is split on a roll it is wider than: share of the way across. */
    splitAt: share().optional(),
  }).optional(),
});

/** Blanks nested on one roll: x along it from its free end, y across, mm. */
/** A coat by its surface, its layer there from 0, and which coat of that layer it is, from 1. */
const coatName = { surface: nonEmpty(), layer: wholeNonNegative(), coat: wholePositive() };

const filmNest = object({
  product: nonEmpty(),
  /** The thing in stock it is cut from; absent: a roll to buy. */
  thing: nonEmpty().optional(),
  widthMm: positive(),
  cutter: oneOf(CUTTER_IDS).default('plotter'),
  placements: list(
    object({ id: nonEmpty(), copy: wholePositive(), turn: anyNumber(), xMm: anyNumber(), yMm: anyNumber() }),
    JOB_LIMITS.surfaces * JOB_LIMITS.copies,
  ),
  /** Pieces that stay where they are, `id/copy`. */
  pinned: list(nonEmpty(), JOB_LIMITS.surfaces * JOB_LIMITS.copies).optional(),
});

const ambientStep = object({
  atMin: anyNumber(),
  airC: celsius(),
  rhPct: percent(),
  airSpeed: nonNegative().default(STILL_AIR),
});

/** What a place offers; what is left out is there. */
export const offersSchema = () =>
  object({
    runningWater: flag().optional(),
    drain: flag().optional(),
    power: flag().optional(),
    shade: flag().optional(),
    lift: flag().optional(),
  });
const siteSchema = () => offersSchema().extend({ airC: celsius().optional() });

/** What a school may be. */
const schoolIds = <K extends keyof LayingSchools>(key: K) =>
  Object.keys(LAYING_SCHOOLS[key]) as [LayingSchools[K], ...LayingSchools[K][]];

/** Why half a day is lost. */
export const LOST_WHYS = [
  'power',
  'late-part',
  'weather',
  'late-owner',
  'hands',
  'holiday',
  'service',
  'other',
] as const;
export type LostWhy = (typeof LOST_WHYS)[number];

/** What prices are in where a job does not say. */
export const USUAL_CURRENCY = 'EUR';

/** The crew of a job made in the workshop: nobody is sent on while something is open. */
export const FIRST_CREW = { mode: 'solo', ...DEFAULT_PACE, guardSigma: TENTH_SIGMAS, ahead: 'safe' } as const;

/** One job, whole: what is on the item, what goes on it, with which sheets, in which air. */
export const jobSchema = object({
  format: z.literal(JOB_FORMAT, { error: `expected "${JOB_FORMAT}"` }),
  title: nonEmpty(),
  currency: text()
    .regex(/^[A-Z]{3}$/, { error: 'expected a currency code such as EUR' })
    .default(USUAL_CURRENCY),
  startAt: instant(),
  surfaces: list(surfaceSchema, JOB_LIMITS.surfaces),
  products: list(productSchema, JOB_LIMITS.products),
  ambient: list(ambientStep, JOB_LIMITS.ambientSteps).min(1, { error: 'expected at least one step of air' }),
  crew: object({
    mode: oneOf(CREW_MODES),
    layM2PerMin: positive(),
    levelM2PerMin: positive(),
    guardSigma: nonNegative().default(TENTH_SIGMAS),
    /** How far somebody works ahead; absent: whatever is shortest. */
    ahead: oneOf(AHEAD_SCHOOLS).optional(),
    /** Who works on it; without it one or two alike, by the mode. */
    people: list(
      object({
        id: nonEmpty(),
        layM2PerMin: positive().optional(),
        levelM2PerMin: positive().optional(),
        does: list(oneOf(CREW_ROLES))
          .min(1, { error: 'expected lay, level or both' })
          .default([...CREW_ROLES]),
        /** They wash and correct as well; absent: those who lay do. */
        prepares: flag().optional(),
        /** When they are there; absent: always, empty: never. */
        hours: list(
          z.tuple([instant(), instant()], { error: 'expected when somebody comes and goes: [from, to]' }),
          JOB_LIMITS.hours,
        ).optional(),
      }),
      JOB_LIMITS.people,
    )
      .min(1, { error: 'expected at least one person' })
      .optional(),
  }).default({ mode: 'solo', ...DEFAULT_PACE, guardSigma: TENTH_SIGMAS }),
  /** Coats moved on the run sheet by hand, the last of them at the end; what does not hold any more is passed over and said. */
  moves: list(
    object({
      ...coatName,
      after: object(coatName).nullable(),
      by: nonEmpty().optional(),
    }),
    JOB_LIMITS.moves,
  ).optional(),
  room: object({
    volumeM3: positive(),
    airChangesPerHour: nonNegative(),
    limitMgPerM3: positive().optional(),
  }).optional(),
  owner: object({
    needsBy: instant().optional(),
    parking: oneOf(PARKING_IDS).optional(),
    wash: oneOf(WASH_IDS).optional(),
    climate: oneOf(CLIMATE_IDS).optional(),
    distance: oneOf(DISTANCE_IDS).optional(),
    preparation: oneOf(GROUNDWORK_IDS).optional(),
  }).optional(),
  /** What the workshop itself grants; absent: nothing, whatever a maker rates a product for. */
  warranty: object({
    number: nonEmpty().optional(),
    /** When it was registered with the maker of the product, where one asks for that. */
    registeredOn: calendarDay().optional(),
    covers: list(object({ product: nonEmpty(), months: positive() }), JOB_LIMITS.warrantyCovers),
    conditions: list(nonEmpty(), JOB_LIMITS.warrantyConditions),
  }).optional(),
  /** How often the item is looked after, where that is otherwise than its products' sheets say, days. */
  care: careDays.optional(),
  // Beyond the plan: whose item it is, which template its net came from, which school the shop follows.
  item: object({
    /** The same through all its visits, so that its history is found. */
    id: nonEmpty().optional(),
    name: nonEmpty(),
    ownerName: text().optional(),
    /** Its plate, hull or registration number. */
    plate: text().optional(),
    /** How it is raised, what has to be set or held open first. */
    access: text().optional(),
    /** When it came in from outside, and how warm it was: it takes on the air of the bay with its own lag. */
    arrived: object({ at: instant(), surfaceC: celsius() }).optional(),
    /** A photograph or plan its panels are drawn over, and how large and where it lies on the sheet. */
    picture: object({
      photo: nonEmpty(),
      widthMm: positive(),
      heightMm: positive(),
      atMm: point,
    }).optional(),
    template: object({
      id: nonEmpty(),
      // The measurements its template asks for.
      lengthMm: positive().optional(),
      widthMm: positive().optional(),
      heightMm: positive().optional(),
      wheelbaseMm: positive().optional(),
      spanMm: positive().optional(),
    }).optional(),
  }).optional(),
  /** How it is prepared; what is left out is as usual. */
  prepare: object({
    level: oneOf(LEVELS).optional(),
    /** What the item is for: what a correction has to be worth. */
    use: oneOf(USES).optional(),
    schools: object({
      iron: oneOf(['before-wash', 'after-wash']).optional(),
      wheels: oneOf(['first', 'last']).optional(),
      masking: oneOf(['many', 'obvious', 'none']).optional(),
      wipe: oneOf(['once', 'twice', 'none-over-primer']).optional(),
      chips: oneOf(['fill', 'seal']).optional(),
      machine: oneOf(['dual', 'rotary']).optional(),
      order: oneOf(['stage-by-stage', 'zone-by-zone']).optional(),
      drying: oneOf(['blower', 'air', 'towel', 'mixed']).optional(),
      pad: oneOf(['flat', 'raised']).optional(),
      marks: oneOf(['correct', 'fill', 'leave']).optional(),
    }).optional(),
    site: siteSchema().optional(),
    /** From a step on it is done somewhere else: the bay is full, the drive is free. */
    move: object({ from: oneOf(STEP_KIND_IDS), site: siteSchema() }).optional(),
    /** It is here for care: washed gently over what stands. */
    forCare: flag().optional(),
    /** It comes salted or iced. */
    salted: flag().optional(),
    /** It stands over night between the last wipe and the first layer. */
    overnight: flag().optional(),
    /** Years the owner means to keep it: how often the protection comes off again. */
    yearsPlanned: positive().max(60, { error: 'expected at most 60 years' }).optional(),
    reserveUm: nonNegative().optional(),
    /** Minor units an hour of work. */
    hourRate: wholeNonNegative().optional(),
    /** Steps left out by hand: a kind for the whole item, or surface/kind. */
    leftOut: list(nonEmpty()).optional(),
    /** What was done elsewhere before it came, and who says so: it is not asked for again before anything is laid. */
    cameWith: list(object({ need: oneOf(NEEDS), says: nonEmpty() }), NEEDS.length).optional(),
    /** Surfaces from which what is found comes off before anything is laid. */
    strip: list(nonEmpty(), JOB_LIMITS.surfaces).optional(),
    /** Surfaces from which only the layer found on top comes off: it is renewed, what carries it stays. */
    renewTop: list(nonEmpty(), JOB_LIMITS.surfaces).optional(),
    /** Surfaces that are sanded before they are cut, and with what. */
    sand: list(object({ surface: nonEmpty(), with: oneOf(SANDINGS) }), JOB_LIMITS.surfaces).optional(),
    /** Test spots, in the order they were tried. */
    tests: list(
      object({
        surface: nonEmpty(),
        pair: oneOf(PAIR_IDS),
        gonePct: percent(),
        hazePct: percent(),
        minutes: positive(),
        /** Of the spot; absent: half a metre square. */
        areaM2: positive().optional(),
        /** Clear measured before and after, µm. */
        tookUm: nonNegative().optional(),
        /** What turned the pad; absent: as the school has it. */
        machine: oneOf(SPOT_MACHINES).optional(),
      }),
      JOB_LIMITS.testSpots,
    ).optional(),
    /** What was tried on patches to find out how what is found comes off, in that order. */
    stripTests: list(
      object({ surface: nonEmpty(), method: oneOf(REMOVAL_METHOD_IDS), sheets: flag() }),
      JOB_LIMITS.testSpots,
    ).optional(),
    /** Line by line what is not simply included. */
    scope: list(
      object({
        surface: nonEmpty(),
        state: oneOf(SCOPE_STATES),
        reason: nonEmpty(),
        followUp: text().optional(),
        /** When it is to be thought of again. */
        followUpOn: calendarDay().optional(),
      }),
    ).optional(),
  }).optional(),
  /** What matters to the owner when it is chosen what goes where. */
  wishes: jobWishesSchema.optional(),
  /** The offer the owner agreed to, as it stood then. */
  agreed: object({
    offer: nonEmpty(),
    name: nonEmpty(),
    totalMoney: wholeNonNegative(),
    at: instant(),
    with: text().optional(),
    promised: list(nonEmpty()).optional(),
    notPromised: list(nonEmpty()).optional(),
  }).optional(),
  /** Schools of laying; what is left out is as usual. */
  schools: object({
    matte: oneOf(['fixed-early', 'keep-wet']).default('fixed-early'),
    amount: oneOf(schoolIds('amount')).optional(),
    pattern: oneOf(schoolIds('pattern')).optional(),
    wipe: oneOf(schoolIds('wipe')).optional(),
    waxOff: oneOf(schoolIds('waxOff')).optional(),
    stroke: oneOf(schoolIds('stroke')).optional(),
    section: oneOf(schoolIds('section')).optional(),
    neighbours: oneOf(schoolIds('neighbours')).optional(),
    towels: oneOf(schoolIds('towels')).optional(),
    windscreen: oneOf(schoolIds('windscreen')).optional(),
    satinGloss: oneOf(schoolIds('satinGloss')).optional(),
    handover: oneOf(schoolIds('handover')).optional(),
    firstWash: oneOf(schoolIds('firstWash')).optional(),
    makersDays: oneOf(schoolIds('makersDays')).optional(),
    film: oneOf(schoolIds('film')).optional(),
  }).optional(),
  /** Its days: time lost, what the calendar has of it, and what was agreed when. */
  days: object({
    /** When nobody can work at it, though they are there, and why; `calendar`: its bay is lost, by that entry there. */
    lost: list(
      object({ from: instant(), to: instant(), why: oneOf(LOST_WHYS), calendar: nonEmpty().optional() }),
      JOB_LIMITS.hours,
    ).optional(),
    /** Explaining it to its owner when it is fetched, minutes. */
    handoverMin: nonNegative().max(MINUTES_PER_DAY, { error: 'expected at most a day' }).optional(),
    /** When it is to be collected as the workshop's calendar was saved: it is not ready for its owner before. */
    collection: instant().optional(),
    /** The date its owner was told from the calendar; it takes the place of the one they asked for. */
    promised: instant().optional(),
    /** The plan somebody was told, so that what moves is seen. */
    agreed: object({
      at: instant(),
      handedOver: instant().optional(),
      blocks: list(object({ key: nonEmpty(), from: instant(), until: instant() }), JOB_LIMITS.hours),
    }).optional(),
  }).optional(),
  /** How its film is cut: one nest a roll. */
  film: list(filmNest, JOB_LIMITS.products).optional(),
});

/** A job with every default filled in. */
export type Job = z.output<typeof jobSchema>;
/** A job as it may be written in a file. */
export type JobInput = z.input<typeof jobSchema>;
export type Surface = Job['surfaces'][number];
export type Layer = Surface['layers'][number];
export type SurfaceMark = NonNullable<Surface['marks']>[number];

/** When a job is to be ready: as its owner was told, else as they asked; undefined: nobody waits for it. */
export const wantedBy = ({ days, owner }: Pick<Job, 'days' | 'owner'>): string | undefined =>
  days?.promised ?? owner?.needsBy;

/** What a surface is called: its id where it has no name. */
export function surfaceName({ name, id }: Pick<Surface, 'name' | 'id'>): string {
  return name ?? id;
}
