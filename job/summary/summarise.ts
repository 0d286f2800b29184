import { careDaysOf, firstRenewMin, firstWashMin, phaseOf } from '#core/care/upkeep';
import type { RunRecord } from '#core/lay/run';
import { stageNow } from '#core/prepare/stages';
import { type JobRecord, type JobSummary, wantedBy } from '#formats/job';
import { instantAfter } from '#formats/values';
import { operationsOf } from '#job/calendar';
import { wishesOf } from '#job/choose';
import type { JobFacts } from '#job/model';
import { remindersOf } from '#job/prepare';
import { traitsOf } from '#job/view';

/** A job in brief, with the moments that are still to come. */
export function summarise(
  { id, version, bayId, document }: Pick<JobRecord, 'id' | 'version' | 'bayId' | 'document'>,
  { plan, progress, record, prepared, unready, days, standing }: JobFacts,
  nowMin: number,
): JobSummary {
  const { startAt, item } = document;
  const { patchesDone, patchesTotal } = progress;
  const at = (minutes: number | null) => (minutes === null ? null : instantAfter(startAt, minutes));
  const stages = {
    begun: record.stages.size > 0,
    left: stageNow(prepared.preparation.stages, record.stages) !== undefined,
  };
  // Where nothing is laid, a visit is over with its last stage.
  const visitEnd = patchesTotal === 0 && stages.begun && !stages.left ? lastStageEnd(record) : null;
  const phase = phaseOf(progress, standing, nowMin, stages);
  const deadline = wantedBy(document);
  return {
    id,
    version,
    title: document.title,
    bayId,
    startAt,
    phase,
    areaM2: plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0),
    patchesDone,
    patchesTotal,
    stops: plan.findings.filter(({ severity }) => severity === 'stop').length + unready.length,
    waterSafe: at(plan.waterSafeMin),
    handover: at(visitEnd ?? plan.handoverMin),
    ready: phase === 'in-care' ? null : at(days.readyMin),
    firstWash: at(firstWashMin(standing)),
    renew: at(firstRenewMin(standing)),
    careDays: careDaysOf(standing, document.care),
    reminders: remindersOf(document),
    traits: traitsOf(document, record),
    dusty: days.blocks.flatMap(({ kind, stretches }) =>
      kind === 'correct'
        ? stretches.map(([from, until]) => ({ from: instantAfter(startAt, from), until: instantAfter(startAt, until) }))
        : [],
    ),
    ...(days.blocks.length > 0 && {
      work: operationsOf(document, days.blocks, plan, days.people),
      costs: {
        materialMoney: Math.round(plan.purchases.reduce((sum, { cost }) => sum + cost, 0)),
        hourRate: wishesOf(document).hourRate,
        currency: document.currency,
      },
    }),
    ...itemOf(item),
    ...(deadline !== undefined && { needsBy: deadline }),
  };
}

/** What stands in a job itself, as long as the rest is not worked out. */
export function summaryToCome({ id, version, bayId, document }: JobRecord): JobSummary {
  const { title, startAt, item, surfaces } = document;
  const deadline = wantedBy(document);
  return {
    id,
    version,
    title,
    bayId,
    startAt,
    phase: surfaces.some(({ layers }) => layers.length > 0) ? 'planned' : 'survey',
    areaM2: 0,
    patchesDone: 0,
    patchesTotal: 0,
    stops: 0,
    waterSafe: null,
    handover: null,
    ready: null,
    firstWash: null,
    renew: null,
    careDays: {},
    reminders: remindersOf(document),
    traits: [],
    dusty: [],
    ...itemOf(item),
    ...(deadline !== undefined && { needsBy: deadline }),
    pending: true,
  };
}

const itemOf = (item: JobRecord['document']['item']): Pick<JobSummary, 'itemName' | 'itemId' | 'ownerName'> =>
  item
    ? {
        itemName: item.name,
        ...(item.id && { itemId: item.id }),
        ...(item.ownerName && { ownerName: item.ownerName }),
      }
    : {};

const lastStageEnd = ({ stages }: RunRecord): number =>
  Math.max(...[...stages.values()].map(({ endMin }) => endMin ?? 0));

/** Units of each product a job still takes; none once all is laid. */
export function demandOf({ plan, progress: { patchesDone, patchesTotal } }: JobFacts): Record<string, number> {
  const isLaid = patchesTotal > 0 && patchesDone === patchesTotal;
  return Object.fromEntries(isLaid ? [] : plan.purchases.map(({ product, order }) => [product, order]));
}
