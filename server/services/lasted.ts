import { lastedOn, type LastedOn } from '#core/care/upkeep';
import { type LifeLikelihood, productLasts } from '#core/layers/life';
import { foldLog } from '#core/lay/run';
import type { JobRecord } from '#formats/job';
import { loggedEntries, type ProductLasted } from '#formats/log';
import { planInput } from '#job/plan';
import { withFoundStill } from '#job/prepare';
import { standingView } from '#job/view';
import type { Db } from '../db/open';
import { jobRepository } from '../repositories/jobs';
import { runLogRepository } from '../repositories/run-log';
import type { ShelfService } from './shelf';

interface KeptDrops {
  readonly version: number;
  readonly lastSeq: number;
  readonly lasted: readonly LastedOn[];
}

/** Panels of one item: likely together. */
const together = (panels: readonly LifeLikelihood[]): LifeLikelihood =>
  panels.reduce((all, one) => all.map((likely, nth) => likely * one[nth]!));

/** How long products last here: what drops of all items said of them, each item once. */
export function lastedService(db: Db, shelf: Pick<ShelfService, 'get'>) {
  const jobs = jobRepository(db);
  const log = runLogRepository(db);
  const kept = new Map<string, KeptDrops>();

  const dropsOf = ({ id, version, document }: JobRecord): readonly LastedOn[] => {
    const lastSeq = log.lastSeq(id);
    const known = kept.get(id);
    if (known?.version === version && known.lastSeq === lastSeq) return known.lasted;
    const record = foldLog(loggedEntries(document.startAt, log.of(id)));
    const lasted = lastedOn(
      standingView(withFoundStill(planInput(document), document, record), record, document.owner, undefined),
      record,
    );
    kept.set(id, { version, lastSeq, lasted });
    return lasted;
  };

  return {
    /** @throws ProblemError (404) for an unknown product */
    of(productId: string): ProductLasted {
      const { name } = shelf.get(productId).sheet;
      const read = log.withDrops().flatMap((id) => jobs.get(id) ?? []);
      // A later visit of an item carries what was read at the earlier ones.
      const last = new Map<string, { readonly job: JobRecord; readonly on: readonly LastedOn[] }>();
      for (const job of read.sort((a, b) => Date.parse(a.document.startAt) - Date.parse(b.document.startAt))) {
        const on = dropsOf(job).filter(({ product }) => product === name);
        if (on.length > 0) last.set(job.document.item?.id ?? job.id, { job, on });
      }
      const items = [...last.values()];
      return {
        ...productLasts(items.map(({ on }) => together(on.map(({ likely }) => likely)))),
        of: items.map(({ job: { id, document }, on }) => ({
          jobId: id,
          name: document.item?.name ?? document.title,
          drops: on.reduce((sum, { seen }) => sum + seen.length, 0),
        })),
        seen: items.flatMap(({ on }) => on.flatMap(({ seen }) => seen)),
      };
    },
  };
}
