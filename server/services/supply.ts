import {
  type Demand,
  materialCost,
  recall,
  reorderList,
  type Reservation,
  reserve,
  takingOrder,
  usesOf,
} from '#core/stock';
import { MS_PER_DAY } from '#core/measures';
import { type Job, type JobRecord, surfaceName } from '#formats/job';
import { withStock, withUsage } from '#job/stock';
import type { JobStock, Recall, ReorderList } from '#formats/stock';
import { localInstant } from './moments';
import type { JobService } from './jobs';
import type { ShelfService } from './shelf';
import type { StockService } from './stock';
import type { SummaryService } from './summaries';
import type { WorkingService } from './workings';

interface Sources {
  readonly jobs: JobService;
  readonly summaries: Pick<SummaryService, 'startingFrom'>;
  readonly workings: Pick<WorkingService, 'demandsOf'>;
  readonly shelf: ShelfService;
  readonly stock: StockService;
}

/** What jobs take of what is in stock: set aside, short, to be ordered, laid, called back. */
export function supplyService({ jobs, summaries, workings, shelf, stock }: Sources, now: () => Date) {
  /** What was drawn at each job, by product. */
  const drawnAtJobs = (): ((job: string, of: string) => number) => {
    const drawn = new Map<string, number>();
    const key = (job: string, of: string) => JSON.stringify([job, of]);
    for (const entries of stock.book().all()) {
      const of = stock.book().thing(entries[0]!.entry.thing)?.of ?? '';
      for (const use of usesOf(entries)) drawn.set(key(use.job, of), (drawn.get(key(use.job, of)) ?? 0) + use.amount);
    }
    return (job, of) => drawn.get(key(job, of)) ?? 0;
  };
  /** What a job still takes. */
  const demandOf = (
    job: JobRecord,
    units: ReadonlyMap<string, number>,
    drawn: ReturnType<typeof drawnAtJobs>,
  ): Demand => {
    const left = [...units]
      .map(([of, order]) => [of, order - drawn(job.id, of)] as const)
      .filter(([, amount]) => amount > 0);
    return { job: job.id, startMs: Date.parse(job.document.startAt), amounts: new Map(left) };
  };
  /** Jobs that wait, as they were opened last: every tap in the bay asks for them, and few are edited meanwhile. */
  let opened = new Map<string, JobRecord>();
  /** Jobs that lay something still: not those whose day is long past. */
  const waiting = (): JobRecord[] => {
    const earliestMs = now().getTime() - PAST_DAYS * MS_PER_DAY;
    const records = summaries.startingFrom(earliestMs).flatMap(({ id, version }) => {
      const known = opened.get(id);
      return (known?.version === version ? known : jobs.find(id)) ?? [];
    });
    opened = new Map(records.map((record) => [record.id, record]));
    return records;
  };
  const reserved = (among: readonly JobRecord[]): Reservation[] => {
    const drawn = drawnAtJobs();
    const units = workings.demandsOf(among);
    const demands = among.map((job) => demandOf(job, units.get(job.id)!, drawn));
    return reserve(demands, [...stock.book().things()], stock.known().lifeOf);
  };

  /** What a job finds, kind by kind, after what is set aside for jobs before it. */
  const kindsOf = (job: JobRecord): JobStock['kinds'] => {
    const names = stock.known();
    const things = [...stock.book().things()];
    const startMs = Math.max(now().getTime(), Date.parse(job.document.startAt));
    const drawn = drawnAtJobs();
    // Jobs that come before it and take some of the same: nothing else is planned for it.
    const own = new Set(job.document.products.map(({ id }) => id));
    const before = reserved(
      waiting().filter(
        ({ id, document: other }) =>
          id !== job.id &&
          isBefore(Date.parse(other.startAt), id, job) &&
          other.products.some((product) => own.has(product.id)),
      ),
    );
    return job.document.products.map(({ id: of }): JobStock['kinds'][number] => {
      const there = things.filter((thing) => thing.of === of && !thing.gone);
      const good = takingOrder(there, names.lifeOf(of), startMs);
      const past = there.filter((thing) => !good.includes(thing) && thing.remaining > 0);
      return {
        of,
        inStock: good.reduce((sum, { remaining }) => sum + remaining, 0),
        reserved: before.filter((one) => one.of === of).reduce((sum, { amount, short }) => sum + amount - short, 0),
        drawn: drawn(job.id, of),
        things: [...good, ...past].map((thing) => stock.rowOf(thing, names, now().getTime())),
      };
    });
  };

  return {
    /** A job as it would be planned today: with what is in stock for it, and what weighings have taught. */
    withItsStock: (job: JobRecord): Job => withStock(withUsage(job.document, stock.usage), kindsOf(job)),
    /** What a job finds in stock: kind by kind, after what is set aside for jobs before it, and what it has come to. */
    ofJob(id: string): JobStock {
      const { bySurface, ...cost } = materialCost(stock.book().ofJob(id), id);
      return {
        cut: stock.cutFor(id),
        kinds: kindsOf(jobs.get(id)),
        cost: { ...cost, bySurface: [...bySurface].map(([surface, each]) => ({ surface, cost: each })) },
      };
    },
    /** What all jobs to come lack together, by when it has to be ordered. */
    reorder(): ReorderList {
      const products = new Map(shelf.all().map((product) => [product.id, product]));
      const titles = new Map(waiting().map((job) => [job.id, job.document]));
      const lacking = reserved(waiting());
      const supplying = (of: string) => {
        const product = products.get(of);
        return product && { packs: product.sheet.packs, deliveryDays: product.shop.deliveryDays };
      };
      return reorderList(lacking, supplying).map(({ jobs: short, firstShortMs, orderByMs, ...line }) => ({
        ...line,
        packs: [...line.packs],
        name: products.get(line.of)?.sheet.name ?? line.of,
        unit: products.get(line.of)?.sheet.unit ?? 'ml',
        firstShort: localInstant(firstShortMs),
        orderBy: localInstant(orderByMs),
        late: orderByMs < now().getTime(),
        jobs: short.map((id) => ({
          id,
          title: titles.get(id)!.title,
          startAt: titles.get(id)!.startAt,
          short: lacking.find(({ job, of }) => job === id && of === line.of)!.short,
        })),
      }));
    },
    /** Everything of a batch, and every panel something of it lies on, with whose it is. */
    recall(batch: string): Recall {
      const names = stock.known();
      return recall(stock.book().all(), batch).map(({ thing, on }) => ({
        thing: stock.rowOf(thing, names, now().getTime()),
        on: on.map(({ job, surface, amount, firstMs, lastMs }) => {
          const document = jobs.find(job)?.document;
          const panel = document?.surfaces.find(({ id }) => id === surface);
          const { name: item, ownerName: owner } = document?.item ?? {};
          return {
            job,
            title: document?.title ?? job,
            ...(item && { item }),
            ...(owner && { owner }),
            surface,
            surfaceName: panel ? surfaceName(panel) : surface,
            amount,
            first: localInstant(firstMs),
            last: localInstant(lastMs),
          };
        }),
      }));
    },
  };
}

/** A job that was to begin longer ago and has not is no longer waited for with product set aside, days. */
const PAST_DAYS = 14;

/** In whose turn product is set aside: by the day, and by name on the same moment. */
const isBefore = (startMs: number, other: string, { id, document }: JobRecord): boolean => {
  const own = Date.parse(document.startAt);
  return startMs < own || (startMs === own && other < id);
};
