import { and, asc, between, count, eq, gte, lt, sql } from 'drizzle-orm';
import { BELIEVED_C, BELIEVED_RH_PCT, type BayReading, type ReadingBucket } from '#core/time/bay-air';
import type { ReadingSource } from '#formats/bay';
import type { Db } from '../db/open';
import { bayReadings } from '../db/schema';

export interface KeptReading extends BayReading {
  readonly source: ReadingSource;
  readonly simulated: boolean;
}

/** The air of bays as it was read. */
export function bayReadingRepository(db: Db) {
  const { bayId, atMs, airC, rhPct, source, simulated } = bayReadings;
  const place = (name: keyof typeof bayReadings.$inferInsert) => sql.placeholder(name);
  // Prepared once: a logger's file has tens of thousands.
  const insert = db
    .insert(bayReadings)
    .values({
      bayId: place('bayId'),
      atMs: place('atMs'),
      airC: place('airC'),
      rhPct: place('rhPct'),
      source: place('source'),
      simulated: place('simulated'),
    })
    .onConflictDoNothing()
    .prepare();
  return {
    /** @returns how many were new: a moment is kept once, as it was told first */
    add: (id: string, readings: readonly KeptReading[]): number =>
      db.transaction(() => readings.reduce((sum, reading) => sum + insert.run({ bayId: id, ...reading }).changes, 0)),
    /** In their order. */
    between: (id: string, fromMs: number, toMs: number): KeptReading[] =>
      db
        .select({ atMs, airC, rhPct, source, simulated })
        .from(bayReadings)
        .where(and(eq(bayId, id), gte(atMs, fromMs), lt(atMs, toMs)))
        .orderBy(asc(atMs))
        .all(),
    /** How many there are between two moments. */
    countBetween: (id: string, fromMs: number, toMs: number): number =>
      db
        .select({ count: count() })
        .from(bayReadings)
        .where(and(eq(bayId, id), gte(atMs, fromMs), lt(atMs, toMs)))
        .get()!.count,
    /** The same thinned to so many stretches where it lies, without what no bay has: a year of minutes is half a million. */
    thinned(id: string, fromMs: number, toMs: number, most: number): ReadingBucket[] {
      const widthMs = Math.max(1, Math.ceil((toMs - fromMs) / most));
      return db
        .select({
          atMs: sql<number>`min(${atMs})`,
          lowC: sql<number>`min(${airC})`,
          meanC: sql<number>`avg(${airC})`,
          highC: sql<number>`max(${airC})`,
          rhPct: sql<number>`avg(${rhPct})`,
          count: count(),
        })
        .from(bayReadings)
        .where(
          and(
            eq(bayId, id),
            gte(atMs, fromMs),
            lt(atMs, toMs),
            between(airC, ...BELIEVED_C),
            between(rhPct, ...BELIEVED_RH_PCT),
          ),
        )
        .groupBy(sql`cast((${atMs} - ${fromMs}) / ${widthMs} as integer)`)
        .orderBy(sql`1`)
        .all();
    },
  };
}
