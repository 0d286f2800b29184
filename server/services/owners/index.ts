import type { Job, JobRecord, OwnerData, OwnerDataRemoved } from '#formats/job';
import { type Db, forgetWhatWasFreed } from '../../db/open';
import { conflict, notFound } from '../../http/problem';
import { guestLinkRepository } from '../../repositories/guest-links';
import { handoverRepository } from '../../repositories/handovers';
import { jobRepository } from '../../repositories/jobs';
import { photoRepository } from '../../repositories/photos';
import { summaryRepository } from '../../repositories/summaries';
import { ownersWords } from '../../repositories/owners-words';
import type { ChangeFeed } from '../changes';
import type { PassportService } from '../passports';
import { summaryToBe } from '../workings';
import { sameName } from '../same-name';
import { nameless, type Told } from './nameless';

/** ms */
const SWEEPS_EVERY_MS = 1000;

/** An owner's wish to have what is kept of them given out, or removed. What was done to their items stays. */
export function ownerService(
  db: Db,
  changes: ChangeFeed,
  { passports }: { readonly passports: Pick<PassportService, 'signed'> },
  now: () => Date,
) {
  const jobs = jobRepository(db);
  const photos = photoRepository(db);
  const handovers = handoverRepository(db);
  const links = guestLinkRepository(db);
  const summaries = summaryRepository(db);

  /** The owner's name, and the items that stand under it; only this item where nobody said a name. */
  const underName = (itemId: string) => {
    const [last] = jobs.everOfItem(itemId);
    if (!last) throw notFound('item', itemId);
    const name = last.document.item?.ownerName ?? null;
    const others = name === null ? [] : jobs.owned().filter((each) => sameName(each.name) === sameName(name));
    return { name, items: [...new Set([itemId, ...others.map(({ item }) => item)])] };
  };

  return {
    /** @throws ProblemError (404) for an item no job names */
    given(itemId: string): OwnerData {
      const { name, items } = underName(itemId);
      return {
        name,
        givenAt: now().toISOString(),
        items: items.map((id) => {
          const visits = jobs.everOfItem(id);
          const { item, title } = visits[0]!.document;
          return {
            id,
            name: item?.name ?? title,
            plate: item?.plate ?? null,
            visits: visits.map(({ id: jobId, document }) => {
              const { needsBy, ...lives } = document.owner ?? {};
              return {
                jobId,
                title: document.title,
                startAt: document.startAt,
                needsBy: needsBy ?? null,
                lives: Object.fromEntries(
                  Object.entries(lives).flatMap(([key, value]) => (value === undefined ? [] : [[key, value]])),
                ),
                pictures: photos.of(jobId).map(({ takenAt, note }) => ({ takenAt, note })),
                signed: handovers.of(jobId).map(({ at, signedBy }) => ({ at, by: signedBy })),
                links: links.of(jobId).map(({ madeAt, cutAt }) => ({ madeAt, cut: cutAt !== null })),
              };
            }),
          };
        }),
      };
    },
    /**
     * Takes a person out of everything that is kept: name, plates, notes, pictures' notes, what they signed; cuts links
     * that were given out, and forgets earlier versions. What was laid, measured and found stays with the items.
     * @param confirmed the items under that name that are this person's, the one asked for among them
     * @throws ProblemError (404) for an item no job names, (409) for one that stands under another name
     */
    removed(itemId: string, confirmed: readonly string[]): Omit<OwnerDataRemoved, 'backups' | 'exports'> {
      const { items } = underName(itemId);
      const stranger = confirmed.find((each) => !items.includes(each));
      if (stranger !== undefined) throw conflict(`Item "${stranger}" stands under another name.`);
      const theirs = [...new Set([itemId, ...confirmed])];
      const touched = theirs.flatMap((id) => jobs.everOfItem(id));
      const told = toldOf(touched);
      const answer = { jobs: touched.length, links: 0, signed: 0 };
      db.transaction(
        () => {
          const clear = nameless(told);
          const written = ownersWords(db);
          for (const job of touched) {
            answer.links += cutLinks(job.id);
            clearJob(job, clear);
            written.ofJob(job.id, clear);
            answer.signed += written.signed(job.id, clear, passports.signed);
          }
          for (const id of theirs) written.taken(id, clear);
          written.elsewhere(clear, [...told.names, ...told.plates]);
        },
        { behavior: 'immediate' },
      );
      for (const { id } of touched) changes.tell({ kind: 'job', id });
      for (const { id } of touched) {
        changes.tell({ kind: 'photos', id });
        changes.tell({ kind: 'handovers', id });
      }
      changes.tell({ kind: 'template', id: 'all' });
      changes.tell({ kind: 'calendar', id: 'calendar' });
      return answer;
    },
    /** What was removed is gone from the files too: tried again until nobody reads what was there before. */
    swept,
  };

  function swept(): void {
    if (!db.$client.open || forgetWhatWasFreed(db)) return;
    setTimeout(swept, SWEEPS_EVERY_MS).unref();
  }

  function cutLinks(jobId: string): number {
    const open = links.of(jobId).filter(({ cutAt }) => cutAt === null);
    for (const { id } of open) links.cut(id, now().toISOString());
    return open.length;
  }

  /** A job without them, in its one version, and in every list, worked out or not. */
  function clearJob(job: JobRecord, clear: ReturnType<typeof nameless>): void {
    const { id, version, document, bayId, airSource } = job;
    const { ownerName: _, plate: __, ...item } = document.item ?? { name: document.title };
    const draft = { document: clear({ ...document, item }, true), bayId, airSource };
    jobs.update(id, version + 1, draft, now().toISOString(), job);
    jobs.forgetVersions(id);
    summaries.put(id, summaryToBe({ ...job, ...draft, version: version + 1 }, now().getTime()));
  }
}

/** Every name and plate that stands in some jobs. */
const toldOf = (touched: readonly JobRecord[]): Told => {
  const each = (pick: (item: NonNullable<Job['item']>) => string | undefined) => [
    ...new Set(touched.flatMap(({ document }) => (document.item && pick(document.item)?.trim()) || [])),
  ];
  return { names: each(({ ownerName }) => ownerName), plates: each(({ plate }) => plate) };
};
