import { CREW_ROLES, type CrewRole } from '#core/plan/crew';
import type { PauseReason } from '#core/prepare/stages';

/** Why a panel gets nothing, or nothing more. */
export const LEFT_REASONS = ['owner', 'damaged', 'no-product', 'no-time', 'not-reached', 'other'] as const;
export type LeftReason = (typeof LEFT_REASONS)[number];
export const LEFT_WORDS: Readonly<Record<LeftReason, string>> = {
  owner: 'The owner wants it so',
  damaged: 'Damaged, or not fit for it',
  'no-product': 'No product for it left',
  'no-time': 'No time for it',
  'not-reached': 'Not to be got at',
  other: 'Something else',
};

/** What the owner says of pictures of the item. */
export const PICTURE_CONSENTS = ['shown', 'withheld'] as const;
export type PictureConsent = (typeof PICTURE_CONSENTS)[number];

/** Lists that are gone through by hand before and after the work. */
export const ANSWERED_LISTS = ['gate', 'closing'] as const;
export type AnsweredList = (typeof ANSWERED_LISTS)[number];

/** What somebody who comes to help does. */
export const HELP_ROLES = ['both', ...CREW_ROLES] as const;
export type HelpRole = (typeof HELP_ROLES)[number];

/** What turns a run off its planned way, and what is answered for by hand. */
export type CourseEntry =
  | {
      readonly type: 'left-out';
      readonly surface: string;
      readonly reason: LeftReason;
    }
  | { readonly type: 'taken-up'; readonly surface: string }
  | { readonly type: 'run-pause'; readonly reason: PauseReason }
  | { readonly type: 'run-resume' }
  /** `without`: it is missing, and the work goes on: whoever tapped it answers for it. */
  | {
      readonly type: 'answered';
      readonly list: AnsweredList;
      readonly line: string;
      readonly answer: 'yes' | 'without';
    }
  | { readonly type: 'fresh-towel' }
  /** Somebody comes in and helps; who was to be there anyway comes back as who they are. */
  | { readonly type: 'hands-join'; readonly person: string; readonly does: HelpRole }
  | { readonly type: 'hands-leave'; readonly person: string }
  /** The owner says whether pictures may be shown to others; the last word counts. */
  | { readonly type: 'consent'; readonly pictures: PictureConsent }
  /** A licensed engineer signs that what was covered on an aircraft is clear again. Strokes as shares of the box signed in. */
  | ({ readonly type: 'released' } & Release);

/** Who signed for an aircraft, by which licence. */
export interface Release {
  readonly name: string;
  readonly licence: string;
  readonly strokes: number[][];
}

export interface LeftOut {
  readonly reason: LeftReason;
  readonly atMin: number;
}

export interface RunPause {
  readonly reason: PauseReason;
  readonly fromMin: number;
  readonly toMin?: number;
}

/** When somebody came to a job, or went from it, in order; what they do, where they came to it. */
export interface HandsTurn {
  readonly atMin: number;
  /** Absent: they went. */
  readonly does?: readonly CrewRole[];
}

export interface Answer {
  readonly answer: 'yes' | 'without';
  readonly atMin: number;
}

/** A fresh levelling towel, and the entry that says so. */
export interface FreshTowel {
  readonly atMin: number;
  readonly entry: string;
}

/** The turns a run has taken so far. */
export interface Course {
  /** Panels left out, by surface. */
  readonly left: ReadonlyMap<string, LeftOut>;
  readonly pauses: readonly RunPause[];
  /** What was answered for by hand, by {@link answerKey}: the last word of each. */
  readonly answers: ReadonlyMap<string, Answer>;
  /** When a fresh levelling towel was taken, in order. */
  readonly towels: readonly FreshTowel[];
  /** Who came or went otherwise than planned, by person. */
  readonly hands: ReadonlyMap<string, readonly HandsTurn[]>;
  /** Whether the owner lets pictures be shown, and since when; empty: nobody asked. The last word is the last. */
  readonly consents: readonly { readonly pictures: PictureConsent; readonly atMin: number }[];
  /** What licensed engineers signed for, in order; the last is what holds. */
  readonly releases: readonly (Release & { readonly atMin: number })[];
}

