import type { MethodId } from '#core/products/methods';
import type { CrewRole } from '#core/plan/crew';
import { learnFactor, PACE_LEARNING } from '#core/measures/learning';
import type { PlanInput } from '#core/plan/job';
import { lessonOf, type PreparationLesson } from '#core/prepare/stages';
import {
  cueRatios,
  type CueSeen,
  foldLog,
  type HandsOn,
  handsOnBy,
  handsOnProducts,
  learnedFlash,
  type PatchRecord,
  type RunRecord,
} from '#core/lay/run';
import { DEFAULT_PACE } from '#core/plan/sections';
import { type Job, surfaceName } from '#formats/job';
import { type LearnedHands, type LogEntry, loggedEntries } from '#formats/log';
import type { ShopFigures } from '#formats/shelf';
import { instantAfter } from '#formats/values';
import { planInput } from '#job/plan';
import { byOf } from '#job/view';

/** All one job teaches: its preparation, and when the cues of its products really came. */
export interface JobLesson extends PreparationLesson {
  /** Observed against the sheet's own minutes, the factor a job was planned with taken out. */
  readonly cues: readonly (Pick<CueSeen, 'product' | 'ratio'> & {
    /** Which entry of its log noted it; absent in lessons of an older server. */
    readonly seen?: Pick<CueSeen, 'entry' | 'surface' | 'seenMin' | 'expectedMin'> & { readonly at: string };
  })[];
  /** Of each product and way, how fast hands were against its sheet: minutes foretold by the sheet's pace over minutes taken. */
  readonly paces: readonly {
    readonly product: string;
    readonly method: MethodId;
    readonly lay?: number | undefined;
    readonly level?: number | undefined;
  }[];
  /** Of each person with an account, their own pace as it was at this job. */
  readonly people: readonly OwnPace[];
}

/** How fast somebody lays and levels a flat panel with an even-tempered product, m²/min; what nothing is known of is left out. */
export interface OwnPace {
  readonly person: string;
  readonly layM2PerMin?: number | undefined;
  readonly levelM2PerMin?: number | undefined;
}

/** Less time with a product says nothing of a pace, minutes. */
const SAYS_NOTHING_MIN = 5;

/** What a job teaches, from its document and the log of what was really done. */
export function jobLesson(document: Job, log: readonly Pick<LogEntry, 'id' | 'at' | 'entry' | 'by'>[]): JobLesson {
  const record = foldLog(loggedEntries(document.startAt, log));
  const planned = new Map(document.products.map((product) => [product.id, product]));
  const job = planInput(document);
  return {
    ...lessonOf(record.stages.values(), record.outcomes.values()),
    people: ownPaces(job, record, byOf(log)),
    paces: handsOnProducts(job, record).flatMap(({ product, method, lay, level }) => {
      // By the sheet itself, whatever was learned when the job was planned.
      const sheet = planned.get(product);
      const one = {
        product,
        method,
        lay: paceSeen(lay, (sheet?.layFactor ?? 1) * (sheet?.layByMethod?.[method] ?? 1)),
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

/** Each by their own hands: the crew's pace, as much faster or slower as they were than it foretold. */
function ownPaces(job: PlanInput, record: RunRecord, authors: ReadonlyMap<string, string>): OwnPace[] {
  const whose = ({ layEntry, levelEntry }: PatchRecord, does: CrewRole) =>
    authors.get((does === 'lay' ? layEntry : levelEntry) ?? '');
  return [...handsOnBy(job, record, whose)].flatMap(([person, { lay, level }]) => {
    const [asLaid, asLevelled] = [paceSeen(lay), paceSeen(level)];
    if (asLaid === undefined && asLevelled === undefined) return [];
    return [
      {
        person,
        ...(asLaid !== undefined && { layM2PerMin: job.crew.layM2PerMin * asLaid }),
        ...(asLevelled !== undefined && { levelM2PerMin: job.crew.levelM2PerMin * asLevelled }),
      },
    ];
  });
}

/** How fast each person is, by all jobs they were at: the usual pace, and theirs the more the oftener it was seen. */
export function paceOfPeople(lessons: readonly Pick<JobLesson, 'people'>[]): LearnedHands[] {
  const seen = lessons.flatMap(({ people }) => people);
  const learned = (own: readonly OwnPace[], key: 'layM2PerMin' | 'levelM2PerMin') => {
    const ratios = own.flatMap((one) => (one[key] === undefined ? [] : [one[key] / DEFAULT_PACE[key]]));
    return ratios.length === 0 ? undefined : DEFAULT_PACE[key] * learnFactor(ratios, PACE_LEARNING).factor;
  };
  return [...new Set(seen.map(({ person }) => person))].map((person) => {
    const own = seen.filter((one) => one.person === person);
    const [layM2PerMin, levelM2PerMin] = [learned(own, 'layM2PerMin'), learned(own, 'levelM2PerMin')];
    return {
      person,
      jobs: own.length,
      ...(layM2PerMin !== undefined && { layM2PerMin }),
      ...(levelM2PerMin !== undefined && { levelM2PerMin }),
    };
  });
}

const paceSeen = ({ tookMin, plannedMin }: HandsOn, factor = 1): number | undefined =>
  tookMin < SAYS_NOTHING_MIN || plannedMin < SAYS_NOTHING_MIN ? undefined : (factor * plannedMin) / tookMin;

/** What is learned of the hands with one product; what nothing is known of is left out. */
type PaceOfProduct = Pick<ShopFigures, 'layFactor' | 'levelFactor' | 'layByMethod'>;

/**
 * How fast this shop's hands are with each product against its sheet, by all jobs. Where it was laid in several ways, how
 * much each is faster than its sheet and all of them say; laid in one way only, that one cannot be told from the product.
 */
export function paceOfHands(lessons: readonly Pick<JobLesson, 'paces'>[]): ReadonlyMap<string, PaceOfProduct> {
  const seen = lessons.flatMap(({ paces }) => paces);
  const factor = (ratios: readonly number[]) => learnFactor(ratios, PACE_LEARNING).factor;
  const known = (of: readonly (number | undefined)[]) => of.filter((ratio) => ratio !== undefined);
  return new Map(
    [...new Set(seen.map(({ product }) => product))].map((product): [string, PaceOfProduct] => {
      const own = seen.filter((one) => one.product === product);
      const [lay, level] = [known(own.map((one) => one.lay)), known(own.map((one) => one.level))];
      const layFactor = lay.length > 0 ? factor(lay) : undefined;
      const methods = [...new Set(own.flatMap((one) => (one.lay === undefined ? [] : [one.method])))];
      const beside = (method: MethodId) =>
        known(own.map((one) => (one.method === method && one.lay !== undefined ? one.lay / layFactor! : undefined)));
      return [
        product,
        {
          ...(layFactor !== undefined && { layFactor }),
          ...(level.length > 0 && { levelFactor: factor(level) }),
          ...(methods.length > 1 && {
            layByMethod: Object.fromEntries(methods.map((method) => [method, factor(beside(method))])),
          }),
        },
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
