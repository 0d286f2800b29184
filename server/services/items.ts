import { standingSurfaces } from '#core/care/upkeep';
import { judgeReadings } from '#core/survey/paint';
import { foldLog } from '#core/lay/run';
import { type ItemHistory, type ItemLife, type LifeRow, surfaceName, type Visit } from '#formats/job';
import { type EarlierPair, loggedEntries } from '#formats/log';
import { instantAfter } from '#formats/values';
import { planInput } from '#job/plan';
import { pairsFound } from '#job/prepare';
import { isHistory, lastVisit } from '#job/return';
import { lifeVisit } from '#job/view';
import type { Db } from '../db/open';
import { notFound } from '../http/problem';
import { jobRepository } from '../repositories/jobs';
import { photoRepository } from '../repositories/photos';
import { runLogRepository } from '../repositories/run-log';

/** So many others of a model are told of. */
const MOST_TWINS = 4;

/** Items as they come back over the years: all that was laid, measured and seen at each visit. */
export function itemService(db: Db, now: () => Date) {
  const jobs = jobRepository(db);
  const log = runLogRepository(db);
  const photos = photoRepository(db);
  return {
    /**
     * What worked on test spots at earlier visits of a job's item, then on others of its model: the last first.
     * @throws ProblemError (404) for an unknown job
     */
    earlierPairs(jobId: string): EarlierPair[] {
      const job = jobs.get(jobId);
      if (!job) throw notFound('job', jobId);
      const { item, startAt } = job.document;
      return jobs
        .withTestSpots(item?.id, item?.template?.id)
        .filter(({ id, document }) => id !== jobId && Date.parse(document.startAt) <= Date.parse(startAt))
        .flatMap(({ id, document }) =>
          pairsFound(document).map((found) => ({
            jobId: id,
            title: document.title,
            at: document.startAt,
            sameItem: item?.id !== undefined && document.item?.id === item.id,
            ...found,
          })),
        )
        .sort((a, b) => Number(b.sameItem) - Number(a.sameItem));
    },
    /**
     * The life of an item on one axis, beside those of others of its model.
     * @throws ProblemError (404) for an item no job names
     */
    life(id: string): ItemLife {
      const own = lifeOf(id);
      if (!own) throw notFound('item', id);
      const template = jobs.ofItem(id)[0]?.document.item?.template?.id;
      const twins = template === undefined ? [] : jobs.twinsOf(template, id, MOST_TWINS);
      return { ...own, twins: twins.flatMap((twin) => lifeOf(twin) ?? []) };
    },
    /** @throws ProblemError (404) for an item no job names */
    history(id: string): ItemHistory {
      const visits = visitsOf(id);
      const last = lastVisit(visits, now().getTime());
      if (!last) throw notFound('item', id);
      const { item, title, startAt } = last.document;
      const done = visits.filter(isHistory).flatMap(({ log: entries }) => entries.map(({ at }) => at));
      return {
        id,
        name: item?.name ?? title,
        ownerName: item?.ownerName ?? null,
        visits: visits.filter(isHistory).length,
        lastJobId: last.id,
        lastAt: startAt,
        lastDoneAt: done.length > 0 ? done.reduce((a, b) => (Date.parse(b) > Date.parse(a) ? b : a)) : null,
        history: visits.toReversed().map(visitOf),
      };
    },
  };

  /** All visits of an item, planned ones too, in the order of their beginning. */
  function visitsOf(id: string) {
    return jobs
      .ofItem(id)
      .toReversed()
      .map((job) => ({ ...job, log: log.of(job.id) }));
  }

  function lifeOf(id: string): LifeRow | undefined {
    const all = visitsOf(id);
    const last = lastVisit(all, now().getTime());
    if (!last) return undefined;
    const visits = all.filter(isHistory);
    return {
      id,
      name: last.document.item?.name ?? last.document.title,
      visits: visits.map((visit, nth) => lifeVisit(visit.id, visit, visits[nth - 1]?.document)),
    };
  }

  function visitOf({ id: jobId, document, log: entries }: ReturnType<typeof visitsOf>[number]): Visit {
    const { startAt, title, owner, surfaces } = document;
    const record = foldLog(loggedEntries(startAt, entries));
    const standing = standingSurfaces(planInput(document), record, owner ?? {});
    const judged = judgeReadings(surfaces);
    return {
      jobId,
      title,
      startAt,
      begun: isHistory({ document, log: entries }),
      pictures: photos.of(jobId).length,
      prepared: [...record.stages.values()]
        .filter(({ endMin }) => endMin !== undefined)
        .map(({ stage, workedMin }) => ({ kind: stage.kind, workedMin })),
      surfaces: surfaces.map((surface, index) => ({
        surface: surface.id,
        name: surfaceName(surface),
        laid: standing[index]!.layers.map(({ product, doneShare, endMin }) => ({
          product: product.name,
          family: product.family,
          doneShare,
          at: instantAfter(startAt, endMin),
        })),
        medianUm: judged[index]!.medianUm ?? null,
        readings: surface.readingsUm.length,
        marks: (surface.marks ?? []).map(({ kind }) => kind),
      })),
    };
  }
}
