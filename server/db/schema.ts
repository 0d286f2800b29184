import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Offer } from '#core/choose/offers';
import type { ReadingSource } from '#formats/bay';
import type { Bay, JobDraft, JobSummary, KeptTemplateDraft, Photo, PhotoRole } from '#formats/job';
import type { LogEntry } from '#formats/log';
import type { Handover, PassportFile } from '#formats/passport';
import type { Role } from '#formats/people';
import type { StockLogEntry } from '#formats/stock';
import type { KeptShop, KitEntry, MakerSheet } from '#formats/shelf';
import type { JobLesson } from '#job/learn';

export const bays = sqliteTable('bays', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  name: text('name').notNull(),
  climate: text('climate', { mode: 'json' }).$type<Bay['climate']>().notNull(),
  room: text('room', { mode: 'json' }).$type<Bay['room']>(),
});

/** The air of a bay as it was read: once, for every job in it. */
export const bayReadings = sqliteTable(
  'bay_readings',
  {
    bayId: text('bay_id')
      .notNull()
      .references(() => bays.id, { onDelete: 'cascade' }),
    atMs: integer('at_ms').notNull(),
    airC: real('air_c').notNull(),
    rhPct: real('rh_pct').notNull(),
    source: text('source').$type<ReadingSource>().notNull(),
    /** By a stand-in, not by an instrument. */
    simulated: integer('simulated', { mode: 'boolean' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.bayId, table.atMs] })],
);

export const products = sqliteTable('products', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  /** What its maker says. */
  sheet: text('sheet', { mode: 'json' }).$type<MakerSheet>().notNull(),
  /** What is the shop's. What is in hand and what was learned is worked out from the logs. */
  shop: text('shop', { mode: 'json' }).$type<KeptShop>().notNull(),
  updatedAt: text('updated_at').notNull(),
});

/** The preparation shelf: sheets, and pads and machines as things. */
export const kit = sqliteTable('kit', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  entry: text('entry', { mode: 'json' }).$type<KitEntry>().notNull(),
});

/** Named offers of the shop. */
export const offers = sqliteTable('offers', {
  id: text('id').primaryKey(),
  version: integer('version').notNull(),
  offer: text('offer', { mode: 'json' }).$type<Offer>().notNull(),
});

export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    version: integer('version').notNull(),
    bayId: text('bay_id').references(() => bays.id),
    airSource: text('air_source').$type<JobDraft['airSource']>().notNull(),
    document: text('document', { mode: 'json' }).$type<JobDraft['document']>().notNull(),
    createdAt: text('created_at').notNull(),
    updatedAt: text('updated_at').notNull(),
    /** Taken away; it can be brought back. */
    removedAt: text('removed_at'),
    // Read from the document, so that an item's visits are found without opening every job.
    itemId: text('item_id').generatedAlwaysAs(sql`json_extract(document, '$.item.id')`, { mode: 'virtual' }),
    templateId: text('template_id').generatedAlwaysAs(sql`json_extract(document, '$.item.template.id')`, {
      mode: 'virtual',
    }),
    testSpots: integer('test_spots').generatedAlwaysAs(sql`json_array_length(document, '$.prepare.tests')`, {
      mode: 'virtual',
    }),
  },
  (table) => [
    // All a list asks of it: a document is long, and what stands behind it is only reached by reading through it.
    index('jobs_listed').on(table.removedAt, table.updatedAt, table.id, table.version),
    index('jobs_item').on(table.itemId, table.testSpots),
    index('jobs_template').on(table.templateId, table.testSpots),
  ],
);

/** Items kept as patterns for others like them. */
export const templates = sqliteTable('templates', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  kept: text('kept', { mode: 'json' }).$type<KeptTemplateDraft>().notNull(),
  createdAt: text('created_at').notNull(),
});

