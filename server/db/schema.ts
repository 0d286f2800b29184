import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Offer } from '#core/choice/offers';
import type { ReadingSource } from '#formats/bay';
import type { Bay, JobDraft, JobSummary, KeptTemplateDraft, Photo, PhotoRole } from '#formats/job';
import type { LogEntry } from '#formats/log';
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
  },
  (table) => [index('jobs_updated').on(table.updatedAt), index('jobs_item').on(table.itemId)],
);

/** Items kept as patterns for others like them. */
export const templates = sqliteTable('templates', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  kept: text('kept', { mode: 'json' }).$type<KeptTemplateDraft>().notNull(),
  createdAt: text('created_at').notNull(),
});

/** The latest versions of each job, so that a stale write can be told what has changed since. */
export const jobVersions = sqliteTable(
  'job_versions',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    draft: text('draft', { mode: 'json' }).$type<JobDraft>().notNull(),
  },
  (table) => [uniqueIndex('job_versions_key').on(table.jobId, table.version)],
);

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
export type VersionedKind = 'product' | 'offer' | 'kit' | 'bay';

/** What each job teaches of preparation, as of an entry of its log: worked out when the log grows, not when it is asked. */
export const jobLessons = sqliteTable('job_lessons', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  lastSeq: integer('last_seq').notNull(),
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

/** What was really done. Append-only: triggers in the migrations refuse any change or removal. */
/** Each job at a glance, with what it was worked out from and until when it holds: a list is read, not planned. */
export const jobGlances = sqliteTable('job_glances', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  version: integer('version').notNull(),
  lastSeq: integer('last_seq').notNull(),
  /** What it turns on beside the job and its log, as it stood. */
  standing: text('standing').notNull(),
  /** When it was worked out, and until when it stays as it is. */
  atMs: integer('at_ms').notNull(),
  goodUntilMs: integer('good_until_ms').notNull(),
  glance: text('glance', { mode: 'json' }).$type<JobSummary>().notNull(),
});

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
    entry: text('entry', { mode: 'json' }).$type<LogEntry['entry']>().notNull(),
  },
  (table) => [uniqueIndex('run_log_id').on(table.jobId, table.id), index('run_log_job').on(table.jobId, table.seq)],
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
    by: text('by'),
  },
  (table) => [uniqueIndex('ticks_line').on(table.jobId, table.line)],
);
