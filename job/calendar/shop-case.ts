import { MINUTES_PER_DAY } from '#core/measures';
import type { CalendarCase, PlacedTask, Task } from '#core/schedule/calendar';
import { type Hours, inOrder, without } from '#core/plan/crew';
import { openHours, USUAL_WEEK, type Week } from '#core/schedule/hours';
import type { Bay, Operation } from '#formats/job';
import type { CalendarJob, ShopCalendar, Skill } from '#formats/schedule';
import { clockShift, instantAfter, minuteOfDay, minutesBetween, weekday } from '#formats/values';
import { weekOf } from '#job/promise';

/** Names of what steps take, one kind apart from another. */
const BAY = 'bay:';
export const bayOf = (id: string) => `${BAY}${id}`;
/** The bay as it is open for work: what stands in it at night only stands. */
export const openOf = (id: string) => `open:${id}`;
export const personOf = (id: string) => `person:${id}`;
export const toolOf = (id: string) => `tool:${id}`;
/** Where a job stands in no bay, the workshop's usual hours are its own. */
const NOWHERE = openOf('');
export const taskOf = (job: string, key: string) => `${job}/${key}`;
/** From when on a job may be begun, as a step nobody does. */
const fromOf = (job: string) => taskOf(job, 'from');
/** When something that was ordered is there, as a step nobody does. */
const thereOf = (ordered: string) => `there:${ordered}`;

/** Where something is being laid, everybody stays so long after closing if they have to, minutes. */
const STAYS_MIN = 60;
/** A tool is there day and night, but for service. */
const ALWAYS_THERE: Hours = [[0, Infinity]];
/** So many people may be at work in one bay: more than there are. */
const MANY = 99;
/** The calendar is told in steps of these; its start is one, minutes. */
const STEP_MIN = 5;
/** What begins later is not laid out step by step: its owner, its air and its people are not certain yet. Days. */
const FAR_DAYS = 42;

/** The workshop's calendar as it is planned, and where everything stood. */
export interface ShopCase {
  readonly startAt: string;
  readonly asked: CalendarCase;
  readonly stood: readonly PlacedTask[];
  /** Steps by task; those nobody does are not among them. */
  readonly steps: ReadonlyMap<string, { readonly job: CalendarJob; readonly step: Operation }>;
  /** Jobs whose days are far: each as one block, where its own days have it. */
  readonly far: readonly FarJob[];
}

export interface FarJob {
  readonly job: CalendarJob;
  readonly bay: string | null;
  readonly from: string;
  readonly to: string;
}

export interface ShopSources {
  readonly calendar: ShopCalendar;
  readonly jobs: readonly CalendarJob[];
  readonly bays: readonly Bay[];
  readonly now: string;
}

/** How much an hour late of a job counts beside one of another: as much, unless somebody says more. */
export const weightOf = ({ weights }: Pick<ShopCalendar, 'weights'>, job: string): number =>
  weights.find((each) => each.job === job)?.weight ?? 1;

/**
 * All jobs on all bays and people: each step in its bay's hours, by people who are called to do it and are there; what
 * stands in a bay stays there until it has cured; what somebody is at now is fixed.
 */
