import type { PickGroup } from '#core/lay/pick-list';
import type { LaidOut } from '#core/lay/run-sheet';
import { NO_KIT } from '#core/prepare/kit';
import { calendarFile } from '#formats/calendar';
import type { GuestJob, JobRecord, JobSummary } from '#formats/job';
import { instantAfter, minutesBetween } from '#formats/values';
import { type JobFacts, jobFacts, type JobInputs } from '#job/model';
import { pickListOf } from '#job/pick';
import { weekOf } from '#job/promise';
import { demandOf as unitsOf, guestView, summarise, summaryToCome } from '#job/summary';
import type { Worked } from '../computing/computing';
import type { Db } from '../db/open';
import type { JobDemand } from '../db/schema';
import type { YardForecastService } from '../devices/yard-forecast';
import { MODEL_EDITION } from '../model-edition';
import { bayRepository } from '../repositories/bays';
import { type KeptSummary, summaryRepository, type ListedJob } from '../repositories/summaries';
import { jobRepository } from '../repositories/jobs';
import { kitRepository } from '../repositories/kit';
import { runLogRepository } from '../repositories/run-log';
import type { ChangeFeed } from './changes';
import type { QuoteService } from './quotes';
import type { RunLogService } from './run-log';
import type { StockService } from './stock';

/** A summary of a job that is under way is computed again after this long, since time itself moves it on. */
const FRESH_FOR_MS = 30_000;
/** A first wash that is still to come follows the forecast, which is renewed by the hour. */
const FORECAST_FOR_MS = 3_600_000;
/** What time moves on no more. */
const FOR_EVER_MS = Number.MAX_SAFE_INTEGER;
/** Of other jobs so many are worked out anew at most while somebody waits; the rest is as it was. */
const MOST_AT_ONCE = 12;
/** Jobs nobody has summarised are entered by so many at a time: with what stands in them, until they are worked out. */
const MOST_ENTERED = 200;

interface Sources extends Pick<QuoteService, 'settingsOf'> {
  readonly stock: Pick<StockService, 'usage' | 'lessonsStanding'>;
  readonly weather: YardForecastService;
  /** What all jobs have taught. */
  readonly lessons: Pick<RunLogService, 'learnedPreparation' | 'newLessons'>;
}

