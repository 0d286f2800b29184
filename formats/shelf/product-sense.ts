/** What a schema cannot say of a product sheet: that its parts fit each other. */
import { type Fault, isNumber, isRecord, pathText, read, records } from '#formats/values';
import { productSchema, type ProductSheet } from './product';

/** Faults of sense in one product sheet; also used for a sheet on its own. */
export function productSenseFaults(product: unknown, at: readonly PropertyKey[] = []): Fault[] {
  if (!isRecord(product)) return [];
  const clocks = isRecord(product.clocks) ? product.clocks : {};
  const milestones = records(product.milestones);
  const faults: Fault[] = [];
  const fault = (path: readonly PropertyKey[], message: string) =>
    faults.push({ path: pathText([...at, ...path]), message });
  if (isRecord(product.clocks) && product.family !== 'film') {
    for (const name of ['flash', 'set']) {
      if (clocks[name] === undefined) fault(['clocks', name], 'expected a clock; only film may go without');
    }
  }
  const seen = new Set<unknown>();
  for (const [index, { name, clock }] of milestones) {
    if (seen.has(name)) fault(['milestones', index, 'name'], `"${String(name)}" is given twice`);
    seen.add(name);
    if (product.family === 'film' && typeof clock === 'string' && clocks[clock] === undefined) {
      fault(['milestones', index, 'clock'], `no clock "${clock}" on this sheet`);
    }
  }
  const minutesOf = (wanted: string) => milestones.find(([, { name }]) => name === wanted);
  for (const [opens, closes] of [
    ['levelFrom', 'levelBy'],
    ['recoatFrom', 'recoatBy'],
  ] as const) {
    const [from, by] = [minutesOf(opens), minutesOf(closes)];
    if (from && by && isNumber(from[1].min) && isNumber(by[1].min) && from[1].min > by[1].min) {
      fault(['milestones', from[0], 'min'], `${opens} may not be later than ${closes}`);
    }
  }
  if (product.film !== undefined && product.family !== 'film') {
    fault(['film'], 'only a film has one; leave it out, or make the family "film"');
  }
  if (isRecord(product.limits)) {
    for (const [key, bounds] of Object.entries(product.limits)) {
      if (Array.isArray(bounds) && isNumber(bounds[0]) && isNumber(bounds[1]) && bounds[0] > bounds[1]) {
        fault(['limits', key], 'expected the lowest first: [lowest, highest]');
      }
    }
  }
  return faults;
}

/** Reads one product sheet. @throws FaultsError with every fault at once. */
export function readProduct(value: unknown): ProductSheet {
  return read(value, productSchema, productSenseFaults);
}
