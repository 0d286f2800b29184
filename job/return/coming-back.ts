import { clearOnSurfaces, dropsOnFound, dropsOnLaid, standingSurfaces } from '#core/care/upkeep';
import { foldLog } from '#core/lay/run';
import { type Job, JOB_LIMITS, type Surface, type SurfaceMark } from '#formats/job';
import { type LogEntry, loggedEntries } from '#formats/log';
import { instantAfter } from '#formats/values';
import { planInput } from '#job/plan';
import {
  clearTakenUm,
  donePanels,
  foundStill,
  type MarkBecame,
  marksBecame,
  preparedPanels,
  strippedPanels,
  withFoundStill,
} from '#job/prepare';

type Told = NonNullable<NonNullable<Surface['existingTold']>[number]>;

/**
 * An item as it comes back: measured as before, with what was laid on it found on it, bottom first, and the marks
 * that were said to stay; its clear coat is what was there less what was taken. Readings, tests and what was planned begin anew.
 * @param log what was really done at the last visit; what was planned and not laid is not on it
 */
export function comingBack(job: Job, log: readonly LogEntry[]): Pick<Job, 'item' | 'surfaces'> {
  const record = foldLog(loggedEntries(job.startAt, log));
  const prepared = preparedPanels(job);
  const planned = withFoundStill(planInput(job), job, record, prepared);
  const standing = standingSurfaces(planned, record, job.owner ?? {});
  const clear = clearOnSurfaces(planned.surfaces);
  const panels = donePanels(job, record, prepared);
  const taken = clearTakenUm(job, record, panels);
  const stripped = strippedPanels(panels);
  const still = foundStill(job, stripped);
  const became = marksBecame(job, record, panels);
  /** What drops said of a layer goes on with it. */
  const dropsTold = (drops: ReturnType<typeof dropsOnFound>): Pick<Told, 'drops'> =>
    drops.length === 0
      ? {}
      : {
          drops: drops
            .slice(-JOB_LIMITS.drops)
            .map(({ atMin, deg, sigmaDeg }) => ({ at: instantAfter(job.startAt, atMin), deg, sigmaDeg })),
        };
  const laidOn = new Map(
    standing.map((subject) => [
      subject.surface.id,
      subject.layers.map(({ product, endMin }, nth) => ({
        family: product.family,
        told: {
          since: instantAfter(job.startAt, endMin),
          name: product.name,
          ratedMonths: product.ratedMonths,
          meltsAtC: product.meltsAtC,
          comesOffBy: product.comesOffBy && [...product.comesOffBy],
          careDays: product.careDays,
          ...(nth === subject.layers.length - 1 && dropsTold(dropsOnLaid(subject, record))),
        },
      })),
    ]),
  );
  const surfaces = job.surfaces.map((surface, index): Surface => {
    const {
      touch,
      iron,
      water,
      faultless,
      readingsAt,
      readingsFrom,
      surfaceC,
      clearUm,
      clearBefore,
      existingTold: _,
      ...known
    } = surface;
    const stayed = still.get(surface.id) ?? [];
    const laid = laidOn.get(surface.id) ?? [];
    const tookUm = taken.get(surface.id) ?? 0;
    const hadUm = clear[index];
    const marks = surface.marks?.flatMap((mark) => becomes(mark, became.get(mark.id), stripped.has(surface.id)));
    return {
      ...known,
      existing: [...stayed.map(({ family }) => family), ...laid.map(({ family }) => family)],
      ...(stayed.length + laid.length > 0 && {
        existingTold: [
          ...stayed.map(({ told }, nth) =>
            told && nth === stayed.length - 1
              ? { ...told, ...dropsTold(dropsOnFound(standing[index]!, record)) }
              : told,
          ),
          ...laid.map(({ told }) => told),
        ],
      }),
      readingsUm: [],
      layers: [],
      ...(hadUm !== undefined && {
        clearBefore: {
          um: Math.max(0, hadUm - tookUm),
          on: job.startAt.slice(0, 10),
          takenUm: (clearBefore?.takenUm ?? 0) + tookUm,
        },
      }),
      marks: marks && marks.length > 0 ? marks : undefined,
    };
  });
  return { item: job.item, surfaces };
}

/** A mark as it comes back: gone, filled and hidden until what fills it comes off, or as it was seen. */
function becomes(mark: SurfaceMark, became: MarkBecame | undefined, isStripped: boolean): SurfaceMark[] {
  if (became === 'removed') return [];
  const { hiddenBefore, outcome, ...seen } = mark;
  if (became === 'hidden') return [{ ...seen, hiddenBefore: true }];
  return [{ ...seen, ...(outcome === 'stays' && { outcome }), ...(hiddenBefore && !isStripped && { hiddenBefore }) }];
}
