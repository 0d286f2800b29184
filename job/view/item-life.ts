import { careDaysOf, clearOnSurfaces, USUAL_CARE_DAYS } from '#core/care/upkeep';
import { foldLog } from '#core/lay/run';
import { type Job, type LifeVisit, surfaceName } from '#formats/job';
import { loggedEntries } from '#formats/log';
import { instantAfter } from '#formats/values';
import { planInput } from '#job/plan';
import { clearTakenUm } from '#job/prepare';
import { isPrepared, type ItemVisit } from '#job/return';
import { standingView } from './views';

/**
 * What a visit means for the life of an item: what was laid and how long it holds, what it took of the clear, which
 * panels came with new paint.
 * @param before the visit before it; undefined: the first
 */
export function lifeVisit(jobId: string, visit: ItemVisit, before: Job | undefined): LifeVisit {
  const { document, log } = visit;
  const planned = planInput(document);
  const record = foldLog(loggedEntries(document.startAt, log));
  const layers = new Map<
    string,
    {
      family: LifeVisit['layers'][number]['family'];
      from: number;
      renew: number;
      rated: number | null;
      granted: number | null;
      panels: number;
    }
  >();
  const standing = standingView(planned, record, document.owner, undefined);
  for (const { layers: laid } of standing) {
    for (const { product, laidMin, renewMin, life } of laid) {
      const known = layers.get(product.name);
      layers.set(product.name, {
        family: product.family,
        from: Math.min(known?.from ?? Infinity, laidMin),
        renew: Math.min(known?.renew ?? Infinity, renewMin),
        rated: life.ratedBy === 'sheet' ? life.ratedMonths : null,
        granted: document.warranty?.covers.find((cover) => cover.product === product.id)?.months ?? null,
        panels: (known?.panels ?? 0) + 1,
      });
    }
  }
  const taken = clearTakenUm(document, record);
  const left = clearOnSurfaces(planned.surfaces).flatMap((um, nth) =>
    um === undefined ? [] : [um - (taken.get(document.surfaces[nth]!.id) ?? 0)],
  );
  const refinished = new Map(before?.surfaces.map(({ id, refinishedOn }) => [id, refinishedOn]));
  const at = (minutes: number) => instantAfter(document.startAt, minutes);
  return {
    jobId,
    title: document.title,
    at: document.startAt,
    looked: layers.size > 0 || isPrepared(visit),
    layers: [...layers].map(([product, { family, from, renew, rated, granted, panels }]) => ({
      product,
      family,
      from: at(from),
      renew: at(renew),
      ratedMonths: rated,
      grantedMonths: granted,
      panels,
    })),
    inspectionDays: careDaysOf(standing, document.care).inspection ?? USUAL_CARE_DAYS.inspection,
    warrantyNumber: document.warranty?.number ?? null,
    takenUm: taken.size > 0 ? Math.max(...taken.values()) : null,
    clearLeftUm: left.length > 0 ? Math.max(0, Math.min(...left)) : null,
    repainted: before
      ? document.surfaces
          .filter(({ id, refinishedOn }) => refinishedOn !== undefined && refinished.get(id) !== refinishedOn)
          .map(surfaceName)
      : [],
  };
}