export function shopCase({ calendar, jobs: all, bays, now }: ShopSources): ShopCase {
  const startAt = instantAfter(now, -(minuteOfDay(now) % STEP_MIN));
  const minute = (at: string) => Math.round(minutesBetween(startAt, at));
  const isWet = all.some(({ begun, work }) => begun && work.some(({ kind }) => kind === 'lay'));
  const there = (week: Week, what: string) => {
    const usual = openHours(week, minuteOfDay(startAt), weekday(startAt), clockShift(startAt));
    // What was begun today is laid to its end: nobody leaves a panel wet.
    const today = usual.filter(([from]) => from < MINUTES_PER_DAY - minuteOfDay(startAt)).at(-1);
    const stays: Hours = isWet && today ? [[today[1], today[1] + STAYS_MIN]] : [];
    return asChanged([...usual, ...stays], calendar, what, minute);
  };
  const told = new Map(calendar.promised.filter((each) => stands(each, now)).map((each) => [each.job, each]));
  const beginsAt = ({ id, startAt: own }: CalendarJob) => told.get(id)?.from ?? own;
  const isFar = (job: CalendarJob) => !job.begun && minute(beginsAt(job)) > FAR_DAYS * MINUTES_PER_DAY;
  const jobs = all.filter((job) => !isFar(job));
  const known = new Set(bays.map(({ id }) => id));
  const pinned = new Map(
    calendar.plan.flatMap((each) => (each.pinned ? [[each.task, minute(each.from)] as const] : [])),
  );
  const steps = new Map(
    jobs.flatMap((job) => job.work.map((step) => [taskOf(job.id, step.key), { job, step }] as const)),
  );
  const bayIdOf = ({ id, bayId, begun }: CalendarJob) => {
    const bay = (begun ? undefined : told.get(id)?.bay) ?? bayId;
    return bay !== null && known.has(bay) ? bay : null;
  };
  const isThere = ({ kind }: Operation) => kind !== 'hand-over';
  /** While it cures it is looked over where it stands. */
  const holds = (job: CalendarJob, { kind }: Operation) =>
    kind !== 'check' || !job.work.some((other) => other.kind === 'cure');

  const toolsFor = ({ kind }: Operation) =>
    calendar.tools.flatMap(({ id, kinds }) =>
      kinds.some((own) => own === kind) ? [{ anyOf: [toolOf(id)], count: 1 }] : [],
    );

  const tasks = jobs.flatMap((job): Task[] => {
    const bay = bayIdOf(job);
    const own = job.work.map((step, nth): Task => {
      const id = taskOf(job.id, step.key);
      const skilled = calendar.people
        .filter(({ skills }) => skills.includes(skillOf(step)))
        .map((each) => personOf(each.id));
      const hands = Math.min(step.hands, skilled.length);
      // It cures already: what is left of it passes whatever the calendar says.
      const cures = step.kind === 'cure' && step.after.length === 0;
      const atMin = cures ? 0 : job.begun && nth === 0 ? Math.max(0, minute(step.from)) : pinned.get(id);
      return {
        id,
        min: cures ? Math.max(0, minute(step.until)) : step.min,
        pausable: step.pausable,
        needs: [
          ...(bay !== null && isThere(step) && holds(job, step) ? [{ anyOf: [bayOf(bay)], count: 1 }] : []),
          ...(step.hands > 0 ? [{ anyOf: [bay === null ? NOWHERE : openOf(bay)], count: 1 }] : []),
          ...(hands > 0 ? [{ anyOf: skilled, count: hands }] : []),
          ...(step.hands > 0 ? toolsFor(step) : []),
        ],
        ...(atMin !== undefined && atMin >= 0 && { atMin }),
      };
    });
    const begins = minute(beginsAt(job));
    return begins > 0 && own.length > 0
      ? [{ id: fromOf(job.id), min: 0, needs: [], pausable: false, atMin: begins }, ...own]
      : own;
  });
  const ids = new Set(tasks.map(({ id }) => id));
  const coming = calendar.ordered.filter(({ on }) => minute(on) > 0);
  // An option that was not taken in time holds no place any more.
  const lapsed = new Set(calendar.promised.flatMap((each) => (stands(each, now) ? [] : [each.job])));
  return {
    startAt,
    steps,
    asked: {
      resources: [
        ...bays.flatMap((bay) => [
          { id: bayOf(bay.id), capacity: 1 },
          { id: openOf(bay.id), capacity: MANY, hours: there(weekOf(bay), bayOf(bay.id)) },
        ]),
        { id: NOWHERE, capacity: MANY, hours: there(USUAL_WEEK, NOWHERE) },
        ...calendar.tools.map(({ id, count }) => ({
          id: toolOf(id),
          capacity: count,
          hours: asChanged(ALWAYS_THERE, calendar, toolOf(id), minute),
        })),
        ...calendar.people.map(({ id, week }) => ({ id: personOf(id), capacity: 1, hours: there(week, personOf(id)) })),
      ],
      tasks: [
        ...tasks,
        ...coming.map(({ id, on }): Task => ({
          id: thereOf(id),
          min: 0,
          needs: [],
          pausable: false,
          atMin: minute(on),
        })),
      ],
      lags: [
        ...coming.flatMap(({ id, product, jobs: lacking }) =>
          jobs
            .filter((job) => lacking.includes(job.id))
            .flatMap((job) =>
              job.work.flatMap(({ key, products }) =>
                products?.includes(product) ? [{ after: thereOf(id), before: taskOf(job.id, key), minMin: 0 }] : [],
              ),
            ),
        ),
        ...jobs.flatMap(({ id, work }) =>
          work.flatMap(({ key, after }, nth) => [
            ...(nth === 0 && ids.has(fromOf(id)) ? [{ after: fromOf(id), before: taskOf(id, key), minMin: 0 }] : []),
            ...after.map((lag) => ({ ...lag, after: taskOf(id, lag.key), before: taskOf(id, key) })),
          ]),
        ),
      ],
      same: [],
      due: jobs.flatMap((job) => {
        const by = dueAt(job, calendar, now);
        const last = lastTask(job);
        return by === undefined || last === undefined
          ? []
          : [{ task: last, byMin: minute(by) + handingOverMin(job), weight: weightOf(calendar, job.id) }];
      }),
      stays: jobs.flatMap((job) => {
        const bay = bayIdOf(job);
        const there = job.work
          .filter((step) => isThere(step) && holds(job, step))
          .map(({ key }) => taskOf(job.id, key));
        return bay === null || there.length < 2 ? [] : [{ anyOf: [bayOf(bay)], tasks: there }];
      }),
      seed: 1,
    },
    stood: calendar.plan.flatMap(({ task, from, to, uses }) =>
      ids.has(task) && !lapsed.has(steps.get(task)?.job.id ?? '')
        ? [{ id: task, fromMin: minute(from), toMin: minute(to), uses }]
        : [],
    ),
    far: all.filter(isFar).map((job) => {
      const away = minutesBetween(job.startAt, beginsAt(job));
      const ends = job.work.map(({ until }) => until).toSorted((a, b) => minutesBetween(b, a));
      return {
        job,
        bay: bayIdOf(job),
        from: beginsAt(job),
        to: instantAfter(ends.at(-1) ?? job.startAt, away),
      };
    }),
  };
}

