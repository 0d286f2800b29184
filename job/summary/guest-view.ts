import { patchState } from '#core/lay/run';
import { type GuestJob, type Job, type JobSummary, surfaceName } from '#formats/job';
import type { JobFacts } from '#job/model';

/** A job as its owner sees it by a link: how far it is, what lies where, and the dates. */
export function guestView(document: Job, phase: JobSummary['phase'], { sheet, progress, dates }: JobFacts): GuestJob {
  const stateOf = (surface: string, layer: number) => {
    const own = sheet.patches.filter((each) => each.patch.surface === surface && each.patch.layer === layer);
    const done = own.filter(({ record }) => record && patchState(record) === 'done');
    if (own.length > 0 && done.length === own.length) return 'laid';
    return own.some(({ record }) => record) ? 'begun' : 'planned';
  };
  const names = new Map(document.products.map(({ id, name }) => [id, name]));
  return {
    title: document.title,
    ...(document.item && { itemName: document.item.name }),
    phase,
    patchesDone: progress.patchesDone,
    patchesTotal: progress.patchesTotal,
    panels: document.surfaces
      .filter(({ layers }) => layers.length > 0)
      .map((surface) => ({
        id: surface.id,
        name: surfaceName(surface),
        layers: surface.layers.map(({ product }, layer) => ({
          product: names.get(product) ?? product,
          state: stateOf(surface.id, layer),
        })),
      })),
    dates: dates.map(({ key, ...date }) => date),
  };
}
