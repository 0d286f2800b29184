import type { PickGroup } from '#core/lay/pick-list';
import type { LaidOut } from '#core/lay/run-sheet';
import { NO_KIT } from '#core/prepare/kit';
import { calendarFile } from '#formats/calendar';
import type { CareDue, GuestJob, ItemSummary, JobRecord, JobSummary } from '#formats/job';
import type { LearnedPreparation } from '#formats/log';
import { instantAfter, minutesBetween } from '#formats/values';
import { type JobFacts, jobFacts, type JobInputs } from '#job/model';
import { pickListOf } from '#job/pick';
import { weekOf } from '#job/promise';
import { demandOf as unitsOf, guestView, summarise } from '#job/summary';
import { careDue } from '#job/view';
import type { Db } from '../db/open';
import type { JobDemand } from '../db/schema';
import type { YardForecastService } from '../devices/yard-forecast';
import { MODEL_EDITION } from '../model-edition';
import { bayRepository } from '../repositories/bays';
import { summaryRepository, type ListedJob, type Page } from '../repositories/summaries';
import { jobRepository } from '../repositories/jobs';
import { kitRepository } from '../repositories/kit';
import { runLogRepository } from '../repositories/run-log';
import type { ChangeFeed } from './changes';
import type { QuoteService } from './quotes';
import type { StockService } from './stock';

/** A summary at a job that is under way is computed again after this long, since time itself moves it on. */
const FRESH_FOR_MS = 30_000;
/** A first wash that is still to come follows the forecast, which is renewed by the hour. */
const FORECAST_FOR_MS = 3_600_000;
/** What time moves on no more. */
const FOR_EVER_MS = Number.MAX_SAFE_INTEGER;
/** So many summaries are worked out anew at most while somebody waits. */
const MOST_AT_ONCE = 12;
/** Longer than any day's list of a workshop. */
const LONGEST_LIST = 500;
const PAGE = 50;

interface Sources extends Pick<QuoteService, 'settingsOf'> {
  readonly stock: Pick<StockService, 'usage' | 'lessonsStanding'>;
  readonly weather: YardForecastService;
  /** What all jobs have taught of preparation. */
  readonly learned: () => LearnedPreparation;
}

