import { TOWELS_OF } from '#core/products/schools';
import { peopleOf } from '#core/plan/crew';
import { type Kit, padState } from '#core/prepare/kit';
import { type PickGroup, pickList } from '#core/lay/pick-list';
import type { Plan } from '#core/plan/job';
import { type Preparation, stageKey, stageState } from '#core/prepare/stages';
import type { RunRecord } from '#core/lay/run';
import { type Job, surfaceName } from '#formats/job';
import { planInput } from '#job/plan';
import { layingSchools } from '#job/terms';

interface Sources {
  readonly plan: Pick<Plan, 'surfaces' | 'purchases'>;
  readonly preparation: Pick<Preparation, 'stages'>;
  readonly record: Pick<RunRecord, 'stages'>;
  readonly kit: Kit;
  /** When it is looked at: pads dry by themselves. */
  readonly nowMs: number;
}

/** Everything a job wants at hand, in the order of work; what is over is no longer on it. */
export function pickListOf(job: Job, { plan, preparation, record, kit, nowMs }: Sources): PickGroup[] {
  const sheets = new Map(kit.sheets.map(({ id, name }) => [name, id]));
  const names = new Map(job.surfaces.map((surface) => [surface.id, surfaceName(surface)]));
  return pickList({
    stages: preparation.stages.filter((stage) => stageState(record.stages.get(stageKey(stage))) !== 'done'),
    plan,
    products: job.products,
    people: peopleOf(planInput(job).crew).length,
    sheetCalled: (name) => sheets.get(name),
    readyPads: (sheet) => readyPads(kit, sheet, nowMs),
    towelRoles: TOWELS_OF[layingSchools(job).towels],
    nameOf: (id) => names.get(id) ?? id,
  });
}

/** Pads of a sheet that are clean and dry; undefined for what is no pad, or where none stands on the shelf as a thing. */
function readyPads({ sheets, things }: Kit, id: string, nowMs: number): number | undefined {
  const sheet = sheets.find((each) => each.id === id);
  const own = things.filter((thing) => thing.kind === 'pad-in-use' && thing.sheet === id);
  if (sheet?.kind !== 'pad' || own.length === 0) return undefined;
  return own.filter((thing) => thing.kind === 'pad-in-use' && padState(thing, sheet, nowMs) === 'ready').length;
}