/** Usual hours of a bay, a person or a tool with those that were added, and without those that are lost. */
export function asChanged(
  usual: Hours,
  { more, lost }: Pick<ShopCalendar, 'more' | 'lost'>,
  what: string,
  minute: (at: string) => number,
): Hours {
  const stretches = (those: ShopCalendar['more']): Hours =>
    those.flatMap((each) => (each.what === what ? [[minute(each.from), minute(each.to)] as const] : []));
  return without(inOrder([...usual, ...stretches(more)]), stretches(lost));
}

/** The bay among what a step takes; undefined: it stands in none. */
export const bayAmong = (uses: readonly string[]): string | undefined =>
  uses.find((used) => used.startsWith(BAY))?.slice(BAY.length);

/** What is told to an owner still holds: it is a promise, or an option that has not expired. */
export const stands = ({ expires }: ShopCalendar['promised'][number], now: string): boolean =>
  expires === undefined || Date.parse(expires) > Date.parse(now);

/** When a job's owner was last told to have it, else when they want it; undefined: nobody waits for it. */
export function dueAt(
  { id, needsBy }: Pick<CalendarJob, 'id' | 'needsBy'>,
  { promised }: Pick<ShopCalendar, 'promised'>,
  now: string,
): string | undefined {
  return promised.find((each) => each.job === id && stands(each, now))?.by ?? needsBy;
}

/** The step a job goes out with. */
export const lastTask = ({ id, work }: Pick<CalendarJob, 'id' | 'work'>): string | undefined => {
  const last = work.at(-1);
  return last && taskOf(id, last.key);
};

/** Minutes from when a job is ready for collection until it has gone out: explaining it to its owner. */
export const handingOverMin = ({ work }: Pick<CalendarJob, 'work'>): number => {
  const last = work.at(-1);
  return last?.kind === 'hand-over' ? last.min : 0;
};

/** When a job is ready for collection where its steps stand, minutes; undefined: it is not placed. */
export function readyIn(tasks: readonly PlacedTask[], job: Pick<CalendarJob, 'id' | 'work'>): number | undefined {
  const last = lastTask(job);
  const place = tasks.find(({ id }) => id === last);
  return place && place.toMin - handingOverMin(job);
}

const SKILL_OF: Partial<Readonly<Record<Operation['kind'], Skill>>> = {
  clean: 'prepare',
  correct: 'prepare',
  wipe: 'prepare',
  'hand-over': 'hand-over',
};

/** Who is called to do a step. */
export const skillOf = ({ kind, isFilm }: Operation): Skill => SKILL_OF[kind] ?? (isFilm ? 'film' : 'lay');

/** A calendar as it is kept once it is agreed to. */
export const asKept = (
  { startAt, steps }: ShopCase,
  tasks: readonly PlacedTask[],
  before: ShopCalendar['plan'],
): ShopCalendar['plan'] => {
  const pinned = new Set(before.flatMap(({ task, pinned: isPinned }) => (isPinned ? [task] : [])));
  return tasks
    .filter(({ id }) => steps.has(id))
    .map(({ id, fromMin, toMin, uses }) => ({
      task: id,
      from: instantAfter(startAt, fromMin),
      to: instantAfter(startAt, toMin),
      uses: [...uses],
      ...(pinned.has(id) && { pinned: true }),
    }));
};
