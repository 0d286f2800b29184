import type { Job, OwnerData, OwnerDataRemoved } from '#formats/job';
import type { Db } from '../db/open';
import { notFound } from '../http/problem';
import { guestLinkRepository } from '../repositories/guest-links';
import { handoverRepository } from '../repositories/handovers';
import { jobRepository } from '../repositories/jobs';
import { photoRepository } from '../repositories/photos';
import { summaryRepository } from '../repositories/summaries';
import type { ChangeFeed } from './changes';
import { summaryToBe } from './workings';

/** Stands where a name was. */
const NAMELESS = 'the owner';

/** An owner's wish to have what is kept of them given out, or removed. What was done to their items stays. */
export function ownerService(db: Db, changes: ChangeFeed, now: () => Date) {
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
    return { name, items: name === null ? [itemId] : [...new Set([itemId, ...jobs.itemsOfOwner(name)])] };
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
     * Takes name and plate off every job of the owner's items, titles included, cuts the links that were given out, and
     * forgets earlier versions, which hold them too. Record, layers, readings and pictures of the items stay, and what was
     * signed stays as it was signed.
     * @throws ProblemError (404) for an item no job names
     */
    removed(itemId: string): OwnerDataRemoved {
      const { name, items } = underName(itemId);
      const answer = { jobs: 0, links: 0, signedKept: 0 };
      const at = now().toISOString();
      const touched = items.flatMap((id) => jobs.everOfItem(id));
      db.transaction(
        () => {
          for (const job of touched) {
            const { id, version, document, bayId, airSource } = job;
            answer.signedKept += handovers.of(id).length;
            for (const link of links.of(id).filter(({ cutAt }) => cutAt === null)) {
              links.cut(link.id, at);
              answer.links += 1;
            }
            const draft = { document: withoutOwner(document, name), bayId, airSource };
            jobs.update(id, version + 1, draft, at, job);
            // Nor in any list, worked out or not.
            summaries.put(id, summaryToBe({ ...job, ...draft, version: version + 1 }, now().getTime()));
            jobs.forgetVersions(id);
            answer.jobs += 1;
          }
        },
        { behavior: 'immediate' },
      );
      for (const { id } of touched) changes.tell({ kind: 'job', id });
      return answer;
    },
  };
}

/** A job without name and plate of whose item it is, wherever they were written. */
function withoutOwner(document: Job, name: string | null): Job {
  const { item } = document;
  const told = [name, item?.plate].filter((word) => word !== null && word !== undefined && word !== '') as string[];
  const blanked = (text: string) => told.reduce((words, word) => words.replaceAll(word, NAMELESS), text);
  if (!item) return { ...document, title: blanked(document.title) };
  const { ownerName, plate, ...kept } = item;
  return { ...document, title: blanked(document.title), item: { ...kept, name: blanked(item.name) } };
}
