import { and, asc, eq } from 'drizzle-orm';
import type { Tick } from '#formats/stock';
import type { Db } from '../db/open';
import { ticks } from '../db/schema';
import type { ChangeFeed } from './changes';

/** What is ticked off on the lists of a job: the same on every tablet, however often it is tapped. */
export function tickService(db: Db, changes: ChangeFeed, now: () => Date) {
  const of = (jobId: string): Tick[] =>
    db
      .select({ line: ticks.line, at: ticks.at, by: ticks.by })
      .from(ticks)
      .where(eq(ticks.jobId, jobId))
      .orderBy(asc(ticks.line))
      .all()
      .map(({ by, ...tick }) => ({ ...tick, ...(by !== null && { by }) }));
  return {
    of,
    set(jobId: string, line: string, ticked: boolean, by?: string): Tick[] {
      if (ticked)
        db.insert(ticks)
          .values({ jobId, line, at: now().toISOString(), by: by ?? null })
          .onConflictDoNothing()
          .run();
      else
        db.delete(ticks)
          .where(and(eq(ticks.jobId, jobId), eq(ticks.line, line)))
          .run();
      changes.tell({ kind: 'ticks', id: jobId });
      return of(jobId);
    },
  };
}
