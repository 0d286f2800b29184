import type { MethodId } from '#core/products/methods';
import {
  type LearnedFactor,
  learnFactor,
  type LearningModel,
  predictiveSigma,
  untaught,
} from '#core/measures/learning';
import type { LoggedStock, StockUse } from './events';
import { afterEntry, emptyWeight, type StockThing, undoneIn } from './thing';

/** Product used against predicted, weighing by weighing. */
const USAGE_LEARNING: LearningModel = { priorSigma: 0.15, observationSigma: 0.1, mostRatio: 3 };
/** Less laid between two weighings than this share of the vessel is within the wobble of scale and drops. */
const LEAST_SHARE = 0.02;

/** What one weighing says of what was laid since the amount was last known for certain. */
export interface UsageLesson {
  /** The weighing. */
  readonly entry: string;
  readonly thing: string;
  readonly of: string;
  readonly atMs: number;
  /** Really used against predicted by the sheet and the method alone. */
  readonly ratio: number;
  readonly used: number;
  readonly predicted: number;
  /** Where all of it was laid so, or by them. */
  readonly method?: MethodId;
  readonly by?: string;
  /** It was taken back. */
  readonly untaught: boolean;
}

const only = <T>(values: readonly (T | undefined)[]): T | undefined =>
  new Set(values).size === 1 ? values[0] : undefined;

/** What the weighings of one thing say, from each amount known for certain to the next. */
export function lessonsOf(entries: readonly LoggedStock[]): UsageLesson[] {
  const undone = undoneIn(entries);
  const standing = entries.filter(({ id }) => !undone.has(id));
  const takenBack = new Set(standing.flatMap(({ entry }) => (entry.type === 'untaught' ? [entry.entry] : [])));
  const lessons: UsageLesson[] = [];
  let thing: StockThing | undefined;
  let certain: number | undefined;
  let drawn: (StockUse & Pick<LoggedStock, 'by'>)[] = [];
  for (const logged of standing) {
    const { id, atMs, by, entry } = logged;
    const before = thing;
    thing = afterEntry(thing, logged);
    if (entry.type === 'used') drawn.push({ ...entry, by });
    // A typed amount is somebody's guess: nothing is learned over it.
    if (entry.type === 'counted') [certain, drawn] = [undefined, []];
    if (entry.type === 'bought') certain = entry.as.size;
    if (entry.type !== 'weighed' || !thing || !before || emptyWeight(before, entry) === undefined) continue;
    const predicted = drawn.reduce((sum, { amount, factor }) => sum + amount / factor, 0);
    const used = certain === undefined ? 0 : certain - thing.remaining;
    if (predicted > thing.size * LEAST_SHARE && used > 0) {
      const method = only(drawn.map((use) => use.method));
      const person = only(drawn.map((use) => use.by));
      lessons.push({
        entry: id,
        thing: thing.id,
        of: thing.of,
        atMs,
        ratio: used / predicted,
        used,
        predicted,
        ...(method !== undefined && { method }),
        ...(person !== undefined && { by: person }),
        untaught: takenBack.has(id),
      });
    }
    [certain, drawn] = [thing.remaining, []];
  }
  return lessons;
}

/** What weighings teach together, the first one first; those taken back left out. */
export function usageLearned(lessons: readonly Pick<UsageLesson, 'ratio' | 'untaught'>[]): LearnedFactor {
  const ratios = lessons.filter((lesson) => !lesson.untaught).map(({ ratio }) => ratio);
  return learnFactor(ratios, USAGE_LEARNING, untaught(USAGE_LEARNING));
}

/** The factor on what a product uses and the spread of the next job, as sheets carry them. */
export function usageOf(lessons: readonly Pick<UsageLesson, 'ratio' | 'untaught'>[]): {
  readonly usageFactor: number;
  readonly usageSigma: number;
} {
  const learned = usageLearned(lessons);
  return { usageFactor: learned.factor, usageSigma: predictiveSigma(learned, USAGE_LEARNING) };
}
