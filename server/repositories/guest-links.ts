import { desc, eq } from 'drizzle-orm';
import type { GuestLink } from '#formats/people';
import type { Db } from '../db/open';
import { guestLinks } from '../db/schema';

type Row = typeof guestLinks.$inferSelect;
const shown = ({ id, jobId, madeAt, until, cutAt }: Row): GuestLink => ({ id, job: jobId, madeAt, until, cutAt });

/** Links that show one job to whoever has them. */
export function guestLinkRepository(db: Db) {
  return {
    of: (jobId: string): GuestLink[] =>
      db.select().from(guestLinks).where(eq(guestLinks.jobId, jobId)).orderBy(desc(guestLinks.madeAt)).all().map(shown),
    get(id: string): GuestLink | undefined {
      const row = db.select().from(guestLinks).where(eq(guestLinks.id, id)).get();
      return row && shown(row);
    },
    find(tokenHash: string): GuestLink | undefined {
      const row = db.select().from(guestLinks).where(eq(guestLinks.tokenHash, tokenHash)).get();
      return row && shown(row);
    },
    add({ job, ...link }: GuestLink, tokenHash: string): void {
      db.insert(guestLinks)
        .values({ ...link, jobId: job, tokenHash })
        .run();
    },
    cut: (id: string, at: string) => void db.update(guestLinks).set({ cutAt: at }).where(eq(guestLinks.id, id)).run(),
  };
}
