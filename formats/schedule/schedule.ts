import { z } from 'zod';
import type { CalendarCase, Scheduled } from '#core/schedule/calendar';
import {
  type Fault,
  flag,
  instant,
  instantAfter,
  isRecord,
  list,
  minutesBetween,
  nonEmpty,
  nonNegative,
  object,
  pathText,
  positive,
  read,
  records,
  wholeNonNegative,
  wholePositive,
} from '#formats/values';

export const CALENDAR_FORMAT = 'glaphyra.calendar/1';
export const SCHEDULED_FORMAT = 'glaphyra.scheduled/1';

/** Tasks and lags a file may have, resources of it, and stretches of hours of one resource. */
const MOST_TASKS = 20_000;
const MOST_RESOURCES = 500;
const MOST_STRETCHES = 5000;
/** Nobody waits longer for an answer, s. */
const LONGEST_S = 3600;
/** Nobody plans further, or holds a bay longer, minutes: ten years. */
const LONGEST_MIN = 5_256_000;

const minutes = () => wholeNonNegative().max(LONGEST_MIN, { error: `expected at most ${LONGEST_MIN} minutes` });

/** Work to be placed on bays, people and tools. Whole minutes. */
export const calendarSchema = object({
  format: z.literal(CALENDAR_FORMAT, { error: `expected "${CALENDAR_FORMAT}"` }),
  startAt: instant(),
  seconds: positive()
    .max(LONGEST_S, { error: `expected at most ${LONGEST_S} s` })
    .default(30),
  seed: wholeNonNegative().default(1),
  resources: list(
    object({
      id: nonEmpty(),
      capacity: wholePositive().default(1),
      /** Absent: always; empty: never. */
      hours: list(
        z.tuple([instant(), instant()], { error: 'expected two moments: [from, to]' }),
        MOST_STRETCHES,
      ).optional(),
    }),
    MOST_RESOURCES,
  ),
  tasks: list(
    object({
      id: nonEmpty(),
      min: minutes(),
      needs: list(
        object({
          anyOf: list(nonEmpty(), MOST_RESOURCES).min(1, { error: 'expected at least one resource' }),
          count: wholePositive().default(1),
        }),
        20,
      ).default([]),
      pausable: flag().default(false),
      at: instant().optional(),
    }),
    MOST_TASKS,
  ),
  lags: list(
    object({ after: nonEmpty(), before: nonEmpty(), minMin: minutes().default(0), maxMin: minutes().optional() }),
    MOST_TASKS,
  ).default([]),
  same: list(list(nonEmpty(), MOST_TASKS)).default([]),
  due: list(object({ task: nonEmpty(), by: instant(), weight: nonNegative().default(1) }), MOST_TASKS).default([]),
});
type CalendarFile = z.output<typeof calendarSchema>;

/** Where all of it stands. */
export const scheduledSchema = object({
  format: z.literal(SCHEDULED_FORMAT),
  tasks: z.array(object({ id: z.string(), from: instant(), to: instant(), uses: z.array(z.string()) })),
  /** Of each task that is due. */
  lateMin: z.record(z.string(), z.number()),
  makespanMin: z.number(),
  /** No calendar as little late ends sooner. */
  boundMin: z.number(),
  proven: z.boolean(),
  unplaced: z.array(object({ task: z.string(), why: z.string() })),
});
type ScheduledFile = z.output<typeof scheduledSchema>;

