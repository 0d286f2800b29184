import { and, desc, eq, getTableColumns, gte, inArray, isNotNull, isNull, max, ne, or, sql } from 'drizzle-orm';
import { MS_PER_DAY } from '#core/measures';
import type { ItemSummary, JobSummary } from '#formats/job';
import type { Db } from '../db/open';
import { type JobDemand, jobSummaries, jobs, runLog } from '../db/schema';
import { MODEL_EDITION } from '../model-edition';

/** A summary as it is kept. */
export interface KeptSummary {
  readonly version: number;
  readonly lastSeq: number;
  readonly model: string;
  readonly standing: string;
  readonly atMs: number;
  readonly goodUntilMs: number;
  readonly summary: JobSummary;
  readonly demand: JobDemand;
}

/** A job in a list: which version it is in, how far its log has come, and how what is kept of its summary stands. */
export interface ListedJob {
  readonly id: string;
  readonly version: number;
  readonly lastSeq: number;
  readonly kept: (Omit<KeptSummary, 'summary' | 'demand'> & Pick<JobSummary, 'phase'>) | undefined;
}

/** What is in care and due this long ago, or ahead, is the day's matter. */
const OVERDUE_MS = 60 * MS_PER_DAY;
const AHEAD_MS = 90 * MS_PER_DAY;

/** Longer than any workshop keeps its jobs, ms. */
const PLANNED_BEFORE_MS = 400 * 365 * MS_PER_DAY;

/** A summary in a list, and whether it is of its job as it stands. */
export interface ListedSummary extends Pick<KeptSummary, 'summary' | 'model' | 'goodUntilMs'> {
  readonly isCurrent: boolean;
}

/** Some of what was found, and how much there is. */
export interface Page<T> {
  readonly rows: T[];
  readonly found: number;
}

const wordsOf = (words: string): string[] =>
  words
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');