/** The same while it is read from the log. */
export interface GrowingCourse extends Course {
  readonly left: Map<string, LeftOut>;
  readonly pauses: RunPause[];
  readonly answers: Map<string, Answer>;
  readonly towels: FreshTowel[];
  readonly hands: Map<string, readonly HandsTurn[]>;
  readonly consents: { readonly pictures: PictureConsent; readonly atMin: number }[];
  readonly releases: (Release & { readonly atMin: number })[];
}

export const answerKey = (list: AnsweredList, line: string): string => `${list}/${line}`;

/** The pause that is not over; undefined while the work goes on. */
export function openPause({ pauses }: Pick<Course, 'pauses'>): RunPause | undefined {
  const last = pauses.at(-1);
  return last && last.toMin === undefined ? last : undefined;
}

/** Why an entry does not fit the turns taken so far; undefined where it does. */
export function courseFault(course: Course, entry: CourseEntry): string | undefined {
  switch (entry.type) {
    case 'left-out':
      return course.left.has(entry.surface) ? 'this panel is left out already' : undefined;
    case 'taken-up':
      return course.left.has(entry.surface) ? undefined : 'this panel is not left out';
    case 'run-pause':
      return openPause(course) ? 'the work is paused already' : undefined;
    case 'run-resume':
      return openPause(course) ? undefined : 'the work is not paused';
    case 'hands-join':
      return course.hands.get(entry.person)?.at(-1)?.does ? 'they are at it already' : undefined;
    case 'hands-leave': {
      const last = course.hands.get(entry.person)?.at(-1);
      return last && !last.does ? 'they have left already' : undefined;
    }
    case 'answered':
    case 'fresh-towel':
    case 'consent':
    case 'released':
      return undefined;
  }
}

/** Takes one more turn that fits. */
export function takeTurn(
  { left, pauses, answers, towels, hands, consents, releases }: GrowingCourse,
  entry: CourseEntry,
  { id, atMin }: { readonly id: string; readonly atMin: number },
): void {
  switch (entry.type) {
    case 'left-out':
      left.set(entry.surface, { reason: entry.reason, atMin });
      break;
    case 'taken-up':
      left.delete(entry.surface);
      break;
    case 'run-pause':
      pauses.push({ reason: entry.reason, fromMin: atMin });
      break;
    case 'run-resume':
      endPause(pauses, atMin);
      break;
    case 'answered':
      answers.set(answerKey(entry.list, entry.line), { answer: entry.answer, atMin });
      break;
    case 'fresh-towel':
      towels.push({ atMin, entry: id });
      break;
    case 'hands-join':
    case 'hands-leave':
      hands.set(entry.person, [
        ...(hands.get(entry.person) ?? []),
        { atMin, ...(entry.type === 'hands-join' && { does: entry.does === 'both' ? CREW_ROLES : [entry.does] }) },
      ]);
      break;
    case 'consent':
      consents.push({ pictures: entry.pictures, atMin });
      break;
    case 'released':
      releases.push({ name: entry.name, licence: entry.licence, strokes: entry.strokes, atMin });
  }
}

/** Hands on a panel say more than what was tapped before: the work goes on, and that panel is not left out. */
export function handsOn({ left, pauses }: GrowingCourse, surface: string, atMin: number): void {
  left.delete(surface);
  endPause(pauses, atMin);
}

function endPause(pauses: RunPause[], atMin: number): void {
  const last = pauses.at(-1);
  if (last && last.toMin === undefined) pauses[pauses.length - 1] = { ...last, toMin: Math.max(last.fromMin, atMin) };
}

/** Minutes of a stretch in which the work was not paused. */
export function unpausedMin(pauses: readonly RunPause[], fromMin: number, toMin: number): number {
  const paused = pauses.reduce(
    (sum, pause) => sum + Math.max(0, Math.min(toMin, pause.toMin ?? Infinity) - Math.max(fromMin, pause.fromMin)),
    0,
  );
  return Math.max(0, toMin - fromMin - paused);
}
