import { z } from 'zod';
import { MARK_KIND_IDS, MARK_SEVERITIES, OUTCOMES } from '#core/survey/condition';
import { READING_SOURCES } from '#core/survey/paint';
import { LAYING_FAULT_IDS } from '#core/lay/faults';
import { LEVELS, PAUSE_REASONS } from '#core/prepare/stages';
import {
  ANSWERED_LISTS,
  CHECK_LIGHTS,
  HELP_ROLES,
  LEFT_REASONS,
  type LoggedEntry,
  PICTURE_CONSENTS,
  PROOF_KINDS,
  REMEDIES,
} from '#core/lay/run';
import { STEP_KIND_IDS } from '#core/prepare/steps';
import {
  celsius,
  instant,
  minutesBetween,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  percent,
  positive,
  share,
  text,
  wholeNonNegative,
  wholePositive,
  strokes,
} from '#formats/values';

const patch = object({
  surface: nonEmpty(),
  layer: wholeNonNegative(),
  coat: wholePositive(),
  copy: wholePositive(),
  section: wholePositive(),
});

const patchStart = object({
  product: nonEmpty(),
  sections: wholePositive(),
  areaM2: positive(),
  amount: nonNegative(),
  surfaceC: celsius().optional(),
  /** Of the bottle it is laid from, where one is in hand. */
  batch: nonEmpty().optional(),
});

const step = <const T extends string>(type: T) => object({ type: z.literal(type), patch });

const stage = object({ kind: oneOf(STEP_KIND_IDS), round: wholePositive() });

/** One thing that was done at the item, as it is sent and kept. */
export const runEntrySchema = z.discriminatedUnion(
  'type',
  [
    object({ type: z.literal('lay-start'), patch, start: patchStart }),
    step('lay-end'),
    step('cue-seen'),
    step('level-start'),
    step('level-end'),
    object({
      type: z.literal('fault'),
      patch,
      fault: oneOf(LAYING_FAULT_IDS),
      note: text().optional(),
      at: z.tuple([share(), share()], { error: 'expected a place on the panel: [across, down]' }).optional(),
    }),
    object({ type: z.literal('left-out'), surface: nonEmpty(), reason: oneOf(LEFT_REASONS) }),
    object({ type: z.literal('taken-up'), surface: nonEmpty() }),
    object({ type: z.literal('run-pause'), reason: oneOf(PAUSE_REASONS) }),
    object({ type: z.literal('run-resume') }),
    object({
      type: z.literal('answered'),
      list: oneOf(ANSWERED_LISTS),
      line: nonEmpty(),
      answer: oneOf(['yes', 'without']),
    }),
    object({ type: z.literal('fresh-towel') }),
    object({ type: z.literal('hands-join'), person: nonEmpty(), does: oneOf(HELP_ROLES) }),
    object({ type: z.literal('hands-leave'), person: nonEmpty() }),
    object({ type: z.literal('consent'), pictures: oneOf(PICTURE_CONSENTS) }),
    object({
      type: z.literal('released'),
      name: text(200).min(1, { error: 'expected a name' }),
      licence: text(100).min(1, { error: 'expected the number of the licence' }),
      strokes: strokes(),
    }),
    object({
      type: z.literal('proof'),
      surface: nonEmpty(),
      what: oneOf(PROOF_KINDS),
      value: nonNegative().max(10_000, { error: 'expected at most 10000' }),
      source: oneOf(READING_SOURCES).optional(),
    }),
    object({
      type: z.literal('bead'),
      surface: nonEmpty(),
      deg: positive().max(180, { error: 'expected an angle under 180°' }),
      sigmaDeg: nonNegative(),
    }),
    object({ type: z.literal('looked'), place: nonEmpty(), light: oneOf(CHECK_LIGHTS) }),
    object({ type: z.literal('remedied'), fault: nonEmpty(), how: oneOf(REMEDIES) }),
    object({ type: z.literal('stage-start'), stage, predictedMin: nonNegative(), dwellMin: nonNegative().optional() }),
    object({ type: z.literal('stage-pause'), stage, reason: oneOf(PAUSE_REASONS) }),
    object({ type: z.literal('stage-resume'), stage }),
    object({ type: z.literal('stage-end'), stage }),
    object({
      type: z.literal('stage-used'),
      stage,
      what: nonEmpty(),
      unit: text(),
      predicted: nonNegative(),
      amount: nonNegative(),
    }),
    object({ type: z.literal('stage-panel'), stage, surface: nonEmpty() }),
    object({ type: z.literal('stage-found'), stage, note: nonEmpty() }),
    object({
      type: z.literal('mark-outcome'),
      surface: nonEmpty(),
      mark: nonEmpty(),
      kind: oneOf(MARK_KIND_IDS),
      severity: oneOf(MARK_SEVERITIES),
      level: oneOf(LEVELS),
      outcome: oneOf(OUTCOMES),
    }),
    object({
      type: z.literal('clear-taken'),
      surface: nonEmpty(),
      um: nonNegative().max(1000, { error: 'expected at most 1000 µm' }),
    }),
    object({
      type: z.literal('air'),
      airC: celsius(),
      rhPct: percent(),
      airSpeed: nonNegative(),
      source: oneOf(READING_SOURCES).optional(),
    }),
    object({ type: z.literal('undo'), entry: nonEmpty() }),
    object({ type: z.literal('set-aside'), entry: nonEmpty(), reason: nonEmpty() }),
  ],
  { error: 'expected an entry of a known type' },
);

/** An entry as it is handed in: the sender names it, so that sending it twice logs it once. */
export const newEntrySchema = object({
  id: nonEmpty().max(64, { error: 'expected at most 64 characters' }),
  at: instant(),
  entry: runEntrySchema,
});
export type NewEntry = z.output<typeof newEntrySchema>;

/**
 * An entry as it stands in the log. `seq` is the order in which it was recorded, `by` who did it: known from the
 * request and never from what was sent.
 */
export const logEntrySchema = newEntrySchema.extend({
  seq: z.int(),
  recordedAt: instant(),
  /** What the device said it was, where its clock was another than the workshop's: `at` is on the workshop's. */
  deviceAt: instant().optional(),
  by: z.string().optional(),
});
export type LogEntry = z.output<typeof logEntrySchema>;

/** The log on the job's own scale of minutes. */
export function loggedEntries(
  startAt: string,
  entries: readonly Pick<LogEntry, 'id' | 'at' | 'entry'>[],
): LoggedEntry[] {
  return entries.map(({ id, at, entry }) => ({ id, atMin: minutesBetween(startAt, at), entry }));
}
