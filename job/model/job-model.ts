import isEqual from 'fast-deep-equal';
import { createSelectorCreator, lruMemoize } from 'reselect';
import { progressOf, type RunSheet, runSheet } from '#core/lay/run';
import type { Week } from '#core/schedule/hours';
import type { PrepareSettings } from '#core/prepare/stages';
import type { YardForecast } from '#formats/bay';
import type { Job } from '#formats/job';
import type { LogEntry } from '#formats/log';
import { closingView } from '#job/check';
import { curingDates, daysView, leavesMin, outdoorsOf, ownerDates } from '#job/days';
import { planInput } from '#job/plan';
import { unreadyPanels, withFoundStill } from '#job/prepare';
import { countsFrom, inOpeningHours, layingFrom } from '#job/promise';
import { type FoundInStock, withStock, withUsage } from '#job/stock';
import { doneView, preparedWith, standingView } from '#job/view';

type Product = Job['products'][number];

/** What a job is worked out from. An input that is the very value it was leaves what follows from it as it is. */
export interface JobInputs {
  readonly document: Job;
  readonly entries: readonly Pick<LogEntry, 'id' | 'at' | 'entry'>[];
  /** When the bay is open. */
  readonly week: Week;
  /** What weighings have taught of a product; undefined: nothing. */
  readonly usage: (product: string) => Pick<Product, 'usageFactor' | 'usageSigma'> | undefined;
  /** What it finds in stock; empty: as its own copies of the sheets say. */
  readonly found: readonly FoundInStock[];
  readonly settings: PrepareSettings;
  /** Minutes after the start. */
  readonly nowMin: number;
  /** The weather outside; undefined while it is not known. */
  readonly weather: YardForecast | undefined;
  /** The run sheet, where it is laid out elsewhere; absent: it is laid out here. */
  readonly sheet?: RunSheet | undefined;
}

/** Two moments of one job are asked for by turns: now, and until what was tapped has been seen, the moment before. */
const MOMENTS = { maxSize: 2 };
/** Keeps its last results, each as it is while it depends on the very same values. */
const createLast = createSelectorCreator({
  memoize: lruMemoize,
  memoizeOptions: MOMENTS,
  argsMemoize: lruMemoize,
  argsMemoizeOptions: MOMENTS,
});
/** The same; a result that says nothing else is the value it was before, so that nothing that follows moves. */
const createSteady = createSelectorCreator({
  memoize: lruMemoize,
  memoizeOptions: { ...MOMENTS, resultEqualityCheck: isEqual },
  argsMemoize: lruMemoize,
  argsMemoizeOptions: MOMENTS,
});

/**
 * What follows from a job: a graph of selectors, each worked out when it is asked for and again only when what it reads
 * has changed. One instance remembers one job; the browser keeps one while a job is open, the server asks one once.
 */
export function jobModel() {
  const document = ({ document: own }: JobInputs) => own;
  const startAt = ({ document: own }: JobInputs) => own.startAt;
  const owner = ({ document: own }: JobInputs) => own.owner;
  const nowMin = ({ nowMin: minutes }: JobInputs) => minutes;
  const week = (inputs: JobInputs) => inputs.week;
  const settings = (inputs: JobInputs) => inputs.settings;
  const weather = (inputs: JobInputs) => inputs.weather;

  /** What was really done. */
  const done = createLast([startAt, ({ entries }: JobInputs) => entries], doneView);
  const record = (inputs: JobInputs) => done(inputs).record;
  /** From when on what is left is counted, minutes. */
  const countsFromMin = createLast([record, nowMin], countsFrom);
  /** The same by the whole minute: days do not move by the second. */
  const fromMin = (inputs: JobInputs) => Math.floor(countsFromMin(inputs));
  /** With what is in stock for it today, and what weighings have taught since its sheets were copied. */
  const live = createLast(
    [document, ({ usage }: JobInputs) => usage, ({ found }: JobInputs) => found],
    (own, usage, found) => withStock(withUsage(own, usage), found),
  );
  /** As it is planned, whenever somebody is there. What nothing is laid by (a mark, a note, a picture) leaves it as it is. */
  const asPlanned = createSteady([live], (job) => planInput(job));
  /** The same in the hours people are there and the workshop is open. */
  const planned = createSteady([asPlanned, live, week, record, countsFromMin], (input, job, hours, run, now) =>
    inOpeningHours(input, job, hours, { record: run, nowMin: now }),
  );
  const prepared = createLast([document, settings], preparedWith);
  /** Panels that are to be laid on without the wash, decontamination or wipe that needs. */
  const unready = createSteady([prepared], unreadyPanels);
  /** When laying may begin, its preparation done. */
  const layFromMin = createLast([planned, prepared, record, countsFromMin], (input, { preparation, day }, run, now) =>
    layingFrom(input, preparation, day, { record: run, nowMin: now }),
  );
  /** The run sheet, laid out here. */
  const laidOut = createLast([planned, record, layFromMin], runSheet);
  const sheet = (inputs: JobInputs): RunSheet => inputs.sheet ?? laidOut(inputs);
  const plan = (inputs: JobInputs) => sheet(inputs).plan;
  const progress = createLast([sheet, record], progressOf);
  /** Looked over, and all answered for before it goes. */
  const isChecked = createLast([document, sheet, record], (own, out, run) => closingView(own, out, run).isDone);
  const days = createLast(
    [document, planned, prepared, record, sheet, fromMin, isChecked],
    (own, input, { preparation, day }, run, { out }, from, checked) =>
      daysView({
        ...{ document: own, planned: input, preparation, day, record: run, out },
        ...{ fromMin: from, isChecked: checked },
      }),
  );
  /** When it has left its bay, minutes; null: it has not, and does not yet. */
  const leftMin = createLast([days, plan, nowMin], leavesMin);
  /** What it stands in once it has left; undefined until a forecast says. */
  const outdoors = createLast([document, leftMin, weather], (own, left, forecast) =>
    forecast ? outdoorsOf(own, left, forecast) : undefined,
  );
  /** What lies on it now, panel by panel. */
  const there = createLast([planned, document, record, prepared], (input, own, run, { preparation }) =>
    withFoundStill(input, own, run, preparation.panels),
  );
  const standing = createLast([there, record, owner, outdoors], standingView);
  const curing = createLast([planned, plan, outdoors], curingDates);
  /** The dates that matter to the owner. */
  const dates = createLast([document, plan, days, curing], ownerDates);
  return {
    ...{ live, done, record, asPlanned, planned, prepared, unready, countsFromMin, layFromMin },
    ...{ sheet, plan, progress, days, outdoors, standing, curing, dates },
  };
}
export type JobModel = ReturnType<typeof jobModel>;

/** Everything that follows from a job, by name. */
export type JobFacts = { readonly [Name in keyof JobModel]: ReturnType<JobModel[Name]> };

/** What follows from these inputs; each is worked out when it is read. */
export function jobFacts(inputs: JobInputs, model: JobModel = jobModel()): JobFacts {
  const facts = {};
  for (const name of Object.keys(model) as (keyof JobModel)[])
    Object.defineProperty(facts, name, { enumerable: true, get: () => model[name](inputs) });
  return facts as JobFacts;
}
