import { TOWELS_OF } from '#core/products/schools';
import { peopleOf } from '#core/work/crew';
import type { Kit } from '#core/work/kit';
import { type PickGroup, pickList } from '#core/work/pick-list';
import type { Plan } from '#core/work/plan';
import { type Preparation, stageKey, stageState } from '#core/work/prepare';
import type { RunRecord } from '#core/work/run';
import { type Job, surfaceName } from '#formats/job';
import { layingSchools, plannedJob } from '#job/plan';

interface Sources {
  readonly plan: Pick<Plan, 'surfaces' | 'purchases'>;
  readonly preparation: Pick<Preparation, 'stages'>;
  readonly record: Pick<RunRecord, 'stages'>;
  readonly kit: Kit;
}

/** Everything a job wants at hand, in the order of work; what is over is no longer on it. */
export function pickListOf(job: Job, { plan, preparation, record, kit }: Sources): PickGroup[] {
  const sheets = new Map(kit.sheets.map(({ id, name }) => [name, id]));
  const names = new Map(job.surfaces.map((surface) => [surface.id, surfaceName(surface)]));
  return pickList({
    stages: preparation.stages.filter((stage) => stageState(record.stages.get(stageKey(stage))) !== 'done'),
    plan,
    products: job.products,
    people: peopleOf(plannedJob(job).crew).length,
    sheetCalled: (name) => sheets.get(name),
    towelRoles: TOWELS_OF[layingSchools(job).towels],
    nameOf: (id) => names.get(id) ?? id,
  });
}
