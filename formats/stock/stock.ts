import { DateTime } from 'luxon';
import { z } from 'zod';
import { METHOD_IDS } from '#core/products/methods';
import { BASES, type Basis, GONE_REASON_IDS, type LoggedStock, STOCK_KINDS, STOCK_UNITS } from '#core/stock';
import {
  calendarDay,
  flag,
  id,
  instant,
  list,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  positive,
  wholeNonNegative,
} from '#formats/values';

/** Things of one order that are taken in together, and entries of one file. */
export const MOST_AT_ONCE = 5000;

/** One bottle, tin, roll or pack as it was bought. */
export const boughtThingSchema = object({
  kind: oneOf(STOCK_KINDS),
  of: nonEmpty(),
  size: positive(),
  unit: z.enum(STOCK_UNITS, { error: 'expected one of ml, g, m2, m, or nothing for pieces' }),
  batch: nonEmpty(80).optional(),
  place: nonEmpty(80).optional(),
  paid: wholeNonNegative().optional(),
  useBy: calendarDay().optional(),
  emptyG: positive().optional(),
  /** Width of a roll or an offcut of film, mm. */
  rollMm: positive().optional(),
  /** The roll it was left of, where it is an offcut. */
  offcutOf: nonEmpty().optional(),
});
export type BoughtThingInput = z.output<typeof boughtThingSchema>;

const thing = id();
const FLAW = { fromMm: nonNegative(), toMm: positive(), lowMm: nonNegative(), highMm: positive() };
const plain = <const T extends string>(type: T) => object({ type: z.literal(type), thing });

const USED = object({
  type: z.literal('used'),
  thing,
  job: id(),
  surface: nonEmpty(),
  amount: positive(),
  factor: positive().default(1),
  method: oneOf(METHOD_IDS).optional(),
  patch: nonEmpty().optional(),
});

/** What may be said of a thing in stock from outside. What is laid at a job draws by itself. */
const SAID = [
  object({ type: z.literal('bought'), thing, as: boughtThingSchema }),
  plain('opened'),
  plain('put-back'),
  object({ type: z.literal('taken'), thing, job: id() }),
  object({
    type: z.literal('weighed'),
    thing,
    grossG: positive(),
    densityGPerMl: positive(),
    emptyG: positive().optional(),
    simulated: flag().optional(),
  }),
  object({ type: z.literal('counted'), thing, remaining: nonNegative() }),
  object({ type: z.literal('moved'), thing, place: nonEmpty(80) }),
  object({ type: z.literal('flawed'), thing, ...FLAW }),
  object({ type: z.literal('thrown-away'), thing, reason: oneOf(GONE_REASON_IDS), job: id().optional() }),
  object({ type: z.literal('undo'), thing, entry: nonEmpty() }),
  object({ type: z.literal('untaught'), thing, entry: nonEmpty() }),
] as const;
const UNKNOWN = { error: 'expected an entry of a known type' };
const stockEntrySchema = z.discriminatedUnion('type', [...SAID, USED], UNKNOWN);

/** An entry as it is handed in: the sender names it, so that sending it twice logs it once. */
export const newStockEntrySchema = object({
  id: id(),
  at: instant(),
  entry: z.discriminatedUnion('type', [...SAID], UNKNOWN),
});
export type NewStockEntry = z.output<typeof newStockEntrySchema>;

/** An entry as it stands in the log: `by` is known from the request and never from what was sent. */
export const stockLogEntrySchema = object({
  id: nonEmpty(),
  at: instant(),
  entry: stockEntrySchema,
  seq: z.int(),
  recordedAt: instant(),
  /** What the device said it was, where its clock was another than the workshop's. */
  deviceAt: instant().optional(),
  by: z.string().optional(),
});
export type StockLogEntry = z.output<typeof stockLogEntrySchema>;

/** The end of a calendar day, epoch ms: what is good until a day is good on it. */
const endOfDay = (day: string): number => DateTime.fromISO(day).endOf('day').toMillis();

/** An entry of the log on the scale of moments. */
export function loggedStock({
  id: own,
  at,
  by,
  entry,
}: Pick<StockLogEntry, 'id' | 'at' | 'by' | 'entry'>): LoggedStock {
  const logged = { id: own, atMs: Date.parse(at), ...(by !== undefined && { by }) };
  if (entry.type !== 'bought') return { ...logged, entry };
  const { useBy, ...as } = entry.as;
  return { ...logged, entry: { ...entry, as: { ...as, ...(useBy !== undefined && { useByMs: endOfDay(useBy) }) } } };
}

