import { z } from 'zod';
import { PHASES } from '#core/care/upkeep';
import { jobCostsSchema, LOST_WHYS, operationSchema, weekSchema } from '#formats/job';
import { flag, id, instant, list, nonEmpty, object, oneOf, share, wholeNonNegative } from '#formats/values';

/** What somebody is called to do. */
export const SKILLS = ['prepare', 'lay', 'film', 'hand-over'] as const;
export type Skill = (typeof SKILLS)[number];

/** Steps that tools are taken for. */
export const TOOLED = ['clean', 'correct', 'wipe', 'lay', 'check'] as const;

const MOST_PEOPLE = 50;
const MOST_OF_A_TOOL = 50;
const MOST_TOOLS_ERROR = { error: `expected 1 to ${MOST_OF_A_TOOL}` };
const MOST_LOST = 500;
const MOST_PLACED = 5000;
const MOST_PROMISED = 500;
const MOST_JOBS = 500;
const MOST_WEIGHT = 9;
const WEIGHT_ERROR = { error: `expected 1 to ${MOST_WEIGHT}` };
/** Engineering default: local law and contracts have their own. */
const USUAL_OVERTIME_SHARE = 0.25;

/** The calendar of the whole workshop: who is there when, what is lost, and what was agreed. */
export const shopCalendarSchema = object({
  people: list(
    object({
      id: id(),
      name: nonEmpty(),
      skills: list(oneOf(SKILLS), SKILLS.length),
      week: weekSchema(),
    }),
    MOST_PEOPLE,
  ),
  /** When a bay, a person or a tool is not there, and why: holidays, no power, service. */
  lost: list(object({ id: id(), what: nonEmpty(), from: instant(), to: instant(), why: oneOf(LOST_WHYS) }), MOST_LOST),
  /** What is shared between bays, so many of it, and the steps it is taken for while somebody is at them. */
  tools: list(
    object({
      id: id(),
      name: nonEmpty(),
      count: wholeNonNegative().min(1, MOST_TOOLS_ERROR).max(MOST_OF_A_TOOL, MOST_TOOLS_ERROR),
      kinds: list(oneOf(TOOLED), TOOLED.length),
    }),
    MOST_PEOPLE,
  ).default([]),
  /** What was ordered for jobs that lack it, and the morning it is there: it is not laid before. */
  ordered: list(
    object({ id: id(), product: id(), name: nonEmpty(), on: instant(), jobs: list(id(), MOST_JOBS) }),
    MOST_LOST,
  ).default([]),
  /** Hours somebody works, or a bay is open, beyond the usual: agreed for some evenings. */
  more: list(object({ id: id(), what: nonEmpty(), from: instant(), to: instant() }), MOST_LOST).default([]),
  /** What owners were told. An option holds its place until it expires, a promise stands. */
  promised: list(
    object({
      job: id(),
      /** Done by then. */
      by: instant(),
      /** It comes in then, and stands in that bay. */
      from: instant(),
      bay: id().optional(),
      expires: instant().optional(),
    }),
    MOST_PROMISED,
  ).default([]),
  /** Jobs that count more than others where not all can be kept: an hour late of theirs as so many. */
  weights: list(
    object({ job: id(), weight: wholeNonNegative().min(1, WEIGHT_ERROR).max(MOST_WEIGHT, WEIGHT_ERROR) }),
    MOST_PROMISED,
  ).default([]),
  /** What an hour beyond the usual costs above one within it, as a share. */
  overtimeShare: share().default(USUAL_OVERTIME_SHARE),
  /** Where each step stands that was agreed, by `job/step`. */
  plan: list(
    object({
      task: nonEmpty(),
      from: instant(),
      to: instant(),
      uses: list(nonEmpty(), MOST_PEOPLE),
      /** Put there by hand: it is not moved by itself. */
      pinned: flag().optional(),
    }),
    MOST_PLACED,
  ),
});
export type ShopCalendar = z.output<typeof shopCalendarSchema>;

export const NO_CALENDAR: ShopCalendar = {
  people: [],
  lost: [],
  tools: [],
  ordered: [],
  more: [],
  promised: [],
  weights: [],
  overtimeShare: USUAL_OVERTIME_SHARE,
  plan: [],
};

/** A job as the calendar has it. */
const calendarJobSchema = object({
  id: id(),
  title: z.string(),
  bayId: z.string().nullable(),
  phase: z.enum(PHASES),
  startAt: instant(),
  needsBy: instant().optional(),
  /** Somebody is at it: its first step is not moved. */
  begun: z.boolean(),
  /** Ready for collection, as the job says everywhere else. */
  ready: instant().nullable(),
  work: z.array(operationSchema),
  costs: jobCostsSchema.optional(),
});
export type CalendarJob = z.output<typeof calendarJobSchema>;

/** The calendar with the jobs that are on it. */
export const calendarViewSchema = object({
  version: z.int(),
  now: instant(),
  calendar: shopCalendarSchema,
  jobs: z.array(calendarJobSchema),
  /** So many jobs are still being worked out: they are missing, or as they were. */
  pending: z.int().optional(),
  /** What had been agreed when an earlier day ended, and on which. */
  earlier: object({ at: instant(), plan: shopCalendarSchema.shape.plan }).optional(),
});
export type CalendarView = z.output<typeof calendarViewSchema>;

/** Stretches of hours end later than they begin. */
export function shopCalendarFaults(raw: unknown): { readonly path: string; readonly message: string }[] {
  const { lost, more } = (raw ?? {}) as { lost?: unknown; more?: unknown };
  return Object.entries({ lost, more }).flatMap(([name, stretches]) =>
    (Array.isArray(stretches) ? stretches : []).flatMap((each: { from?: unknown; to?: unknown } | null, index) =>
      typeof each?.from === 'string' && typeof each.to === 'string' && Date.parse(each.to) <= Date.parse(each.from)
        ? [{ path: `${name}[${index}].to`, message: 'must end later than it begins' }]
        : [],
    ),
  );
}
