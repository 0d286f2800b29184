import { isDeepStrictEqual } from 'node:util';
import { learnedHours, learnedShares, learnedUse } from '#core/prepare/stages';
import { entryFault, flashBeliefs, foldLog, type LoggedEntry, type RunRecord, unfit, untimely } from '#core/lay/run';
import type { Job } from '#formats/job';
import {
  type LearnedHands,
  type LearnedPreparation,
  type LogEntry,
  loggedEntries,
  type NewEntry,
  type ProductCues,
} from '#formats/log';
import { minutesBetween } from '#formats/values';
import { flashOf, type JobLesson, jobLesson, paceOfHands, paceOfPeople } from '#job/learn';
import type { Db } from '../db/open';
import { conflict, notFound } from '../http/problem';
import { jobRepository } from '../repositories/jobs';
import { lessonRepository, type NewLesson } from '../repositories/lessons';
import { runLogRepository } from '../repositories/run-log';
import type { ChangeFeed } from './changes';
import { onOurClock, type SentBy } from './device-clock';
import type { StockService } from './stock';

/** So many lessons are worked out at most while somebody waits; of the rest, what is kept is believed. */
const MOST_LESSONS = 20;

/** Entries after which a job may teach something else. */
const TEACHES: ReadonlySet<NewEntry['entry']['type']> = new Set([
  'stage-end',
  'stage-used',
  'mark-outcome',
  'cue-seen',
  'undo',
  'set-aside',
  'lay-end',
  'level-end',
]);

/** Entries by which product leaves a bottle, or was never taken from it. */
const MOVES_STOCK: ReadonlySet<NewEntry['entry']['type']> = new Set(['lay-end', 'level-start', 'undo', 'set-aside']);