/** Jobs at a summary: computed from the plan and the log, kept until either changes. */
export function summaryService(
  db: Db,
  changes: ChangeFeed,
  now: () => Date,
  { settingsOf, stock, weather, learned }: Sources,
) {
  const log = runLogRepository(db);
  const bays = bayRepository(db);
  const kit = kitRepository(db);
  const jobs = jobRepository(db);
  const summaries = summaryRepository(db);
  /** What a job takes: it changes with its document, its log and what weighings teach, not with the time of day. */
  const demandOf = ({ id, version }: JobRecord): ReadonlyMap<string, number> => {
    const lastSeq = log.lastSeq(id);
    const known = summaries.demandOf(id, version, lastSeq);
    const { units } =
      known?.lessons === stock.lessonsStanding()
        ? known
        : renewed({ id, version, lastSeq }, standingNow(), now().getTime()).demand;
    return new Map(Object.entries(units));
  };
  /** What a summary turns on beside its job, while something of it is still to be laid: hours of bays, what was learned, pads. */
  const standingNow = (): string =>
    JSON.stringify(
      [
        stock.lessonsStanding(),
        bays.all().map(({ id, version }) => [id, version]),
        kit.all().map(({ id, version }) => [id, version]),
        learned(),
      ],
      twoPlaces,
    );
  /** What is laid turns on nothing any more but the weather. */
  const standingOf = ({ phase }: Pick<JobSummary, 'phase'>, now: string): string =>
    phase === 'survey' || phase === 'planned' || phase === 'running' ? now : '';

  const holds = ({ version, lastSeq, kept }: ListedJob, standing: string, nowMs: number): boolean =>
    kept !== undefined &&
    kept.version === version &&
    kept.model === MODEL_EDITION &&
    kept.lastSeq === lastSeq &&
    kept.standing === standingOf(kept, standing) &&
    // A clock that was put back makes what is kept a thing of the future.
    kept.atMs <= nowMs &&
    nowMs < kept.goodUntilMs;
  const renewed = (
    { id, version, lastSeq }: Pick<ListedJob, 'id' | 'version' | 'lastSeq'>,
    standing: string,
    nowMs: number,
  ): ReturnType<typeof workedOut> => {
    const seen = workedOut(jobs.get(id)!, nowMs);
    const { summary, demand, goodUntilMs } = seen;
    const stood = standingOf(summary, standing);
    const kept = { version, lastSeq, model: MODEL_EDITION, standing: stood, atMs: nowMs, goodUntilMs };
    summaries.put(id, { ...kept, summary: summary, demand });
    listed?.set(id, { id, version, lastSeq, kept: { ...kept, phase: summary.phase } });
    return seen;
  };

  /** How each job stands, read once; this server alone writes, so whatever moves one is heard of. */
  let listed: Map<string, ListedJob> | undefined;
  const touched = new Set<string>();
  changes.listen(({ kind, id }) => {
    if (kind === 'job' || kind === 'log') touched.add(id);
  });
  const listedNow = (): Iterable<ListedJob> => {
    listed ??= new Map(summaries.listed().map((job) => [job.id, job]));
    for (const id of touched) readAgain(id);
    touched.clear();
    return listed.values();
  };
  const readAgain = (id: string): void => {
    const job = summaries.listedJob(id);
    if (job) listed?.set(id, job);
    else listed?.delete(id);
  };
  /**
   * Works out anew what something has moved. Where that is much (a bay's hours, all at once), the first are, and the rest
   * is a moment old until its turn comes.
   */
  const refresh = (): void => {
    const [nowMs, standing] = [now().getTime(), standingNow()];
    knowAll(standing, nowMs);
    const old = [...listedNow()].filter((job) => !holds(job, standing, nowMs));
    for (const job of old.slice(0, MOST_AT_ONCE)) renewed(job, standing, nowMs);
    if (old.length > MOST_AT_ONCE) void warm();
  };
  /** What is not kept at all, or was edited, cannot be told as it was. */
  const knowAll = (standing: string, nowMs: number): void => {
    const unknown = [...listedNow()].filter(({ kept, version }) => kept?.version !== version);
    for (const job of unknown) renewed(job, standing, nowMs);
  };
  let warming: Promise<void> | undefined;
  /** Works out beforehand what the next look would wait for, a job at a time, while others are answered. */
  const warm = (isWanted: () => boolean = () => true): Promise<void> => {
    warming ??= (async () => {
      for (const { id } of [...listedNow()]) {
        await new Promise((resolve) => setImmediate(resolve));
        if (!isWanted()) return;
        const [job, nowMs, standing] = [summaries.listedJob(id), now().getTime(), standingNow()];
        if (job && !holds(job, standing, nowMs)) renewed(job, standing, nowMs);
      }
    })().finally(() => (warming = undefined));
    return warming;
  };

  return {
    warm,
    /**
     * The day's jobs at a summary, last changed first: in the bays, curing, to come, and in care where something is due.
     * Read as they are kept; what has moved is worked out anew before.
     */
    list(): JobSummary[] {
      refresh();
      return summaries.current(now().getTime(), LONGEST_LIST);
    },
    /** One job at a summary, worked out now. */
    of: (job: JobRecord): JobSummary => workedOut(job, now().getTime()).summary,
    /** All jobs, found by words of their title, item or owner, the last ones first. */
    found(words: string, from: number): Page<JobSummary> {
      refresh();
      return summaries.found(words, from, PAGE);
    },
    /** All items, found by words of their name or owner, the last visit first. */
    items(words: string, from: number): Page<ItemSummary> {
      refresh();
      return summaries.items(words, from, PAGE);
    },
    /** What is out and looked after, and what it is due for; what is to be done soonest first. */
    care(from: number, most: number = PAGE): Page<CareDue> {
      refresh();
      const nowMs = now().getTime();
      const { rows, found } = summaries.inCare(nowMs, from, most);
      return {
        found,
        rows: rows.map((summary) => ({
          jobId: summary.id,
          itemName: summary.itemName ?? summary.title,
          ownerName: summary.ownerName ?? null,
          due: careDue(summary, nowMs),
        })),
      };
    },
    /** Jobs that begin at a moment or later, each in which version. */
    startingFrom(ms: number): { readonly id: string; readonly version: number }[] {
      // When it begins stands in the job itself: neither time nor what others teach moves it.
      knowAll(standingNow(), now().getTime());
      return summaries.startingFrom(ms);
    },
    /** Units of each product a job still takes; none once all is laid. */
    demandOf,
    /** The dates of a job that matter to its owner, as an iCalendar file. */
    calendarOf: (job: JobRecord): string =>
      calendarFile(job.document.title, factsNow(job).dates, { id: job.id, edition: job.version, at: now() }),
    /** The weather a job's item goes out into. */
    outdoorsOf: (job: JobRecord) => factsNow(job).outdoors,
    /** A job as its owner sees it by a link. */
    guestView(job: JobRecord): GuestJob {
      const facts = factsNow(job);
      return guestView(job.document, summarise(job, facts, facts.nowMin).phase, facts);
    },
    /** What is left to be laid of a job: who does what when. */
    runSheetOf: (job: JobRecord): LaidOut => factsNow(job).sheet.out,
    /** When it is ready for collection; null: never, or nothing is planned. */
    readyOf(job: JobRecord): string | null {
      const { readyMin } = factsNow(job).days;
      return readyMin === null ? null : instantAfter(job.document.startAt, readyMin);
    },
    /** Everything a job still wants at hand, in the order of work. */
    pickList(job: JobRecord): PickGroup[] {
      const { live, plan, prepared, record } = factsNow(job);
      const kit = prepared.settings.kit ?? NO_KIT;
      return pickListOf(live, { plan, preparation: prepared.preparation, record, kit, nowMs: now().getTime() });
    },
  };

  function factsNow(job: JobRecord) {
    return factsOf(job, now().getTime());
  }
  /** What follows from a job as it is now, with what weighings have taught. */
  function factsOf({ id, bayId, document }: JobRecord, atMs: number): JobFacts & Pick<JobInputs, 'nowMin'> {
    const inputs: JobInputs = {
      document,
      entries: log.of(id),
      week: weekOf(bayId === null ? undefined : bays.get(bayId)),
      usage: stock.usage,
      found: [],
      settings: settingsOf(document),
      nowMin: minutesBetween(document.startAt, new Date(atMs).toISOString()),
      weather: weather.forecast(now()),
    };
    return Object.assign(jobFacts(inputs), { nowMin: inputs.nowMin });
  }

  function workedOut(job: JobRecord, atMs: number) {
    const facts = factsOf(job, atMs);
    const summary = summarise(job, facts, facts.nowMin);
    const demand: JobDemand = { lessons: stock.lessonsStanding(), units: unitsOf(facts) };
    const isBegun = facts.record.patches.size > 0 || facts.record.stages.size > 0;
    return { summary, demand, goodUntilMs: goodUntil(summary, isBegun, atMs) };
  }
}

/** Small steps of what was learned move no day of a job. */
const twoPlaces = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Math.round(value * 100) / 100 : value;

/** Until when a summary stays as it is while nothing but time moves. */
function goodUntil(
  { phase, waterSafe, handover, firstWash, renew }: JobSummary,
  isBegun: boolean,
  nowMs: number,
): number {
  if (!isBegun) return FOR_EVER_MS;
  // Hands are at it. What is out and in care with a patch nobody laid is not waited for.
  if (phase === 'survey' || phase === 'planned' || phase === 'running') return nowMs + FRESH_FOR_MS;
  const moments = [waterSafe, handover, firstWash, renew].flatMap((at) => (at === null ? [] : [Date.parse(at)]));
  const coming = moments.filter((ms) => ms > nowMs);
  const isCuring = firstWash !== null && Date.parse(firstWash) > nowMs;
  return Math.min(FOR_EVER_MS, ...coming, ...(isCuring ? [nowMs + FORECAST_FOR_MS] : []));
}

export type SummaryService = ReturnType<typeof summaryService>;