/** One thing in stock as it is shown. */
export const stockRowSchema = boughtThingSchema.extend({
  id: z.string(),
  /** Of its sheet or supply. */
  name: z.string(),
  remaining: z.number(),
  basis: z.enum(Object.keys(BASES) as [Basis, ...Basis[]]),
  knownAt: instant(),
  boughtAt: instant(),
  openedAt: instant().optional(),
  /** By what is printed on it and what its sheet says, closed and open. */
  goodUntil: instant().optional(),
  past: z.boolean(),
  overdrawn: z.number(),
  /** Places not to be cut from, mm from its free end. */
  flaws: z.array(object(FLAW)).optional(),
  inHand: z.string().optional(),
  gone: object({ at: instant(), reason: oneOf(GONE_REASON_IDS), left: z.number() }).optional(),
});
export type StockRow = z.output<typeof stockRowSchema>;

/** Which things a list shows. */
export const STOCK_STATES = ['in', 'open', 'past', 'gone', 'all'] as const;
export type StockState = (typeof STOCK_STATES)[number];

export const stockListSchema = object({
  rows: z.array(stockRowSchema),
  /** How many there are in all, of which the rows are the first. */
  found: z.int(),
  /** What is in hand of each kind, good or not. */
  totals: z.array(
    object({
      kind: oneOf(STOCK_KINDS),
      of: z.string(),
      name: z.string(),
      unit: z.enum(STOCK_UNITS),
      things: z.int(),
      good: z.number(),
      past: z.number(),
    }),
  ),
});
export type StockList = z.output<typeof stockListSchema>;

export const stockThingSchema = object({ row: stockRowSchema, log: z.array(stockLogEntrySchema) });
export type StockThingView = z.output<typeof stockThingSchema>;

export const recallSchema = z.array(
  object({
    thing: stockRowSchema,
    on: z.array(
      object({
        job: z.string(),
        title: z.string(),
        item: z.string().optional(),
        owner: z.string().optional(),
        surface: z.string(),
        surfaceName: z.string(),
        amount: z.number(),
        first: instant(),
        last: instant(),
      }),
    ),
  }),
);
export type Recall = z.output<typeof recallSchema>;

const packCounts = z.array(object({ size: z.number(), count: z.int() }));

export const reorderSchema = z.array(
  object({
    of: z.string(),
    name: z.string(),
    unit: z.enum(STOCK_UNITS),
    amount: z.number(),
    packs: packCounts,
    cost: z.number(),
    leftover: z.number(),
    firstShort: instant(),
    orderBy: instant(),
    /** Too late to be there in time. */
    late: z.boolean(),
    jobs: z.array(object({ id: z.string(), title: z.string(), startAt: instant(), short: z.number() })),
  }),
);
export type ReorderList = z.output<typeof reorderSchema>;

/** What a job finds in stock, kind by kind. */
export const jobStockSchema = object({
  /** Rolls that film was cut off for it, by product. */
  cut: z.array(object({ of: z.string(), thing: z.string() })),
  kinds: z.array(
    object({
      of: z.string(),
      /** Good on the day of the job. */
      inStock: z.number(),
      /** Set aside for jobs before it. */
      reserved: z.number(),
      /** Drawn at this job already. */
      drawn: z.number(),
      /** In the order they are to be taken; what is past its time comes last, and is marked. */
      things: z.array(stockRowSchema),
    }),
  ),
  cost: object({
    laid: z.number(),
    thrownAway: z.number(),
    unpriced: z.int(),
    bySurface: z.array(object({ surface: z.string(), cost: z.number() })),
  }),
});
export type JobStock = z.output<typeof jobStockSchema>;

export const usageLessonSchema = object({
  entry: z.string(),
  thing: z.string(),
  of: z.string(),
  name: z.string(),
  at: instant(),
  ratio: z.number(),
  used: z.number(),
  predicted: z.number(),
  unit: z.enum(STOCK_UNITS),
  method: oneOf(METHOD_IDS).optional(),
  by: z.string().optional(),
  untaught: z.boolean(),
});
export type UsageLessonRow = z.output<typeof usageLessonSchema>;

/** What was bought, a file of it at a time. */
export const takenInSchema = object({
  things: list(
    boughtThingSchema.extend({
      id: id(),
      remaining: nonNegative().optional(),
      boughtAt: instant().optional(),
      openedAt: instant().optional(),
    }),
    MOST_AT_ONCE,
  ),
});
export type TakenIn = z.output<typeof takenInSchema>;

/** A weight as the bottle scale tells it. */
export const scaleReadingSchema = object({ grossG: z.number(), densityGPerMl: z.number(), simulated: z.boolean() });

/** A line of a job's lists that was ticked off. */
export const tickSchema = object({ line: z.string(), at: instant(), by: z.string().optional() });
export type Tick = z.output<typeof tickSchema>;

/** A product laid by each method, beside one another. */
export const methodsSchema = z.array(
  object({
    method: oneOf(METHOD_IDS),
    now: flag(),
    order: z.number(),
    cost: z.number(),
    personMin: z.number(),
    elapsedMin: z.number(),
    patches: z.int(),
  }),
);