/** The append-only record of what was really done at a job. */
export function runLogService(db: Db, changes: ChangeFeed, stock: StockService, now: () => Date) {
  const jobs = jobRepository(db);
  const log = runLogRepository(db);
  const lessons = lessonRepository(db);
  /** What all jobs teach, until one of them teaches something else. */
  let taught: { preparation: LearnedPreparation; flash: ReturnType<typeof flashOf> } | undefined;
  /** How fast hands are moves with every patch: it is asked for seldom, and worked out by itself. */
  let paces: { products: ReturnType<typeof paceOfHands>; people: LearnedHands[] } | undefined;

  /** When an entry was recorded last, by the latest of what this machine's clock has said. */
  let latest: number | undefined;
  const latestMs = (): number | undefined => {
    const read = latest === undefined ? log.latestRecorded() : undefined;
    return (latest ??= read === undefined ? undefined : Date.parse(read));
  };

  const documentOf = (jobId: string) => {
    const job = jobs.get(jobId);
    if (!job) throw notFound('job', jobId);
    return job.document;
  };
  const record = (jobId: string): RunRecord => foldLog(loggedEntries(documentOf(jobId).startAt, log.of(jobId)));

  /** What each job teaches, read once, the last to have taught something last; those of `outdated` as they were kept. */
  let known: Map<string, JobLesson> | undefined;
  let outdated: string[] = [];
  const unkept = new Map<string, NewLesson>();
  changes.listen(({ kind, id }) => {
    if (kind !== 'log' || known === undefined) return;
    outdated.push(id);
  });
  /** What is laid comes out of the bottle in hand; what is undone goes back. */
  const drawFor = (
    jobId: string,
    document: Job,
    log: readonly LoggedEntry[],
    { at, entry }: NewEntry,
    by?: string,
  ): boolean => {
    if (!MOVES_STOCK.has(entry.type)) return false;
    return stock.follow(jobId, document, foldLog(log), 'patch' in entry ? entry.patch : undefined, { at, by });
  };
  /**
   * All lessons, those of a log written before they were kept, or since, among them: worked out, and kept by whoever
   * writes. They are worked out when somebody asks, not while hands tap.
   */
  const allLessons = () => {
    if (!known) {
      known = new Map(lessons.all().map(({ jobId, ...lesson }) => [jobId, lesson]));
      outdated = lessons.outdated();
    }
    const now = [...new Set(outdated)];
    outdated = now.slice(MOST_LESSONS);
    for (const jobId of now.slice(0, MOST_LESSONS)) {
      const job = jobs.get(jobId);
      if (!job) continue;
      const lesson = jobLesson(job.document, log.of(jobId));
      unkept.set(jobId, { jobId, lastSeq: log.lastSeq(jobId), lesson });
      if (isDeepStrictEqual(lesson, known.get(jobId) ?? jobLesson(job.document, []))) continue;
      taught = paces = undefined;
      known.delete(jobId);
      known.set(jobId, lesson);
    }
    return known;
  };
  const asList = (all: ReadonlyMap<string, JobLesson>) => [...all].map(([jobId, lesson]) => ({ ...lesson, jobId }));
  const learnedPaces = () => {
    const lessonsNow = allLessons();
    if (paces) return paces;
    const all = asList(lessonsNow);
    return (paces = { products: paceOfHands(all), people: paceOfPeople(all) });
  };
  const lessonsTaught = () => {
    const lessonsNow = allLessons();
    if (taught) return taught;
    const all = asList(lessonsNow);
    taught = {
      preparation: {
        hours: learnedHours(all),
        uses: [...learnedUse(all)].map(([what, factor]) => ({ what, ...factor })),
        shares: learnedShares(all),
      },
      flash: flashOf(all),
    };
    return taught;
  };
  return {
    of(jobId: string): LogEntry[] {
      documentOf(jobId);
      return log.of(jobId);
    },
    /** What the log says has been done. */
    record,
    /** What all jobs teach of preparation: hours, what is used, and what becomes of marks. Kept current by what is logged. */
    learnedPreparation: (): LearnedPreparation => lessonsTaught().preparation,
    /** Lessons that were worked out and are not kept yet; how many are still to be worked out. */
    newLessons(): { readonly learned: NewLesson[]; readonly left: number } {
      lessonsTaught();
      const learned = [...unkept.values()];
      unkept.clear();
      return { learned, left: outdated.length };
    },
    keepLesson: lessons.put,
    /** What the cues seen at all jobs teach of each product's flash. */
    learnedFlash: () => lessonsTaught().flash,
    /** How fast hands were with each product at all jobs, against its sheet. */
    learnedPace: () => learnedPaces().products,
    /** How fast the hands of each person were. */
    learnedHands: (): LearnedHands[] => learnedPaces().people,
    /** The cues seen of one product, job by job, with what was believed before each. */
    cuesOf(productId: string): ProductCues {
      const taughtBy = asList(allLessons()).flatMap(({ jobId, cues }) => {
        const own = cues.filter(({ product }) => product === productId);
        return own.length > 0 ? [{ jobId, title: jobs.everKnown(jobId)?.document.title ?? jobId, cues: own }] : [];
      });
      const beliefs = flashBeliefs(taughtBy.map(({ cues }) => cues.map(({ ratio }) => ratio)));
      const told = (nth: number) => ({ factor: beliefs[nth]!.flashFactor, sigma: beliefs[nth]!.flashSigma });
      return {
        ...told(beliefs.length - 1),
        jobs: taughtBy.map(({ jobId, title, cues }, nth) => ({
          jobId,
          title,
          ...told(nth),
          cues: cues.map(({ ratio, seen }) => ({ ratio, ...(seen && { seen }) })),
        })),
      };
    },
    /**
     * Logs an entry once, however often it is sent; the answer is given only when it is on the disk.
     * @param by whose it is, where people have accounts; what the device it was tapped at takes it to be now
     * @throws ProblemError (409) where it does not fit the job, its time, or what was done already, such as the same
     * tap from a second tablet
     */
    append(jobId: string, sent: NewEntry, { by, deviceMs }: SentBy = {}): LogEntry {
      const { stored, isNew, drawn } = db.transaction(
        () => {
          const known = log.find(jobId, sent.id);
          if (known) return { stored: known, isNew: false, drawn: false };
          const document = documentOf(jobId);
          const { nowMs, ...timed } = onOurClock(sent.at, { nowMs: now().getTime(), deviceMs, lastMs: latestMs() });
          const entry = { ...sent, ...timed };
          const logged = loggedEntries(document.startAt, log.of(jobId));
          const [wanted] = loggedEntries(document.startAt, [entry]);
          const done = foldLog(logged);
          const fault =
            unfit(document, entry.entry) ??
            entryFault(done, logged, entry.entry) ??
            untimely(done, wanted!, minutesBetween(document.startAt, new Date(nowMs).toISOString()));
          if (fault) throw conflict(`This was not logged: ${fault}.`);
          const before = log.lastSeq(jobId);
          latest = Math.max(latestMs() ?? 0, now().getTime());
          const stored = log.append(jobId, entry, now().toISOString(), by);
          if (!TEACHES.has(entry.entry.type)) lessons.follow(jobId, before, stored.seq);
          return { stored, isNew: true, drawn: drawFor(jobId, document, [...logged, wanted!], entry, by) };
        },
        { behavior: 'immediate' },
      );
      if (isNew) changes.tell({ kind: 'log', id: jobId });
      if (drawn) stock.tell();
      return stored;
    },
  };
}
export type RunLogService = ReturnType<typeof runLogService>;
