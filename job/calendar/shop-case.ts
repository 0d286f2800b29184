import type { CalendarCase, PlacedTask, Task } from '#core/work/calendar';
import { without } from '#core/work/crew';
import { openHours, USUAL_WEEK, type Week } from '#core/work/hours';
import type { Bay, Operation } from '#formats/job';
import type { CalendarJob, ShopCalendar, Skill } from '#formats/schedule';
import { clockShift, instantAfter, minuteOfDay, minutesBetween, weekday } from '#formats/values';
import { weekOf } from '#job/promise';

/** Names of what steps take, one kind apart from another. */
export const bayOf = (id: string) => `bay:${id}`;
/** The bay as it is open for work: what stands in it at night only stands. */
export const openOf = (id: string) => `open:${id}`;
export const personOf = (id: string) => `person:${id}`;
/** Where a job stands in no bay, the workshop's usual hours are its own. */
const NOWHERE = openOf('');
export const taskOf = (job: string, key: string) => `${job}/${key}`;
/** From when on a job may be begun, as a step nobody does. */
const fromOf = (job: string) => taskOf(job, 'from');

/** So many people may be at work in one bay: more than there are. */
const MANY = 99;
/** The calendar is told in steps of these; its start is one, minutes. */
const STEP_MIN = 5;

/** The workshop's calendar as it is planned, and where everything stood. */
export interface ShopCase {
  readonly startAt: string;
  readonly asked: CalendarCase;
  readonly stood: readonly PlacedTask[];
  /** Steps by task; those nobody does are not among them. */
  readonly steps: ReadonlyMap<string, { readonly job: CalendarJob; readonly step: Operation }>;
}

interface Sources {
  readonly calendar: ShopCalendar;
  readonly jobs: readonly CalendarJob[];
  readonly bays: readonly Bay[];
  readonly now: string;
}

/**
 * All jobs on all bays and people: each step in its bay's hours, by people who are called to do it and are there; what
 * stands in a bay stays there until it has cured; what somebody is at now is fixed.
 */
export function shopCase({ calendar, jobs, bays, now }: Sources): ShopCase {
  const startAt = instantAfter(now, -(minuteOfDay(now) % STEP_MIN));
  const minute = (at: string) => Math.round(minutesBetween(startAt, at));
  const lost = (what: string) =>
    calendar.lost.flatMap((each) => (each.what === what ? [[minute(each.from), minute(each.to)] as const] : []));
  const there = (week: Week, what: string) =>
    without(openHours(week, minuteOfDay(startAt), weekday(startAt), clockShift(startAt)), lost(what));
  const known = new Set(bays.map(({ id }) => id));
  const pinned = new Map(
    calendar.plan.flatMap((each) => (each.pinned ? [[each.task, minute(each.from)] as const] : [])),
  );
  const steps = new Map(
    jobs.flatMap((job) => job.work.map((step) => [taskOf(job.id, step.key), { job, step }] as const)),
  );
  const bayIdOf = ({ bayId }: CalendarJob) => (bayId !== null && known.has(bayId) ? bayId : null);
  const isThere = ({ kind }: Operation) => kind !== 'hand-over';
  /** While it cures it is looked over where it stands. */
  const holds = (job: CalendarJob, { kind }: Operation) =>
    kind !== 'check' || !job.work.some((other) => other.kind === 'cure');

  const tasks = jobs.flatMap((job): Task[] => {
    const bay = bayIdOf(job);
    const own = job.work.map((step, nth): Task => {
      const id = taskOf(job.id, step.key);
      const skilled = calendar.people
        .filter(({ skills }) => skills.includes(skillOf(step)))
        .map((each) => personOf(each.id));
      const hands = Math.min(step.hands, skilled.length);
      const atMin = job.begun && nth === 0 ? Math.max(0, minute(step.from)) : pinned.get(id);
      return {
        id,
        min: step.min,
        pausable: step.pausable,
        needs: [
          ...(bay !== null && isThere(step) && holds(job, step) ? [{ anyOf: [bayOf(bay)], count: 1 }] : []),
          ...(step.hands > 0 ? [{ anyOf: [bay === null ? NOWHERE : openOf(bay)], count: 1 }] : []),
          ...(hands > 0 ? [{ anyOf: skilled, count: hands }] : []),
        ],
        ...(atMin !== undefined && atMin >= 0 && { atMin }),
      };
    });
    const begins = minute(job.startAt);
    return begins > 0 && own.length > 0
      ? [{ id: fromOf(job.id), min: 0, needs: [], pausable: false, atMin: begins }, ...own]
      : own;
  });
  const ids = new Set(tasks.map(({ id }) => id));
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
        ...calendar.people.map(({ id, week }) => ({ id: personOf(id), capacity: 1, hours: there(week, personOf(id)) })),
      ],
      tasks,
      lags: jobs.flatMap(({ id, work }) =>
        work.flatMap(({ key, after }, nth) => [
          ...(nth === 0 && ids.has(fromOf(id)) ? [{ after: fromOf(id), before: taskOf(id, key), minMin: 0 }] : []),
          ...after.map((lag) => ({ ...lag, after: taskOf(id, lag.key), before: taskOf(id, key) })),
        ]),
      ),
      same: [],
      due: jobs.flatMap(({ id, needsBy, work }) => {
        const last = work.at(-1);
        return needsBy === undefined || !last
          ? []
          : [{ task: taskOf(id, last.key), byMin: minute(needsBy), weight: 1 }];
      }),
      stays: jobs.flatMap((job) => {
        const bay = bayIdOf(job);
        const there = job.work
          .filter((step) => isThere(step) && holds(job, step))
          .map(({ key }) => taskOf(job.id, key));
        return bay === null || there.length < 2 ? [] : [{ resource: bayOf(bay), tasks: there }];
      }),
      seed: 1,
    },
    stood: calendar.plan.flatMap(({ task, from, to, uses }) =>
      ids.has(task) ? [{ id: task, fromMin: minute(from), toMin: minute(to), uses }] : [],
    ),
  };
}

const SKILL_OF: Partial<Readonly<Record<Operation['kind'], Skill>>> = {
  clean: 'prepare',
  correct: 'prepare',
  wipe: 'prepare',
  'hand-over': 'hand-over',
};

/** Who is called to do a step. */
const skillOf = ({ kind, isFilm }: Operation): Skill => SKILL_OF[kind] ?? (isFilm ? 'film' : 'lay');

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
