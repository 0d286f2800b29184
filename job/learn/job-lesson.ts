import { lessonOf, type PreparationLesson } from '#core/work/prepare';
import { learnFactor, PACE_LEARNING } from '#core/work/learning';
import { cueRatios, type CueSeen, foldLog, type HandsOn, handsOnProducts, learnedFlash } from '#core/work/run';
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
  /** Of each product, how fast hands were against its sheet: minutes foretold by the sheet's pace over minutes taken. */
  readonly paces: readonly {
    readonly product: string;
    readonly lay?: number | undefined;
    readonly level?: number | undefined;
  }[];
}

/** Less time with a product says nothing of a pace, minutes. */
const SAYS_NOTHING_MIN = 5;

/** What a job teaches, from its document and the log of what was really done. */
export function jobLesson(document: Job, log: readonly Pick<LogEntry, 'id' | 'at' | 'entry'>[]): JobLesson {
  const record = foldLog(loggedEntries(document.startAt, log));
  const planned = new Map(document.products.map((product) => [product.id, product]));
  const job = plannedJob(document);
  return {
    ...lessonOf(record.stages.values(), record.outcomes.values()),
    paces: [...handsOnProducts(job, record)].flatMap(([product, { lay, level }]) => {
      // By the sheet itself, whatever was learned when the job was planned.
      const sheet = planned.get(product);
      const one = {
        product,
        lay: paceSeen(lay, sheet?.layFactor),
        level: paceSeen(level, sheet?.levelFactor),
      };
      return one.lay === undefined && one.level === undefined ? [] : [one];
    }),
    cues: cueRatios(job, record).map(({ product, ratio, entry, surface, seenMin, expectedMin, atMin }) => {
      const factor = planned.get(product)?.flashFactor ?? 1;
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
    }),
  };
}

const paceSeen = ({ tookMin, plannedMin }: HandsOn, factor = 1): number | undefined =>
  tookMin < SAYS_NOTHING_MIN || plannedMin < SAYS_NOTHING_MIN ? undefined : (factor * plannedMin) / tookMin;

/** How fast this shop's hands are with each product against its sheet, by all jobs; what nothing is known of is left out. */
export function paceOfHands(
  lessons: readonly Pick<JobLesson, 'paces'>[],
): ReadonlyMap<string, { readonly layFactor?: number; readonly levelFactor?: number }> {
  const seen = lessons.flatMap(({ paces }) => paces);
  const learned = (product: string, key: 'lay' | 'level') => {
    const ratios = seen.flatMap((one) => (one.product === product && one[key] !== undefined ? [one[key]] : []));
    return ratios.length === 0 ? undefined : learnFactor(ratios, PACE_LEARNING).factor;
  };
  return new Map(
    [...new Set(seen.map(({ product }) => product))].map((product) => {
      const [layFactor, levelFactor] = [learned(product, 'lay'), learned(product, 'level')];
      return [
        product,
        { ...(layFactor !== undefined && { layFactor }), ...(levelFactor !== undefined && { levelFactor }) },
      ];
    }),
  );
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
