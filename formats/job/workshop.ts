/** What the server keeps around a job: where it stands, in which version, in which bay. */
import { BODIES } from '#core/item/make';
import { z } from 'zod';
import { PHASES } from '#core/care/upkeep';
import { jobCostsSchema, operationSchema } from './operation';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { LAMP_IDS } from '#core/lay/cure';
import { DAYS_OF_WEEK } from '#core/schedule/hours';
import { makerSheetSchema, shopFiguresSchema } from '#formats/shelf';
import {
  anyNumber,
  celsius,
  id,
  instant,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  percent,
  positive,
  wholePositive,
} from '#formats/values';
import { jobSchema, offersSchema } from './job';

const hour = () => anyNumber().min(0, { error: 'expected 0 to 24 h' }).max(24, { error: 'expected 0 to 24 h' });

/** When somebody is there, Monday to Sunday; null: closed. */
export const weekSchema = () =>
  z
    .array(
      z
        .tuple([hour(), hour()], { error: 'expected when it opens and closes: [8, 18]' })
        .refine(([opens, closes]) => opens < closes, { error: 'must close later than it opens' })
        .nullable(),
    )
    .length(DAYS_OF_WEEK, { error: 'expected seven days, Monday first' });

export const bayClimateSchema = object({
  openC: celsius(),
  openRhPct: percent(),
  nightC: celsius(),
  opensAtHour: hour(),
  closesAtHour: hour(),
  tauMin: positive(),
  /** Absent: while it is heated, every day. */
  week: weekSchema().optional(),
}).refine(({ opensAtHour, closesAtHour }) => opensAtHour < closesAtHour, {
  error: 'must be later than it opens',
  path: ['closesAtHour'],
});

/** How large a bay is, and how its air is changed: shut, and with its door open. */
export const bayRoomSchema = object({
  volumeM3: positive(),
  airChangesPerHour: nonNegative(),
  doorOpen: object({ airChangesPerHour: nonNegative(), airSpeed: nonNegative() }).optional(),
  /** What there is to work with; a job that is moved there finds it so. */
  offers: offersSchema().optional(),
  /** Curing lamps that stand there; absent: nobody said. */
  lamps: z.array(oneOf(LAMP_IDS)).optional(),
});

/** A bay nobody has measured: as large as most for one item, its air changed by what leaks. */
export const USUAL_ROOM = { volumeM3: 180, airChangesPerHour: 2 } as const;

export const bayDraftSchema = object({
  name: nonEmpty(),
  climate: bayClimateSchema,
  room: bayRoomSchema.nullable().optional(),
});
export const baySchema = bayDraftSchema.extend({ id: id(), version: z.int() });
export type Bay = z.output<typeof baySchema>;

export const AIR_SOURCES = ['bay', 'typed'] as const;

/** What a client may set of a job: the job itself, where it stands, and where its expected air comes from. */
export const jobDraftSchema = object({
  document: jobSchema,
  bayId: id().nullable().default(null),
  airSource: oneOf(AIR_SOURCES).default('typed'),
});
export type JobDraft = z.output<typeof jobDraftSchema>;

export const jobRecordSchema = jobDraftSchema.extend({
  id: id(),
  version: z.int(),
  createdAt: instant(),
  updatedAt: instant(),
});
export type JobRecord = z.output<typeof jobRecordSchema>;

