import { and, desc, eq, getTableColumns, gt, isNotNull, isNull, lt, ne, or, sql } from 'drizzle-orm';
import type { JobDraft, JobRecord } from '#formats/job';
import type { Db } from '../db/open';
import { jobs } from '../db/schema';
import { formerVersionRepository } from './former-versions';

/** Earlier jobs that are looked at for what worked on a model. */
const TEST_SPOT_JOBS = 20;

function draftOf({ document, bayId, airSource }: JobRecord): JobDraft {
  return { document, bayId, airSource };
}

/** Jobs in their latest version, and the few before it. */
export function jobRepository(db: Db) {
  const former = formerVersionRepository(db, 'job');
  const { itemId, templateId, testSpots, removedAt, ...columns } = getTableColumns(jobs);
  const present = isNull(removedAt);
  const startAt = sql<string>`json_extract(${jobs.document}, '$.startAt')`;
  return {
    isAny: (): boolean => db.select({ id: jobs.id }).from(jobs).where(present).limit(1).get() !== undefined,
    get: (id: string): JobRecord | undefined =>
      db
        .select(columns)
        .from(jobs)
        .where(and(eq(jobs.id, id), present))
        .get(),
    /** A job whether it was taken away or not. */
    everKnown: (id: string) =>
      db
        .select({ ...columns, removedAt })
        .from(jobs)
        .where(eq(jobs.id, id))
        .get(),
    titlesInBay: (bayId: string): string[] =>
      db
        .select({ title: sql<string>`json_extract(${jobs.document}, '$.title')` })
        .from(jobs)
        .where(and(eq(jobs.bayId, bayId), present))
        .all()
        .map(({ title }) => title),
    /** Forgets those taken away before an instant, and says how many there were. */
    clear(before: string): number {
      const gone = db
        .delete(jobs)
        .where(and(isNotNull(removedAt), lt(removedAt, before)))
        .returning({ id: jobs.id })
        .all();
      for (const { id } of gone) former.forget(id);
      return gone.length;
    },
    markRemoved: (id: string, at: string | null) =>
      void db.update(jobs).set({ removedAt: at }).where(eq(jobs.id, id)).run(),
    /** The same with those that were taken away and can still be brought back. */
    everOfItem: (item: string): JobRecord[] =>
      db
        .select(columns)
        .from(jobs)
        .where(eq(jobs.itemId, item))
        .orderBy(desc(sql`julianday(${startAt})`))
        .all(),
    /** Items and what their owners are called at any visit. */
    owned: (): { readonly item: string; readonly name: string }[] =>
      db
        .selectDistinct({ item: itemId, name: sql<string | null>`json_extract(${jobs.document}, '$.item.ownerName')` })
        .from(jobs)
        .where(isNotNull(itemId))
        .all()
        .flatMap(({ item, name }) => (item !== null && name !== null ? [{ item, name }] : [])),
    /** The visits of an item, the last first. */
    ofItem: (item: string): JobRecord[] =>
      db
        .select(columns)
        .from(jobs)
        .where(and(eq(jobs.itemId, item), present))
        .orderBy(desc(sql`julianday(${startAt})`))
        .all(),
    /** Other items of a model, the last here first. */
    twinsOf: (template: string, item: string, most: number): string[] =>
      db
        .select({ itemId, last: sql<number>`max(julianday(${startAt}))` })
        .from(jobs)
        .where(and(eq(templateId, template), isNotNull(itemId), ne(itemId, item), present))
        .groupBy(itemId)
        .orderBy(desc(sql`max(julianday(${startAt}))`))
        .limit(most)
        .all()
        .flatMap(({ itemId: id }) => id ?? []),
    /** Jobs of an item or of its model at which test spots were tried, the last first. */
    withTestSpots(item: string | undefined, template: string | undefined): JobRecord[] {
      const tried = gt(testSpots, 0);
      const ofModel = and(eq(templateId, template ?? ''), tried);
      const ofItem = and(eq(itemId, item ?? ''), tried);
      return db
        .select(columns)
        .from(jobs)
        .where(and(or(ofItem, ofModel), present))
        .orderBy(desc(sql`julianday(${startAt})`))
        .limit(TEST_SPOT_JOBS)
        .all();
    },
    add(id: string, draft: JobDraft, at: string): JobRecord {
      const record = { id, version: 1, ...draft, createdAt: at, updatedAt: at };
      db.insert(jobs).values(record).run();
      return record;
    },
    /** Forgets every version before the one that stands. */
    forgetVersions: former.forget,
    /** @param before what stood until now: it is kept for a while */
    update(id: string, version: number, draft: JobDraft, at: string, before: JobRecord): void {
      former.keep(id, before.version, draftOf(before));
      db.update(jobs)
        .set({ ...draft, version, updatedAt: at })
        .where(eq(jobs.id, id))
        .run();
    },
  };
}
