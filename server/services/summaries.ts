import { type CareDue, type ItemSummary, type JobSummary, jobSummarySchema } from '#formats/job';
import { summaryToCome } from '#job/summary';
import { careDue } from '#job/view';
import type { Computing } from '../computing/computing';
import type { Db } from '../db/open';
import { MODEL_EDITION } from '../model-edition';
import { jobRepository } from '../repositories/jobs';
import { type ListedSummary, type Page, summaryRepository } from '../repositories/summaries';
import type { ChangeFeed } from './changes';
import type { RunLogService } from './run-log';

/** Longer than any day's list of a workshop. */
const LONGEST_LIST = 500;
const PAGE = 50;
/** Whoever asks for a list waits so long for what was moved just now, ms; after that it says what is still to come. */
const WAITS_MS = 250;
/** Summaries are worked out for so long at a time, ms: whoever asks something else waits no longer. */
const AT_A_TIME_MS = 150;
/** What only time has moved may be so much older than it should be before whoever sees it is told of a newer one, ms. */
const SHOWN_OLD_MS = 5 * 60_000;
/** What was old is told of at the end, and meanwhile so often, ms. */
const TOLD_EVERY_MS = 15_000;
/** What only time has moved is worked out in this part of the time: other questions find the threads free. */
const BACKGROUND_SHARE = 0.25;

interface Sources {
  readonly computing: Computing;
  readonly keepLesson: RunLogService['keepLesson'];
  readonly log: (fault: unknown) => void;
  readonly now: () => Date;
}

/** Jobs in brief: kept beside the jobs, read as they are kept, and worked out anew beside the server. */
export function summaryService(db: Db, changes: ChangeFeed, { computing, keepLesson, log, now }: Sources) {
  const summaries = summaryRepository(db);
  const jobs = jobRepository(db);
  let isOpen = true;
  /** Somebody was given a list with something missing: they are told when it is there. */
  let isAwaited = false;
  /** Somebody was given one that is older than it should be. */
  let isOld = false;
  let toldMs = 0;
  let working: Promise<void> | undefined;
  /** What somebody may have moved since the last round began. */
  let moved = 0;
  /** How far all that was moved is worked out. */
  let settledAsOf = -1;
  /** And for how long, if nothing more is moved and nobody sets the clock back. */
  let settledMs: readonly [from: number, until: number] = [0, 0];
  const isSettled = () => {
    const nowMs = now().getTime();
    return settledAsOf === moved && settledMs[0] <= nowMs && nowMs < settledMs[1];
  };
  /** Ends a pause before its time. */
  let wake: () => void = () => undefined;
  changes.listen(({ kind }) => {
    if (kind !== 'summary') moved += 1;
  });
  const waiting = new Set<() => void>();
  const answerWaiting = () => {
    for (const go of waiting) go();
    waiting.clear();
  };

  /** Rounds until everything is as it is: what was moved first, then, with pauses, what only time moves. */
  const work = async (): Promise<void> => {
    for (let left = 1; left > 0 && isOpen;) {
      const [asOf, atMs, fromMs] = [moved, now().getTime(), performance.now()];
      const { rows, lessons, pending, stale, isShifted, goodUntilMs, faults } = await computing.ask(
        'summaries',
        AT_A_TIME_MS,
      );
      if (!isOpen) return;
      faults.forEach(log);
      db.transaction(() => {
        for (const [id, kept] of rows) summaries.put(id, kept);
        lessons.forEach(keepLesson);
      });
      left = pending + stale + (moved === asOf ? 0 : 1);
      if (rows.length + lessons.length === 0 && moved === asOf) left = 0;
      if (pending > 0 || moved !== asOf) continue;
      settledAsOf = asOf;
      settledMs = [atMs, goodUntilMs];
      answerWaiting();
      isOld ||= isShifted;
      if (isAwaited || (isOld && (left === 0 || performance.now() - toldMs > TOLD_EVERY_MS))) {
        changes.tell({ kind: 'summary', id: 'all' });
        toldMs = performance.now();
        isAwaited = isOld = false;
      }
      if (stale > 0)
        await new Promise<void>((resolve) => {
          wake = resolve;
          setTimeout(resolve, (performance.now() - fromMs) * (1 / BACKGROUND_SHARE - 1));
        });
    }
  };
  const begin = (): void => {
    working ??= work()
      .catch((fault: unknown) => {
        if (isOpen) log(fault);
      })
      .finally(() => {
        working = undefined;
        answerWaiting();
      });
  };
  /** Begins to work out what has moved, and waits for it a moment. */
  const settled = async (): Promise<void> => {
    begin();
    if (isSettled()) return;
    await new Promise<void>((resolve) => {
      const late = setTimeout(resolve, WAITS_MS);
      waiting.add(() => {
        clearTimeout(late);
        resolve();
      });
      wake();
    });
  };
  /** As it is told: with what is still to come said of it. */
  const told = ({ summary, isCurrent, model, goodUntilMs }: ListedSummary): JobSummary => {
    if (goodUntilMs + SHOWN_OLD_MS < now().getTime()) isOld = true;
    if (isCurrent) return summary;
    isAwaited = true;
    // Kept by another edition, it may be written otherwise.
    const isReadable = model === MODEL_EDITION || jobSummarySchema.safeParse(summary).success;
    const job = isReadable ? undefined : jobs.get(summary.id);
    return { ...(job ? summaryToCome(job) : summary), pending: true };
  };
  const page = ({ rows, found }: Page<ListedSummary>): Page<JobSummary> => ({ rows: rows.map(told), found });

  return {
    settled,
    /** Works out all there is to be worked out. */
    async worked(): Promise<void> {
      begin();
      wake();
      await working;
    },
    /** Nothing is worked out or written any more. */
    close(): void {
      isOpen = false;
      wake();
      answerWaiting();
    },
    /** The day's jobs as they are kept, last changed first: in the bays, curing, to come, and in care where something is due. */
    current: (): JobSummary[] => summaries.current(now().getTime(), LONGEST_LIST).map(told),
    /** The same, after what was moved just now. */
    async list(): Promise<JobSummary[]> {
      await settled();
      return summaries.current(now().getTime(), LONGEST_LIST).map(told);
    },
    /** All jobs, found by words of their title, item or owner, the last ones first. */
    async found(words: string, from: number): Promise<Page<JobSummary>> {
      await settled();
      return page(summaries.found(words, from, PAGE));
    },
    /** All items, found by words of their name or owner, the last visit first. */
    async items(words: string, from: number): Promise<Page<ItemSummary>> {
      await settled();
      return summaries.items(words, from, PAGE);
    },
    /** What is out and looked after, and what it is due for; what is to be done soonest first. */
    async care(from: number, most: number = PAGE): Promise<Page<CareDue>> {
      await settled();
      const nowMs = now().getTime();
      const { rows, found } = page(summaries.inCare(nowMs, from, most));
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
    startingFrom: (ms: number): { readonly id: string; readonly version: number }[] => summaries.startingFrom(ms),
  };
}

export type SummaryService = ReturnType<typeof summaryService>;
