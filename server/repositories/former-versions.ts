import { and, eq, lte } from 'drizzle-orm';
import type { Db } from '../db/open';
import { formerVersions, type VersionedKind } from '../db/schema';

/** Versions kept of each thing. */
const KEPT = 20;

/** Earlier states of jobs, sheets, offers, kit and bays. */
export function formerVersionRepository(db: Db, kind: VersionedKind) {
  const of = (id: string) => and(eq(formerVersions.kind, kind), eq(formerVersions.id, id));
  return {
    keep(id: string, version: number, body: object): void {
      const row = { kind, id, version, body };
      // A thing that was taken away may come again under its id, and begins at version 1.
      db.insert(formerVersions)
        .values(row)
        .onConflictDoUpdate({ target: [formerVersions.kind, formerVersions.id, formerVersions.version], set: row })
        .run();
      db.delete(formerVersions)
        .where(and(of(id), lte(formerVersions.version, version - KEPT)))
        .run();
    },
    forget: (id: string): void => void db.delete(formerVersions).where(of(id)).run(),
    get: (id: string, version: number): object | undefined =>
      db
        .select({ body: formerVersions.body })
        .from(formerVersions)
        .where(and(of(id), eq(formerVersions.version, version)))
        .get()?.body,
  };
}
