import { z } from 'zod';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import {
  CLAY_FORMS,
  CLAY_GRADES,
  CLEANER_PH,
  DRIVES,
  type Kit,
  type KitSheet,
  type KitThing,
  LAMP_FORMS,
  LIQUID_GRADES,
  MACHINE_ACTIONS,
  PAD_MATERIALS,
  PAD_STATES,
} from '#core/prepare/kit';
import { STEP_KIND_IDS } from '#core/prepare/steps';
import {
  flag,
  id,
  instant,
  list,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  percent,
  positive,
  text,
} from '#formats/values';

const named = { id: id(), name: nonEmpty(), note: text().optional() };

/** A sheet of the preparation shelf, or a pad or machine as a thing. */
export const kitEntrySchema = z.discriminatedUnion(
  'kind',
  [
    object({
      kind: z.literal('cleaner'),
      ...named,
      serves: list(oneOf(STEP_KIND_IDS)).min(1, { error: 'expected at least one step it is for' }),
      notFor: list(oneOf(SUBSTRATE_IDS)).default([]),
      ph: oneOf(CLEANER_PH).optional(),
      aviationApproved: flag().optional(),
      dwellMin: nonNegative().optional(),
      dilution: nonNegative().default(0),
      mlPer: positive(),
    }),
    object({ kind: z.literal('clay'), ...named, grade: oneOf(CLAY_GRADES), form: oneOf(CLAY_FORMS) }),
    object({
      kind: z.literal('liquid'),
      ...named,
      grade: oneOf(LIQUID_GRADES),
      aviationApproved: flag().optional(),
      diminishing: flag().default(false),
      filling: flag().default(false),
      mlPerDot: positive(),
      dotsFirst: positive(),
      dotsLoaded: positive(),
    }),
    object({
      kind: z.literal('pad'),
      ...named,
      material: oneOf(PAD_MATERIALS),
      sizeMm: positive(),
      driesH: nonNegative(),
    }),
    object({
      kind: z.literal('machine'),
      ...named,
      action: oneOf(MACHINE_ACTIONS),
      throwMm: nonNegative(),
      plateMm: positive(),
      speedFrom: nonNegative(),
      speedTo: positive(),
      drive: oneOf(DRIVES),
      runMin: positive().optional(),
      serviceEveryDays: positive().optional(),
    }),
    object({ kind: z.literal('lamp'), ...named, form: oneOf(LAMP_FORMS), flickerFree: flag() }),
    object({
      kind: z.literal('pad-in-use'),
      id: id(),
      sheet: id(),
      liquid: id().optional(),
      state: oneOf(PAD_STATES),
      since: instant(),
    }),
    object({
      kind: z.literal('machine-in-use'),
      id: id(),
      sheet: id(),
      chargePct: percent().optional(),
      servicedOn: z.iso.date({ error: 'expected a date such as 2026-05-01' }).optional(),
    }),
  ],
  { error: 'expected a sheet (cleaner, clay, liquid, pad, machine, lamp), a pad-in-use or a machine-in-use' },
);
export type KitEntry = z.output<typeof kitEntrySchema>;
export type KitEntryInput = z.input<typeof kitEntrySchema>;

export const kitRecordSchema = z.object({ id: id(), version: z.int(), entry: kitEntrySchema });
export type KitRecord = z.output<typeof kitRecordSchema>;

export const isSheet = (entry: KitEntry): entry is Extract<KitEntry, KitSheet> =>
  entry.kind !== 'pad-in-use' && entry.kind !== 'machine-in-use';

/** What does not make sense in an entry, with its place. */
export function kitSenseFaults(entry: KitEntry): { path: string; message: string }[] {
  if (entry.kind === 'machine' && entry.speedTo < entry.speedFrom) {
    return [{ path: 'speedTo', message: 'must not be below the slowest speed' }];
  }
  if (entry.kind === 'machine' && entry.action === 'rotary' && entry.throwMm > 0) {
    return [{ path: 'throwMm', message: 'a rotary machine has no throw: 0' }];
  }
  if (entry.kind === 'liquid' && entry.dotsLoaded > entry.dotsFirst) {
    return [{ path: 'dotsLoaded', message: 'a loaded pad wants less than a fresh one, not more' }];
  }
  return [];
}

/** The shelf's entries as the core asks for them. */
export function kitOf(entries: readonly KitEntry[]): Kit {
  return {
    sheets: entries.filter(isSheet),
    things: entries.flatMap((entry): KitThing[] => {
      if (entry.kind === 'pad-in-use') {
        const { since, ...pad } = entry;
        return [{ ...pad, sinceMs: Date.parse(since) }];
      }
      if (entry.kind !== 'machine-in-use') return [];
      const { servicedOn, ...machine } = entry;
      return [{ ...machine, ...(servicedOn && { servicedMs: Date.parse(servicedOn) }) }];
    }),
  };
}
