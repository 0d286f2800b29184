import { MS_PER_DAY } from '#core/measures';
import type { GuestLink, MadeGuestLink } from '#formats/people';
import { digest, token } from '../../accounts/secrets';
import type { Db } from '../../db/open';
import { notFound } from '../../http/problem';
import { guestLinkRepository } from '../../repositories/guest-links';
import { jobRepository } from '../../repositories/jobs';
import type { Try } from './attempts';

/** Links that show one job to whoever has them, for some days. */
export function guestLinks(db: Db, tried: Try, now: () => Date) {
  const links = guestLinkRepository(db);
  const jobs = jobRepository(db);
  const nowMs = () => now().getTime();
  const nowText = () => now().toISOString();

  const requireJob = (id: string): string => {
    if (!jobs.get(id)) throw notFound('job', id);
    return id;
  };

  return {
    guestLinks: (job: string): GuestLink[] => links.of(requireJob(job)),
    guestLink(job: string, days: number): MadeGuestLink {
      requireJob(job);
      const secret = token();
      const until = new Date(nowMs() + days * MS_PER_DAY).toISOString();
      const link = { id: token(), job, madeAt: nowText(), until, cutAt: null };
      links.add(link, digest(secret));
      return { ...link, token: secret };
    },
    /** @throws ProblemError (401) for a link that is none, was ended or is over */
    guest: (secret: string, address: string): Promise<GuestLink> =>
      tried(
        [['address', address]],
        () => {
          const link = links.find(digest(secret));
          return link && link.cutAt === null && Date.parse(link.until) > nowMs() && jobs.get(link.job)
            ? link
            : undefined;
        },
        'This link is over, or was ended. Ask the workshop for another.',
      ),
    cutGuestLink(id: string): void {
      if (!links.get(id)) throw notFound('link', id);
      links.cut(id, nowText());
    },
  };
}
