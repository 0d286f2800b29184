import { type CoatPlan, type Plan, planOneByOne } from '#core/plan/job';
import { FIRST_PLAN_FORMAT, type FirstPlanFile, type Job, PLAN_FORMAT, type PlanFile } from '#formats/job';
import { instantAfter } from '#formats/values';
import { planInput, planOf } from './plan-input';

/** A job as its run sheet lays it, in the open format: what the application, `runsheet` and every paper show. */
export function planFile(job: Job): PlanFile {
  return { format: PLAN_FORMAT, ...writePlan(job, planOf(job)) };
}

/** A job counted one section after the other, in the open format of the first edition. */
export function firstPlanFile(job: Job): FirstPlanFile {
  return { format: FIRST_PLAN_FORMAT, ...writePlan(job, planOneByOne(planInput(job))) };
}

/** A plan in either edition: minutes become instants at the offset of the job's start. */
function writePlan(job: Job, plan: Plan): Omit<PlanFile, 'format'> {
  const at = (minutes: number | null) => (minutes === null ? null : instantAfter(job.startAt, minutes));
  const units = new Map(job.products.map(({ id, unit }) => [id, unit]));
  return {
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