/** Faults no schema tells: what is named twice, or nowhere; needs nobody can meet; hours that end before they begin. */
function senseFaults(raw: unknown): Fault[] {
  if (!isRecord(raw)) return [];
  const known = (key: 'resources' | 'tasks') => new Set(records(raw[key]).map(([, { id }]) => id));
  const [resources, tasks] = [known('resources'), known('tasks')];
  const named = (path: readonly PropertyKey[], id: unknown, among: ReadonlySet<unknown>, what: string): Fault[] =>
    typeof id !== 'string' || among.has(id)
      ? []
      : [{ path: pathText(path), message: `there is no ${what} "${id}" in this file` }];
  const strings = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);
  const startMs = typeof raw.startAt === 'string' ? Date.parse(raw.startAt) : Number.NaN;
  return [
    ...(['resources', 'tasks'] as const).flatMap((key) => {
      const seen = new Set<unknown>();
      return records(raw[key]).flatMap(([index, { id }]): Fault[] => {
        if (id === undefined || !seen.has(id)) {
          seen.add(id);
          return [];
        }
        return [{ path: pathText([key, index, 'id']), message: `"${String(id)}" is used twice; give each its own` }];
      });
    }),
    ...records(raw.resources).flatMap(([index, { hours }]) =>
      strings(hours).flatMap((stretch, nth): Fault[] => {
        const [from, to] = strings(stretch);
        return typeof from === 'string' && typeof to === 'string' && Date.parse(to) <= Date.parse(from)
          ? [{ path: pathText(['resources', index, 'hours', nth]), message: 'must end later than it begins' }]
          : [];
      }),
    ),
    ...records(raw.tasks).flatMap(([index, { needs, at }]) => [
      ...(typeof at === 'string' && !Number.isInteger((Date.parse(at) - startMs) / 60_000) && Number.isFinite(startMs)
        ? [{ path: pathText(['tasks', index, 'at']), message: 'expected a whole number of minutes from startAt' }]
        : []),
      ...records(needs).flatMap(([nth, { anyOf, count }]) => {
        const path = ['tasks', index, 'needs', nth];
        const different = new Set(strings(anyOf)).size;
        return [
          ...strings(anyOf).flatMap((id, place) => named([...path, 'anyOf', place], id, resources, 'resource')),
          ...(typeof count === 'number' && different > 0 && count > different
            ? [{ path: pathText([...path, 'count']), message: `${count} of ${different}: name more, or ask for fewer` }]
            : []),
        ];
      }),
    ]),
    ...records(raw.lags).flatMap(([index, { after, before }]) => [
      ...named(['lags', index, 'after'], after, tasks, 'task'),
      ...named(['lags', index, 'before'], before, tasks, 'task'),
    ]),
    ...strings(raw.same).flatMap((group, index) =>
      strings(group).flatMap((id, nth) => named(['same', index, nth], id, tasks, 'task')),
    ),
    ...records(raw.due).flatMap(([index, { task }]) => named(['due', index, 'task'], task, tasks, 'task')),
  ];
}

/** @throws FaultsError with every fault and its place */
export const readCalendar = (value: unknown): CalendarFile => read(value, calendarSchema, senseFaults);

/** What a file asks for, in whole minutes from its start: hours are there for whole minutes only. */
export function calendarCase({ startAt, resources, tasks, lags, same, due, seed }: CalendarFile): CalendarCase {
  const minute = (moment: string) => minutesBetween(startAt, moment);
  return {
    resources: resources.map(({ id, capacity, hours }) => ({
      id,
      capacity,
      ...(hours && { hours: hours.map(([from, to]) => [minute(from), minute(to)] as const) }),
    })),
    tasks: tasks.map(({ id, min, needs, pausable, at }) => ({
      id,
      min,
      needs: needs.map(({ anyOf, count }) => ({ anyOf: [...new Set(anyOf)], count })),
      pausable,
      ...(at !== undefined && { atMin: minute(at) }),
    })),
    lags,
    same,
    due: due.map(({ task, by, weight }) => ({ task, byMin: Math.floor(minute(by)), weight })),
    seed,
  };
}

/** A calendar as a file, at the offset of its start. */
export const scheduledFile = (
  startAt: string,
  { tasks, unplaced, lateMin, makespanMin, boundMin, proven }: Scheduled,
): ScheduledFile => ({
  format: SCHEDULED_FORMAT,
  tasks: tasks.map(({ id, fromMin, toMin, uses }) => ({
    id,
    from: instantAfter(startAt, fromMin),
    to: instantAfter(startAt, toMin),
    uses: [...uses],
  })),
  lateMin: Object.fromEntries(lateMin),
  makespanMin,
  boundMin,
  proven,
  unplaced: unplaced.map(({ id, why }) => ({ task: id, why })),
});