/** Earlier states of what is kept under a version, so that a stale write can be told what has changed since. */
export const formerVersions = sqliteTable(
  'former_versions',
  {
    kind: text('kind').$type<VersionedKind>().notNull(),
    id: text('id').notNull(),
    version: integer('version').notNull(),
    body: text('body', { mode: 'json' }).$type<object>().notNull(),
  },
  (table) => [uniqueIndex('former_versions_key').on(table.kind, table.id, table.version)],
);
export type VersionedKind = 'job' | 'product' | 'offer' | 'kit' | 'bay';

/** What each job teaches, as of an entry of its log and by which models: worked out when the log grows, not when it is asked. */
export const jobLessons = sqliteTable('job_lessons', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  lastSeq: integer('last_seq').notNull(),
  model: text('model').notNull(),
  lesson: text('lesson', { mode: 'json' }).$type<JobLesson>().notNull(),
});

/** Pictures; the files themselves lie in a folder beside the database, under the picture's id. */
export const photos = sqliteTable(
  'photos',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    role: text('role').$type<PhotoRole>().notNull(),
    surface: text('surface'),
    mark: text('mark'),
    pairOf: text('pair_of'),
    tape: text('tape', { mode: 'json' }).$type<Photo['tape']>(),
    matched: text('matched', { mode: 'json' }).$type<Photo['matched']>(),
    note: text('note').notNull(),
    widthPx: integer('width_px').notNull(),
    heightPx: integer('height_px').notNull(),
    bytes: integer('bytes').notNull(),
    takenAt: text('taken_at').notNull(),
    /** Taken away, and still there for a while. */
    removedAt: text('removed_at'),
  },
  (table) => [index('photos_job').on(table.jobId)],
);

/** What a job still takes: units of each product, so that nine jobs in ten like it are covered; none once all is laid. */
export interface JobDemand {
  readonly lessons: string;
  readonly units: Readonly<Record<string, number>>;
}

/** Each job in brief, with what it was worked out from and until when it holds: a list is read, not planned. */
export const jobSummaries = sqliteTable(
  'job_summaries',
  {
    jobId: text('job_id')
      .primaryKey()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    lastSeq: integer('last_seq').notNull(),
    /** The models it was worked out by. */
    model: text('model').notNull(),
    /** What else it depends on beside the job and its log, as it was then. */
    standing: text('standing').notNull(),
    /** When it was worked out, and until when it stays as it is. */
    atMs: integer('at_ms').notNull(),
    goodUntilMs: integer('good_until_ms').notNull(),
    /** What is found and sorted by: parts of the summary, beside it. */
    phase: text('phase').$type<JobSummary['phase']>().notNull(),
    startMs: integer('start_ms').notNull(),
    /** When something of it is due that somebody has to do; null: nothing is. */
    dueMs: integer('due_ms'),
    itemId: text('item_id'),
    /** Title, item, owner and traits, in small letters. */
    find: text('find').notNull(),
    summary: text('summary', { mode: 'json' }).$type<JobSummary>().notNull(),
    /** What the job still takes, and the lessons of weighings it was worked out with. */
    demand: text('demand', { mode: 'json' }).$type<JobDemand>().notNull(),
  },
  (table) => [index('job_summaries_item').on(table.itemId, table.startMs)],
);

/** What was really done. Append-only: triggers in the migrations refuse any change or removal. */
export const runLog = sqliteTable(
  'run_log',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    at: text('at').notNull(),
    by: text('by'),
    recordedAt: text('recorded_at').notNull(),
    /** As the device said it, where its clock was another. */
    deviceAt: text('device_at'),
    entry: text('entry', { mode: 'json' }).$type<LogEntry['entry']>().notNull(),
  },
  (table) => [
    uniqueIndex('run_log_id').on(table.jobId, table.id),
    index('run_log_job').on(table.jobId, table.seq),
    // Jobs at which drops were read are few among many entries.
    index('run_log_drops')
      .on(table.jobId)
      .where(sql`json_extract(entry, '$.type') = 'bead'`),
  ],
);

