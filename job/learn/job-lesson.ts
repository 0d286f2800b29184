import { lessonOf, type PreparationLesson } from '#core/work/prepare';
import { cueRatios, type CueSeen, foldLog, learnedFlash } from '#core/work/run';
import { type Job, surfaceName } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { instantAfter } from '#formats/values';
import { plannedJob } from '#job/plan';

/** All one job teaches: its preparation, and when the cues of its products really came. */
export interface JobLesson extends PreparationLesson {
  /** Observed against the sheet's own minutes, the factor a job was planned with taken out. */
  readonly cues: readonly (Pick<CueSeen, 'product' | 'ratio'> & {
    /** Which entry of its log noted it; absent in lessons of an older server. */
    readonly seen?: Pick<CueSeen, 'entry' | 'surface' | 'seenMin' | 'expectedMin'> & { readonly at: string };
  })[];
}

/** What a job teaches, from its document and the log of what was really done. */
export function jobLesson(document: Job, log: readonly Pick<LogEntry, 'id' | 'at' | 'entry'>[]): JobLesson {
  const record = foldLog(loggedEntries(document.startAt, log));
  const planned = new Map(document.products.map(({ id, flashFactor }) => [id, flashFactor]));
  return {
    ...lessonOf(record.stages.values(), record.outcomes.values()),
    cues: cueRatios(plannedJob(document), record).map(
      ({ product, ratio, entry, surface, seenMin, expectedMin, atMin }) => {
        const factor = planned.get(product) ?? 1;
        return {
          product,
          ratio: ratio * factor,
          seen: {
            entry,
            surface: surfaceName(document.surfaces.find(({ id }) => id === surface)!),
            seenMin,
            // By the sheet itself, whatever was learned when the job was planned.
            expectedMin: expectedMin === null ? null : expectedMin / factor,
            at: instantAfter(document.startAt, atMin),
          },
        };
      },
    ),
  };
}

/** What the cues of all jobs teach of each product's flash, the first job first. */
export function flashOf(
  lessons: readonly Pick<JobLesson, 'cues'>[],
): ReadonlyMap<string, ReturnType<typeof learnedFlash>> {
  const products = new Set(lessons.flatMap(({ cues }) => cues.map(({ product }) => product)));
  return new Map(
    [...products].map((product) => {
      const jobs = lessons.map(({ cues }) => cues.filter((cue) => cue.product === product).map(({ ratio }) => ratio));
      return [product, learnedFlash(jobs.filter((ratios) => ratios.length > 0))];
    }),
  );
}
