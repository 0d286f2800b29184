import { peopleOf } from '#core/plan/crew';
import { maxSectionM2, sectionCount, sectionTiming } from '#core/plan/sections';
import { coatMilestones } from './coat';
import type { PlanInput } from './input';
import type { CopyCoat } from './laid';
import { mustLieOutside } from './outside';
import { type Plan, planFrom } from './plan';
import type { Refusal } from './refusal';
import { coatsOf, coatStart, type SurfaceCoat } from './surface-coat';

/**
 * A job as the open format `glaphyra.plan/1` counts it: first coats of all surfaces in their order, then second coats,
 * and so on, one section after the other by one crew that waits where a coat below is not ready. No walking, no
 * handling of small parts. What people really do is the run sheet's (`layOut`); both judge each coat alike.
 * @throws RangeError for a layer whose product is not among the job's products
 */
export function planOneByOne(job: PlanInput): Plan {
  const { people: _, ...crew } = job.crew;
  const coats = coatsOf(job, () => 1);
  const laid: CopyCoat[] = [];
  const refused: (Refusal & { readonly coat: SurfaceCoat; readonly copy: number })[] = [];
  const below = new Map<string, CopyCoat>();
  let nowMin = 0;
  const rounds = Math.max(0, ...coats.map((own) => own.length));
  for (let round = 0; round < rounds; round++) {
    for (const own of coats) {
      const coat = own[round];
      if (!coat) continue;
      const under = below.get(coat.surface.id);
      const startMin = Math.max(nowMin, under?.milestones.recoatFrom ?? 0);
      const { byTime, refusal } = coatStart(coat, under, startMin, startMin);
      if (refusal) {
        refused.push({ coat, copy: 1, ...refusal });
        continue;
      }
      const copy = { ...allCopies(coat, crew, startMin), byTime };
      for (let each = 1; each <= coat.surface.count; each++) laid.push({ ...copy, copy: each });
      below.set(coat.surface.id, { ...copy, copy: 1 });
      nowMin = copy.endMin;
    }
  }
  const actions = laid.map(({ coat, startMin }) => ({ coat, does: 'lay' as const, startMin }));
  return planFrom(job, coats, { laid, begunOnly: [], refused, unlaid: [], actions }, peopleOf(crew));
}

/** All copies of a coat one section after the other, as if they were one. */
function allCopies(coat: SurfaceCoat, crew: PlanInput['crew'], startMin: number): Omit<CopyCoat, 'copy' | 'byTime'> {
  const window = coat.openingAt(startMin).window ?? { fromMin: 0, byMin: null };
  const pace = {
    layM2PerMin: crew.layM2PerMin * coat.layFactor,
    levelM2PerMin: crew.levelM2PerMin * coat.levelFactor,
  };
  const { mode } = crew;
  const largest = maxSectionM2(window, pace, mode);
  const sections = sectionCount(coat.oneM2, largest, coat.onePiece);
  const sectionM2 = coat.oneM2 / sections;
  const endMin = startMin + sectionTiming(sectionM2, window, pace, mode).totalMin * sections * coat.surface.count;
  return {
    coat,
    sections,
    startMin,
    endMin,
    milestones: coatMilestones(coat.coatCase, startMin, endMin),
    // Sections that are cut always fit.
    outsideMin:
      largest !== null && sectionM2 > largest * (1 + 1e-9) ? mustLieOutside(coat, window, peopleOf(crew), false) : 0,
  };
}
