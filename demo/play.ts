import { type CoatPlan, type LaidCoat, type Plan, planJob } from '#core/work/plan';
import type { Patch, RunEntry } from '#core/work/run';
import type { Job } from '#formats/job';
import type { NewEntry } from '#formats/log';
import { instantAfter } from '#formats/values';
import { plannedJob } from '#job/plan';

interface Worked {
  readonly surface: string;
  readonly copies: number;
  readonly coat: CoatPlan;
  readonly laid: LaidCoat;
}

interface Moment {
  readonly atMin: number;
  readonly entry: RunEntry;
}

/** Coats of a plan in the order they are laid. */
function coatsInTime(plan: Plan, copiesOf: ReadonlyMap<string, number>): Worked[] {
  return plan.surfaces
    .flatMap(({ id, coats }) =>
      coats.flatMap((coat) =>
        coat.laid ? [{ surface: id, copies: copiesOf.get(id) ?? 1, coat, laid: coat.laid }] : [],
      ),
    )
    .sort((a, b) => a.laid.startMin - b.laid.startMin);
}

/** The nth patch of a coat, from 0, in the order they are laid: copy by copy, section by section. */
function nthPatch(
  surface: string,
  { layer, coat }: Pick<Patch, 'layer' | 'coat'>,
  sectionsPerCopy: number,
  nth: number,
): Patch {
  const copy = Math.floor(nth / sectionsPerCopy) + 1;
  return { surface, layer, coat, copy, section: (nth % sectionsPerCopy) + 1 };
}

function patchMoments({ surface, copies, coat, laid }: Worked): Moment[] {
  const { timing, sectionsPerCopy, sectionM2, window } = laid;
  return Array.from({ length: copies * sectionsPerCopy }, (_, index) => index).flatMap((index) => {
    const startMin = laid.startMin + index * timing.totalMin;
    const patch = nthPatch(surface, coat, sectionsPerCopy, index);
    const start = {
      product: coat.product,
      sections: sectionsPerCopy,
      areaM2: sectionM2,
      amount: laid.amount / (copies * sectionsPerCopy),
    };
    const layEnd = startMin + timing.layMin;
    const levelStart = startMin + timing.totalMin - timing.levelMin;
    const cue = window.cueMin === null || window.cueMin === undefined ? undefined : startMin + window.cueMin;
    const moments: Moment[] = [
      { atMin: startMin, entry: { type: 'lay-start', patch, start } },
      { atMin: layEnd, entry: { type: 'lay-end', patch } },
      // Nobody calls out every cue: the first patch of a coat, where it comes while the patch waits.
      ...(index === 0 && cue !== undefined && cue > layEnd && cue < levelStart
        ? [{ atMin: cue, entry: { type: 'cue-seen' as const, patch } }]
        : []),
      { atMin: levelStart, entry: { type: 'level-start', patch } },
      { atMin: startMin + timing.totalMin, entry: { type: 'level-end', patch } },
    ];
    return moments;
  });
}

/** What the log of a job says if it went as planned, as far as `untilMin`. */
export function playedLog(job: Job, untilMin: number): NewEntry[] {
  const planned = plannedJob(job);
  const copies = new Map(planned.surfaces.map(({ id, count }) => [id, count]));
  return coatsInTime(planJob(planned), copies)
    .flatMap(patchMoments)
    .filter(({ atMin }) => atMin <= untilMin)
    .map(({ atMin, entry }, index) => ({
      id: `played-${index + 1}`,
      at: instantAfter(job.startAt, atMin),
      entry,
    }));
}

/** Minutes from the start of a job to the end of laying its `nth` patch (from 1), if it goes as planned. */
export function layEndOf(job: Job, nth: number): number {
  const planned = plannedJob(job);
  const copies = new Map(planned.surfaces.map(({ id, count }) => [id, count]));
  const ends = coatsInTime(planJob(planned), copies)
    .flatMap(patchMoments)
    .filter(({ entry }) => entry.type === 'lay-end');
  return ends[Math.min(nth, ends.length) - 1]!.atMin;
}
