import {
  type CoatCase,
  coatMilestones,
  type CoatMilestones,
  coatWindow,
  type CoatWindow,
  type PlanInput,
} from '#core/plan/job';
import { calibrated } from './calibrate';
import type { RunRecord } from './record';
import type { SheetPatch } from './sheet';

/** One patch's own window, from the moment its laying began (or would begin now). Minutes on the scale of the job. */
export interface PatchWindow {
  readonly startMin: number;
  readonly window: CoatWindow;
  /** Until when a fault is mended wet; undefined: not on the sheet, null: never sets in this air. */
  readonly rewetByMin: number | null | undefined;
  readonly milestones: CoatMilestones;
}

/** Where a patch stands in time: in the air measured, with the flash as learned, on the surface as it was measured. */
export function patchWindow(job: PlanInput, record: RunRecord, sheetPatch: SheetPatch, nowMin: number): PatchWindow {
  const { ambient, products, matteSchool, crew } = calibrated(job, record);
  const { patch, coat, record: done } = sheetPatch;
  const surface = job.surfaces.find(({ id }) => id === patch.surface);
  const product = products.find(({ id }) => id === (done?.start.product ?? coat.product));
  if (!surface || !product)
    throw new RangeError(`no surface ${patch.surface} or no product ${coat.product} in the job`);
  const startMin = done?.layStartMin ?? nowMin;
  const { substrate } = coat;
  const surfaceC = done?.start.surfaceC ?? surface.surfaceC;
  const coatCase: CoatCase = { product, substrate, surfaceC, ambient, matteSchool };
  const milestones = coatMilestones(coatCase, startMin, done?.levelEndMin ?? startMin);
  return {
    startMin,
    window: coatWindow(coatCase, startMin, crew.guardSigma),
    rewetByMin: milestones.rewetBy,
    milestones,
  };
}
