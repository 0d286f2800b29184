import { z } from 'zod';
import { MARK_KIND_IDS } from '#core/survey/condition';
import { FAMILY_IDS } from '#core/products/families';
import { STEP_KIND_IDS } from '#core/prepare/steps';
import { flag, instant, object } from '#formats/values';

/** An item the workshop has had, at a glance. */
export const itemSummarySchema = object({
  id: z.string(),
  name: z.string(),
  ownerName: z.string().nullable(),
  visits: z.int(),
  lastJobId: z.string(),
  lastAt: instant(),
});
export type ItemSummary = z.output<typeof itemSummarySchema>;

/** What one visit did to one surface, and what was found on it then. */
export const surfaceVisitSchema = object({
  surface: z.string(),
  name: z.string(),
  /** Really laid, bottom first; a share below 1: some of the panel is bare of it. */
  laid: z.array(object({ product: z.string(), family: z.enum(FAMILY_IDS), doneShare: z.number(), at: instant() })),
  /** Median paint thickness then, µm; null: not read. */
  medianUm: z.number().nullable(),
  readings: z.int(),
  marks: z.array(z.enum(MARK_KIND_IDS)),
});
export const visitSchema = object({
  jobId: z.string(),
  title: z.string(),
  startAt: instant(),
  /** Something was done at it; else it is only planned. */
  begun: flag(),
  pictures: z.int(),
  /** Stages of preparation that were finished, in their order, with the minutes really worked. */
  prepared: z.array(object({ kind: z.enum(STEP_KIND_IDS), workedMin: z.number() })),
  surfaces: z.array(surfaceVisitSchema),
});
export type Visit = z.output<typeof visitSchema>;

/** An item with all its visits, the last first. */
export const itemHistorySchema = itemSummarySchema.extend({
  /** When something was last done to it, at whichever visit; null: never. */
  lastDoneAt: instant().nullable(),
  history: z.array(visitSchema),
});
export type ItemHistory = z.output<typeof itemHistorySchema>;

/** What one visit means for the life of an item. */
const lifeVisitSchema = object({
  jobId: z.string(),
  title: z.string(),
  at: instant(),
  /** Something was laid, or all that was to be done was: a visit that was begun and abandoned is no look. */
  looked: flag(),
  /** Laid then: since when, when its first panel wants renewing, what its sheet promises (null: nothing), on how many panels. */
  layers: z.array(
    object({
      product: z.string(),
      family: z.enum(FAMILY_IDS),
      from: instant(),
      renew: instant(),
      ratedMonths: z.number().nullable(),
      /** What the workshop granted on it, months; null: nothing. */
      grantedMonths: z.number().nullable(),
      panels: z.int(),
    }),
  ),
  /** How often it is inspected, days. */
  inspectionDays: z.number(),
  warrantyNumber: z.string().nullable(),
  /** Most clear that was taken off a panel, and the least that is known to be left on one, µm; null: none, nobody knows. */
  takenUm: z.number().nullable(),
  clearLeftUm: z.number().nullable(),
  /** Panels that came with new paint. */
  repainted: z.array(z.string()),
});
export type LifeVisit = z.output<typeof lifeVisitSchema>;

const lifeRowSchema = object({ id: z.string(), name: z.string(), visits: z.array(lifeVisitSchema) });
export type LifeRow = z.output<typeof lifeRowSchema>;

/** The life of an item, the first visit first, and those of others of its model. */
export const itemLifeSchema = lifeRowSchema.extend({ twins: z.array(lifeRowSchema) });
export type ItemLife = z.output<typeof itemLifeSchema>;
