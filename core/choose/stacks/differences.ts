import { sameLayers, type StackLayer } from './stacks';

/** What is laid on one surface in a proposal, or in what is planned. */
export interface Stacked {
  readonly id: string;
  readonly layers: readonly StackLayer[];
}

/** A stack that stands where another stood, and on which surfaces. */
export interface Difference {
  readonly from: readonly StackLayer[];
  readonly to: readonly StackLayer[];
  readonly surfaces: readonly string[];
}

/**
 * Where two proposals differ: each exchange of one stack for another once, on most surfaces first. A surface that one
 * of them does not name carries nothing there.
 */
export function differencesBetween(from: readonly Stacked[], to: readonly Stacked[]): Difference[] {
  const before = new Map(from.map(({ id, layers }) => [id, layers]));
  const after = new Map(to.map(({ id, layers }) => [id, layers]));
  const exchanges: { from: readonly StackLayer[]; to: readonly StackLayer[]; surfaces: string[] }[] = [];
  for (const id of new Set([...before.keys(), ...after.keys()])) {
    const [had, has] = [before.get(id) ?? [], after.get(id) ?? []];
    if (sameLayers(had, has)) continue;
    const known = exchanges.find((each) => sameLayers(each.from, had) && sameLayers(each.to, has));
    if (known) known.surfaces.push(id);
    else exchanges.push({ from: had, to: has, surfaces: [id] });
  }
  return exchanges.sort((a, b) => b.surfaces.length - a.surfaces.length);
}
