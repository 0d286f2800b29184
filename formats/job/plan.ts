import { z } from 'zod';
import { ANSWERS, UNITS } from '#core/products/sheets';
import { MILESTONES } from '#core/time/clocks';
import { FINDING_CODES, SEVERITIES } from '#core/plan/job';
import { instant, object } from '#formats/values';

/** Coats with the times of the run sheet. */
export const PLAN_FORMAT = 'glaphyra.plan/2';
/** Coats counted one section after the other. */
export const FIRST_PLAN_FORMAT = 'glaphyra.plan/1';

const moment = instant().nullable();

const coatSchema = object({
  product: z.string(),
  coat: z.int(),
  allowed: z.enum(ANSWERS),
  rates: object({ flash: z.number().optional(), set: z.number().optional() }).nullable(),
  levelFromMin: z.number().nullable(),
  levelByMin: z.number().nullable(),
  maxSectionM2: z.number().nullable(),
  sections: z.int().nullable(),
  amount: z.number().nullable(),
  startAt: moment,
  endAt: moment,
  milestones: z.partialRecord(z.enum(MILESTONES), moment).nullable(),
});

const parts = {
  surfaces: z.array(object({ id: z.string(), areaM2: z.number(), layers: z.array(coatSchema) })),
  purchase: z.array(
    object({
      product: z.string(),
      unit: z.enum(UNITS),
      need: z.number(),
      order: z.number(),
      onHand: z.number(),
      packs: z.array(object({ size: z.number(), count: z.int() })),
      cost: z.int(),
      leftover: z.number(),
    }),
  ),
  ready: object({ waterSafe: moment, handover: moment, meetsNeed: z.boolean().optional() }),
  air: object({ peakMgPerM3: z.number(), clearAfterMin: z.number().nullable() }).optional(),
  findings: z.array(
    object({
      severity: z.enum(SEVERITIES),
      code: z.enum(FINDING_CODES),
      surface: z.string().optional(),
      product: z.string().optional(),
      text: z.string(),
    }),
  ),
};

/** A computed plan, as the command line writes it and the server answers it. Numbers are not rounded. */
export const planSchema = object({ format: z.literal(PLAN_FORMAT), ...parts });
export const firstPlanSchema = object({ format: z.literal(FIRST_PLAN_FORMAT), ...parts });

export type PlanFile = z.output<typeof planSchema>;
export type FirstPlanFile = z.output<typeof firstPlanSchema>;
