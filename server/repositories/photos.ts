import { and, eq, isNotNull, isNull, lt } from 'drizzle-orm';
import type { Photo, PhotoChanges } from '#formats/job';
import type { Db } from '../db/open';
import { photos } from '../db/schema';

/** What is known of each picture. Those taken away stay until they are cleared. */
export function photoRepository(db: Db) {
  const known = ({ removedAt: _, ...photo }: typeof photos.$inferSelect): Photo => photo;
  return {
    of: (jobId: string): Photo[] =>
      db
        .select()
        .from(photos)
        .where(and(eq(photos.jobId, jobId), isNull(photos.removedAt)))
        .orderBy(photos.takenAt, photos.id)
        .all()
        .map(known),
    get(id: string): { readonly photo: Photo; readonly removed: boolean } | undefined {
      const row = db.select().from(photos).where(eq(photos.id, id)).get();
      return row && { photo: known(row), removed: row.removedAt !== null };
    },
    add: (photo: Photo) => void db.insert(photos).values(photo).run(),
    change: (id: string, words: PhotoChanges) => void db.update(photos).set(words).where(eq(photos.id, id)).run(),
    markRemoved: (id: string, at: string | null) =>
      void db.update(photos).set({ removedAt: at }).where(eq(photos.id, id)).run(),
    /** Forgets those taken away before an instant, and says which they were. */
    clear(before: string): string[] {
      return db
        .delete(photos)
        .where(and(isNotNull(photos.removedAt), lt(photos.removedAt, before)))
        .returning({ id: photos.id })
        .all()
        .map(({ id }) => id);
    },
  };
}