/** What happened to each thing in stock. Append-only, as the run log is. */
export const stockLog = sqliteTable(
  'stock_log',
  {
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull(),
    thing: text('thing').notNull(),
    at: text('at').notNull(),
    by: text('by'),
    recordedAt: text('recorded_at').notNull(),
    /** As the device said it, where its clock was another. */
    deviceAt: text('device_at'),
    entry: text('entry', { mode: 'json' }).$type<StockLogEntry['entry']>().notNull(),
  },
  (table) => [uniqueIndex('stock_log_id').on(table.id), index('stock_log_thing').on(table.thing, table.seq)],
);

/** What was ticked off on a list of a job: kept by its line, seen on every tablet. */
export const ticks = sqliteTable(
  'ticks',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    line: text('line').notNull(),
    at: text('at').notNull(),
    /** Who ticked it. */
    by: text('by'),
  },
  (table) => [uniqueIndex('ticks_line').on(table.jobId, table.line)],
);

/** Who works here. Nobody is deleted: what they did stays theirs. */
export const people = sqliteTable(
  'people',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    role: text('role').$type<Role>().notNull(),
    passwordHash: text('password_hash'),
    pinHash: text('pin_hash'),
    /** Goes up where password, PIN or role is changed, or they leave: whoever signed in under an earlier one is out. */
    edition: integer('edition').notNull(),
    leftAt: text('left_at'),
  },
  (table) => [uniqueIndex('people_name').on(sql`lower(${table.name})`)],
);

/** Devices of the shop, let in by a code that was scanned at the desk. */
export const tablets = sqliteTable('tablets', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  pairedAt: text('paired_at').notNull(),
  seenAt: text('seen_at'),
  cutAt: text('cut_at'),
});

/** Codes that pair a device: once, for ten minutes. Only what they hash to is kept. */
export const pairings = sqliteTable('pairings', {
  codeHash: text('code_hash').primaryKey(),
  name: text('name').notNull(),
  expiresMs: integer('expires_ms').notNull(),
});

/** Links that show one job to whoever has them, until a day. Only what they hash to is kept. */
export const guestLinks = sqliteTable(
  'guest_links',
  {
    id: text('id').primaryKey(),
    tokenHash: text('token_hash').notNull(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    madeAt: text('made_at').notNull(),
    until: text('until').notNull(),
    cutAt: text('cut_at'),
  },
  (table) => [uniqueIndex('guest_links_token').on(table.tokenHash), index('guest_links_job').on(table.jobId)],
);

/** Who is in, under what the session's name hashes to. */
export const sessions = sqliteTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    data: text('data').notNull(),
    expiresMs: integer('expires_ms').notNull(),
  },
  (table) => [index('sessions_expires').on(table.expiresMs)],
);

/** What was changed, by whom and at which device. Append-only. What is laid and what stock moves has logs of its own. */
export const auditEntries = sqliteTable('deeds', {
  seq: integer('seq').primaryKey({ autoIncrement: true }),
  at: text('at').notNull(),
  by: text('by'),
  tablet: text('tablet'),
  what: text('deed').notNull(),
  ofKind: text('of_kind'),
  ofId: text('of_id'),
});

/** What was handed over, as it was signed. Append-only: triggers in the migrations refuse any change or removal. */
export const handovers = sqliteTable(
  'handovers',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    at: text('at').notNull(),
    by: text('by'),
    signedBy: text('signed_by').notNull(),
    strokes: text('strokes', { mode: 'json' }).$type<Handover['strokes']>().notNull(),
    passport: text('passport', { mode: 'json' }).$type<PassportFile>().notNull(),
  },
  (table) => [index('handovers_job').on(table.jobId, table.at)],
);

/** Passports of other shops that were taken in, by the item they began. */
export const takenPassports = sqliteTable('taken_passports', {
  itemId: text('item_id').primaryKey(),
  jobId: text('job_id')
    .notNull()
    .references(() => jobs.id),
  at: text('at').notNull(),
  file: text('file', { mode: 'json' }).$type<PassportFile>().notNull(),
});

/** What is set for the whole workshop, each under its name. */
export const shopSettings = sqliteTable('shop_settings', {
  name: text('name').primaryKey(),
  value: text('value', { mode: 'json' }).$type<unknown>().notNull(),
});
