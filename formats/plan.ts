import { z } from 'zod';
import { MILESTONES } from '#core/clocks';
import { type CoatPlan, FINDING_CODES, type Plan, SEVERITIES } from '#core/plan';
import { ANSWERS, UNITS } from '#core/products';
import type { Job } from './job';
import { instantAfter } from './moments';
import { planOf } from './planned-job';
import { instant, object } from './values';

export const PLAN_FORMAT = 'glaphyra.plan/1';

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

/** A computed plan, as the command line writes it and the server answers it. Numbers are not rounded. */
export const planSchema = object({
  format: z.literal(PLAN_FORMAT),
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
});

export type PlanFile = z.output<typeof planSchema>;

/** Plans a job and writes the plan in the open format. */
export function planFile(job: Job): PlanFile {
  return writePlan(job, planOf(job));
}

/** A plan in the open format: minutes become instants at the offset of the job's start. */
export function writePlan(job: Job, plan: Plan): PlanFile {
  const at = (minutes: number | null) => (minutes === null ? null : instantAfter(job.startAt, minutes));
  const units = new Map(job.products.map(({ id, unit }) => [id, unit]));
  return {
    format: PLAN_FORMAT,
    surfaces: plan.surfaces.map(({ id, areaM2, coats }, index) => ({
      id,
      areaM2,
      layers: coats.map((coat) => writeCoat(coat, job.surfaces[index]!.count, at)),
    })),
    purchase: plan.purchases.map(({ product, need, order, onHand, packs, cost, leftover }) => ({
      product,
      unit: units.get(product)!,
      need,
      order,
      onHand,
      packs: [...packs],
      cost,
      leftover,
    })),
    ready: {
      waterSafe: at(plan.waterSafeMin),
      handover: at(plan.handoverMin),
      ...(plan.meetsNeed !== undefined && { meetsNeed: plan.meetsNeed }),
    },
    ...(plan.air && { air: plan.air }),
    findings: [...plan.findings],
  };
}

function writeCoat(coat: CoatPlan, copies: number, at: (minutes: number | null) => string | null) {
  const { laid } = coat;
  const head = { product: coat.product, coat: coat.coat, allowed: coat.answer };
  if (!laid) {
    return {
      ...head,
      rates: null,
      levelFromMin: null,
      levelByMin: null,
      maxSectionM2: null,
      sections: null,
      amount: null,
      startAt: null,
      endAt: null,
      milestones: null,
    };
  }
  const milestones = Object.entries(laid.milestones).map(([name, minutes]) => [name, at(minutes)]);
  return {
    ...head,
    rates: laid.window.rates,
    levelFromMin: laid.window.levelFromMin,
    levelByMin: laid.window.levelByMin,
    maxSectionM2: laid.maxSectionM2,
    sections: laid.sectionsPerCopy * copies,
    amount: laid.amount,
    startAt: at(laid.startMin),
    endAt: at(laid.endMin),
    milestones: Object.fromEntries(milestones) as PlanFile['surfaces'][number]['layers'][number]['milestones'],
  };
}