/** What follows from a job as it stands: it is computed, and nothing is written. */
export function workingService(
  db: Db,
  changes: ChangeFeed,
  now: () => Date,
  { settingsOf, stock, weather, lessons }: Sources,
) {
  const log = runLogRepository(db);
  const bays = bayRepository(db);
  const kit = kitRepository(db);
  const jobs = jobRepository(db);
  const summaries = summaryRepository(db);

  /** How each job stands, read once; whatever moves one is heard of. */
  let listed: Map<string, ListedJob> | undefined;
  const touched = new Set<string>();
  changes.listen(({ kind, id }) => {
    if (kind === 'job' || kind === 'log') touched.add(id);
  });
  const listedNow = (): Iterable<ListedJob> => {
    listed ??= new Map(summaries.listed().map((job) => [job.id, job]));
    for (const id of touched) {
      const job = summaries.listedJob(id);
      if (job) listed.set(id, job);
      else listed.delete(id);
    }
    touched.clear();
    return listed.values();
  };

  /** What a summary depends on beside its job, while something of it is still to be laid: hours of bays, what was learned, pads. */
  const surroundingsNow = (): string =>
    JSON.stringify(
      [
        stock.lessonsStanding(),
        bays.all().map(({ id, version }) => [id, version]),
        kit.all().map(({ id, version }) => [id, version]),
        lessons.learnedPreparation(),
      ],
      twoPlaces,
    );
  /** What is laid depends on nothing any more but the weather. */
  const surroundingsOf = (kept: Pick<JobSummary, 'phase'>, now: string): string => (isWorkedAt(kept) ? now : '');
  const isCurrent = ({ version, lastSeq, kept }: ListedJob): boolean =>
    kept !== undefined && kept.version === version && kept.lastSeq === lastSeq && kept.model === MODEL_EDITION;
  const holds = (job: ListedJob, surroundings: string, nowMs: number): boolean =>
    isCurrent(job) &&
    job.kept!.standing === surroundingsOf(job.kept!, surroundings) &&
    // A clock that was put back makes what is kept a thing of the future.
    job.kept!.atMs <= nowMs &&
    nowMs < job.kept!.goodUntilMs;

  const keptOf = (job: JobRecord, lastSeq: number, surroundings: string, nowMs: number): KeptSummary => {
    const { summary, demand, goodUntilMs } = workedOut(job, nowMs);
    const standing = surroundingsOf(summary, surroundings);
    return { version: job.version, lastSeq, model: MODEL_EDITION, standing, atMs: nowMs, goodUntilMs, summary, demand };
  };
  const enter = (id: string, nowMs: number): [string, KeptSummary][] => {
    const job = jobs.get(id);
    return job ? [[id, summaryToBe(job, nowMs)]] : [];
  };

  return {
    /**
     * Works out anew what something has moved, for so long: first what nobody has seen yet, then what was edited or logged,
     * then what only time or its surroundings have moved.
     * @param forMs after which no other is begun
     */
    refreshed(forMs: number): Worked {
      const [nowMs, surroundings] = [now().getTime(), surroundingsNow()];
      const { learned, left: untaught } = lessons.newLessons();
      const all = [...listedNow()];
      const rows: [string, KeptSummary][] = [];
      const unseen = all.filter(({ kept }) => kept === undefined);
      if (unseen.length > MOST_AT_ONCE) {
        for (const { id } of unseen.slice(0, MOST_ENTERED)) rows.push(...enter(id, nowMs));
        for (const [id, kept] of rows) known(id, kept);
        return {
          rows,
          pending: all.filter((job) => !isCurrent(job)).length,
          stale: 0,
          isShifted: false,
          goodUntilMs: nowMs,
          faults: [],
          lessons: learned,
        };
      }
      const old = all.filter((job) => !holds(job, surroundings, nowMs));
      const shifted = old.filter((job) => isCurrent(job) && nowMs < job.kept!.goodUntilMs);
      // Where few depend on what was changed around them, whoever looks next waits for them.
      const soon = new Set(shifted.length <= MOST_AT_ONCE ? shifted : []);
      const isMoved = (job: ListedJob) => !isCurrent(job) || isOver(job.kept!, nowMs) || soon.has(job);
      const moved = old.filter(isMoved);
      // Each lesson more moves all the others: those first.
      const only = (untaught > 0 ? [] : old)
        .filter((job) => !isMoved(job))
        .sort((a, b) => a.kept!.goodUntilMs - b.kept!.goodUntilMs || a.kept!.atMs - b.kept!.atMs);
      const until = performance.now() + forMs;
      const faults: string[] = [];
      for (const { id, lastSeq } of [...moved, ...only]) {
        if (rows.length > 0 && performance.now() > until) break;
        const job = jobs.get(id);
        if (!job) continue;
        try {
          rows.push([id, keptOf(job, lastSeq, surroundings, nowMs)]);
        } catch (error) {
          faults.push(`Job ${id} could not be worked out. ${error instanceof Error ? error.stack : String(error)}`);
          const asIs = { version: job.version, lastSeq, model: MODEL_EDITION, goodUntilMs: FOR_EVER_MS };
          rows.push([id, { ...summaryToBe(job, nowMs), ...asIs }]);
        }
      }
      for (const [id, kept] of rows) known(id, kept);
      const pending = Math.max(0, moved.length - rows.length);
      const stale = old.length - rows.length - pending + untaught;
      const quiet = [...listed!.values()].flatMap(({ kept }) => (kept && !isWorkedAt(kept) ? [kept.goodUntilMs] : []));
      const goodUntilMs = quiet.reduce((soonest, ms) => Math.min(soonest, ms), FOR_EVER_MS);
      return { rows, lessons: learned, pending, stale, isShifted: shifted.length > soon.size, goodUntilMs, faults };
    },
    /** A job as it is kept, as if it stood in a version and a draft it does not have yet. */
    keptFor: (job: JobRecord): KeptSummary => keptOf(job, log.lastSeq(job.id), surroundingsNow(), now().getTime()),
    /**
     * Units of each product each of these jobs still takes; none once all is laid. It changes with a job's document, its
     * log and what weighings teach, not with the time of day.
     */
    demandsOf(of: readonly JobRecord[]): ReadonlyMap<string, ReadonlyMap<string, number>> {
      let left = MOST_AT_ONCE;
      return new Map(
        of.map((job) => {
          const lastSeq = log.lastSeq(job.id);
          const kept = summaries.demandOf(job.id);
          const isOwn = kept?.version === job.version && kept.lastSeq === lastSeq && kept.model === MODEL_EDITION;
          const isGood = isOwn && kept.demand.lessons === stock.lessonsStanding();
          const units =
            kept === undefined || (!isGood && left-- > 0)
              ? workedOut(job, now().getTime()).demand.units
              : kept.demand.units;
          return [job.id, new Map(Object.entries(units))];
        }),
      );
    },
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

  /** What is worked out is kept by whoever asked. */
  function known(id: string, { summary, demand, ...kept }: KeptSummary): void {
    const job = listed?.get(id);
    if (job) listed!.set(id, { ...job, kept: { ...kept, phase: summary.phase } });
  }
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
export type WorkingService = ReturnType<typeof workingService>;

const isWorkedAt = ({ phase }: Pick<JobSummary, 'phase'>): boolean =>
  phase === 'survey' || phase === 'planned' || phase === 'running';
/** A moment has come at which a summary changes: curing is over, a wash is due. */
const isOver = (kept: NonNullable<ListedJob['kept']>, nowMs: number): boolean =>
  !isWorkedAt(kept) && (nowMs >= kept.goodUntilMs || nowMs < kept.atMs);

/** What is kept of a job that nobody has worked out: what stands in it. It is current for no version. */
export const summaryToBe = (job: JobRecord, nowMs: number): KeptSummary => ({
  version: 0,
  lastSeq: 0,
  model: '',
  standing: '',
  atMs: nowMs,
  goodUntilMs: nowMs,
  summary: summaryToCome(job),
  demand: { lessons: '', units: {} },
});

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
  if (isWorkedAt({ phase })) return nowMs + FRESH_FOR_MS;
  const moments = [waterSafe, handover, firstWash, renew].flatMap((at) => (at === null ? [] : [Date.parse(at)]));
  const coming = moments.filter((ms) => ms > nowMs);
  const isCuring = firstWash !== null && Date.parse(firstWash) > nowMs;
  return Math.min(FOR_EVER_MS, ...coming, ...(isCuring ? [nowMs + FORECAST_FOR_MS] : []));
}