/** Jobs at a summary, kept beside the jobs: found, sorted and paged without opening a document. */
export function summaryRepository(db: Db) {
  const { summary, demand, find, itemId, startMs, dueMs, ...standing } = getTableColumns(jobSummaries);
  const there = isNull(jobs.removedAt);
  /** Every word stands somewhere in what is found by. */
  const says = (words: string) => and(...wordsOf(words).map((word) => sql`instr(${find}, ${word}) > 0`));
  /** The same of one visit beside others of its item. */
  const said = (words: string) =>
    sql.join(
      wordsOf(words).map((word) => sql`instr(seen.find, ${word}) > 0`),
      sql` and `,
    );
  /** Summaries of jobs that are there. */
  const summaries = () =>
    db
      .select({
        summary,
        model: standing.model,
        goodUntilMs: standing.goodUntilMs,
        isCurrent:
          sql<boolean>`${standing.version} = ${jobs.version} and ${standing.model} = ${MODEL_EDITION} and ${standing.lastSeq} = (select coalesce(max(${runLog.seq}), 0) from ${runLog} where ${runLog.jobId} = ${jobs.id})`.mapWith(
            Boolean,
          ),
      })
      .from(jobSummaries)
      .innerJoin(jobs, eq(jobs.id, jobSummaries.jobId));
  /** Its item has been here again since: something was done at a later visit. One that is only planned is none. */
  const cameBack = sql`exists (select 1 from job_summaries later where later.item_id = ${itemId} and later.start_ms > ${startMs} and later.phase not in ('survey', 'planned'))`;
  return {
    /** All jobs that are there, last changed first. No document is opened, and no summary read. */
    listed(): ListedJob[] {
      const last = new Map(
        db
          .select({ jobId: runLog.jobId, last: max(runLog.seq) })
          .from(runLog)
          .groupBy(runLog.jobId)
          .all()
          .map(({ jobId, last: seq }) => [jobId, seq ?? 0]),
      );
      const kept = new Map(
        db
          .select(standing)
          .from(jobSummaries)
          .all()
          .map(({ jobId, ...each }) => [jobId, each]),
      );
      return db
        .select({ id: jobs.id, version: jobs.version })
        .from(jobs)
        .where(there)
        .orderBy(desc(jobs.updatedAt))
        .all()
        .map((row) => ({ ...row, lastSeq: last.get(row.id) ?? 0, kept: kept.get(row.id) }));
    },
    /** One of them, as it is now. */
    listedJob(id: string): ListedJob | undefined {
      const row = db
        .select({ id: jobs.id, version: jobs.version })
        .from(jobs)
        .where(and(eq(jobs.id, id), there))
        .get();
      if (!row) return undefined;
      const last = db
        .select({ last: max(runLog.seq) })
        .from(runLog)
        .where(eq(runLog.jobId, id))
        .get();
      const kept = db.select(standing).from(jobSummaries).where(eq(jobSummaries.jobId, id)).get();
      return { ...row, lastSeq: last?.last ?? 0, kept };
    },
    /** What a job took as it was worked out last; undefined: it never was. */
    demandOf: (id: string): Pick<KeptSummary, 'version' | 'lastSeq' | 'model' | 'demand'> | undefined =>
      db
        .select({ version: standing.version, lastSeq: standing.lastSeq, model: standing.model, demand })
        .from(jobSummaries)
        .where(eq(jobSummaries.jobId, id))
        .get(),
    /** What is the day's matter: in the bays, curing, to come, and in care where something is due and it is the last visit. */
    current(nowMs: number, most: number): ListedSummary[] {
      const due = sql`${dueMs} between ${nowMs - OVERDUE_MS} and ${nowMs + AHEAD_MS} and not ${cameBack}`;
      return summaries()
        .where(and(there, or(ne(standing.phase, 'in-care'), due)))
        .orderBy(desc(jobs.updatedAt))
        .limit(most)
        .all();
    },
    /** What is out and looked after, each item by its last visit, what is to be done soonest first. */
    inCare(nowMs: number, from: number, most: number): Page<ListedSummary> {
      const out = and(
        there,
        inArray(standing.phase, ['ready', 'in-care']),
        sql`not ${cameBack}`,
        sql`coalesce(${dueMs}, ${nowMs}) >= ${nowMs - OVERDUE_MS}`,
      );
      const [count] = db
        .select({ found: sql<number>`count(*)` })
        .from(jobSummaries)
        .innerJoin(jobs, eq(jobs.id, jobSummaries.jobId))
        .where(out)
        .all();
      const rows = summaries()
        .where(out)
        .orderBy(sql`${dueMs} is null`, dueMs)
        .limit(most)
        .offset(from)
        .all();
      return { rows, found: count?.found ?? 0 };
    },
    /** Jobs by words of their title, item, owner or traits, the last ones first. */
    found(words: string, from: number, most: number): Page<ListedSummary> {
      const wanted = and(there, says(words));
      const [count] = db
        .select({ found: sql<number>`count(*)` })
        .from(jobSummaries)
        .innerJoin(jobs, eq(jobs.id, jobSummaries.jobId))
        .where(wanted)
        .all();
      const rows = summaries().where(wanted).orderBy(desc(startMs)).limit(most).offset(from).all();
      return { rows, found: count?.found ?? 0 };
    },
    /** Jobs that begin at a moment or later. */
    startingFrom: (ms: number): { id: string; version: number }[] =>
      db
        .select({ id: jobSummaries.jobId, version: jobs.version })
        .from(jobSummaries)
        .innerJoin(jobs, eq(jobs.id, jobSummaries.jobId))
        .where(and(there, gte(startMs, ms)))
        .all(),
    /** Items by their last visit, found by words of any visit: its names, or what was laid, used and found at it. */
    items(words: string, from: number, most: number): Page<ItemSummary> {
      // What is only planned comes before all that has been, however late it is.
      const last = sql<number>`max(case when ${standing.phase} in ('survey', 'planned') then ${startMs} - ${PLANNED_BEFORE_MS} else ${startMs} end)`;
      const visited = sql`${itemId} in (select seen.item_id from job_summaries seen join jobs on jobs.id = seen.job_id where jobs.removed_at is null and ${said(words)})`;
      const wanted = and(there, isNotNull(itemId), words.trim() === '' ? undefined : visited);
      const [count] = db
        .select({ found: sql<number>`count(distinct ${itemId})` })
        .from(jobSummaries)
        .innerJoin(jobs, eq(jobs.id, jobSummaries.jobId))
        .where(wanted)
        .all();
      const rows = db
        // Beside a maximum, SQLite takes the summary from the very row that has it.
        .select({
          id: sql<string>`${itemId}`,
          visits: sql<number>`sum(${standing.phase} not in ('survey', 'planned'))`,
          last,
          summary,
        })
        .from(jobSummaries)
        .innerJoin(jobs, eq(jobs.id, jobSummaries.jobId))
        .where(wanted)
        .groupBy(itemId)
        .orderBy(desc(sql`(select max(other.start_ms) from job_summaries other where other.item_id = ${itemId})`))
        .limit(most)
        .offset(from)
        .all();
      return {
        found: count?.found ?? 0,
        rows: rows.map(({ id, visits, summary: latest }) => ({
          id,
          name: latest.itemName ?? latest.title,
          ownerName: latest.ownerName ?? null,
          visits,
          lastJobId: latest.id,
          lastAt: latest.startAt,
        })),
      };
    },
    put(jobId: string, { summary: seen, ...kept }: KeptSummary): void {
      const { phase, startAt, renew, reminders, traits, itemId: item, title, itemName, ownerName } = seen;
      const due = [renew, ...reminders.map(({ on }) => on)].flatMap((at) => (at === null ? [] : [Date.parse(at)]));
      const row = {
        ...kept,
        jobId,
        summary: seen,
        phase,
        startMs: Date.parse(startAt),
        dueMs: due.length > 0 ? Math.min(...due) : null,
        itemId: item ?? null,
        find: [title, itemName, ownerName, ...traits].join(' ').toLowerCase(),
      };
      db.insert(jobSummaries).values(row).onConflictDoUpdate({ target: jobSummaries.jobId, set: row }).run();
    },
  };
}