/** A job at a glance, with the moments that are still to come. */
export const jobSummarySchema = object({
  id: id(),
  version: z.int(),
  title: z.string(),
  /** The item whose visit it is. */
  itemId: z.string().optional(),
  itemName: z.string().optional(),
  ownerName: z.string().optional(),
  bayId: z.string().nullable(),
  startAt: instant(),
  needsBy: instant().optional(),
  phase: z.enum(PHASES),
  areaM2: z.number(),
  patchesDone: z.int(),
  patchesTotal: z.int(),
  stops: z.int(),
  waterSafe: instant().nullable(),
  /** Cured so far that it may be handed over. */
  handover: instant().nullable(),
  /** Ready for collection, the one date that is shown and promised; null: nothing is planned, it never is, or it is out. */
  ready: instant().nullable(),
  firstWash: instant().nullable(),
  renew: instant().nullable(),
  /** How often it is looked after once it is out, days between. */
  careDays: object({
    wash: z.number().optional(),
    topper: z.number().optional(),
    booster: z.number().optional(),
    inspection: z.number().optional(),
  }),
  /** What was left out and is to be thought of again, each with its day. */
  reminders: z.array(object({ what: z.string(), on: z.string() })),
  /** What it is found by beside its names: plate, colours, products, batches, faults. */
  traits: z.array(z.string()),
  /** When it is still to be sanded or polished: nothing is laid well beside it then. */
  dusty: z.array(object({ from: instant(), until: instant() })),
  /** What is still to be done of it, for the workshop's calendar. */
  work: z.array(operationSchema).optional(),
  costs: jobCostsSchema.optional(),
  /** Being worked out: what is said here is of before the last change, or only what stands in the job. */
  pending: z.boolean().optional(),
});
export type JobSummary = z.output<typeof jobSummarySchema>;

/** An item in care, and what it is due for, the soonest first. */
export const careDueSchema = object({
  jobId: id(),
  itemName: z.string(),
  ownerName: z.string().nullable(),
  due: z.array(
    object({
      what: z.enum(['first-wash', 'wash', 'topper', 'booster', 'look', 'renew', 'reminder']),
      at: instant(),
      /** What a reminder is of. */
      says: z.string().optional(),
    }),
  ),
});
export type CareDue = z.output<typeof careDueSchema>;

/** A job as its owner sees it by a link: how far it is, what lies where, and the dates. */
export const guestJobSchema = object({
  title: z.string(),
  itemName: z.string().optional(),
  phase: z.enum(PHASES),
  patchesDone: z.int(),
  patchesTotal: z.int(),
  panels: z.array(
    object({
      id: z.string(),
      name: z.string(),
      layers: z.array(object({ product: z.string(), state: z.enum(['planned', 'begun', 'laid']) })),
    }),
  ),
  dates: z.array(
    object({
      title: z.string(),
      from: instant(),
      until: instant().optional(),
      allDay: z.boolean().optional(),
      says: z.string().optional(),
    }),
  ),
});
export type GuestJob = z.output<typeof guestJobSchema>;

export const shelfProductSchema = object({
  id: id(),
  version: z.int(),
  updatedAt: instant(),
  sheet: makerSheetSchema,
  shop: shopFiguresSchema,
});
export type ShelfProduct = z.output<typeof shelfProductSchema>;

export const airReadingSchema = object({
  at: instant(),
  airC: z.number(),
  rhPct: z.number(),
  surfaceC: z.number(),
  airSpeed: z.number(),
  /** By a stand-in, not by an instrument. */
  simulated: z.boolean(),
});
export type AirReading = z.output<typeof airReadingSchema>;

/** Where a thickness gauge is set down. */
export const probeSpotSchema = object({
  panel: nonEmpty(),
  substrate: oneOf(SUBSTRATE_IDS),
  body: oneOf(BODIES).optional(),
  paint: oneOf(['factory', 'refinished', 'single-stage']),
  nth: wholePositive(),
});

/** Where a gloss meter is set down. */
export const glossSpotSchema = object({
  panel: nonEmpty(),
  substrate: oneOf(SUBSTRATE_IDS),
  worked: z.boolean(),
  nth: wholePositive(),
});
/** One reading, gloss units at 60°. */
export const glossReadingSchema = object({ gu: z.number(), simulated: z.boolean() });

/** One reading, µm; null: there is no metal under the paint. */
export const gaugeReadingSchema = object({ um: z.number().nullable(), simulated: z.boolean() });
export type GaugeAnswer = z.output<typeof gaugeReadingSchema>;
