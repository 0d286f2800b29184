import { LAYING_FAULTS } from '#core/lay/faults';
import type { RunRecord } from '#core/lay/run';
import type { Job } from '#formats/job';

/** What a visit is found by beside its title, item and owner: plate, colours, products, batches, faults. Each once. */
export function traitsOf(
  { item, surfaces, products }: Pick<Job, 'item' | 'surfaces' | 'products'>,
  { patches, faults }: Pick<RunRecord, 'patches' | 'faults'>,
): string[] {
  const names = new Map(products.map(({ id, name }) => [id, name]));
  const planned = surfaces.flatMap(({ layers }) => layers.map(({ product }) => names.get(product)));
  const told = surfaces.flatMap(({ existingTold = [] }) => existingTold.map((each) => each?.name));
  const batches = [...patches.values()].map(({ start }) => start.batch);
  const found = [...faults.values()].map(({ fault }) => LAYING_FAULTS[fault].name);
  const colours = surfaces.map(({ colour }) => colour?.name);
  const all = [item?.plate, ...colours, ...planned, ...told, ...batches, ...found];
  return [...new Set(all.filter((each) => each !== undefined && each !== ''))] as string[];
}
