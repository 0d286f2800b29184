type Keyed = { readonly id: string };

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;
const isKeyed = (value: unknown): value is readonly Keyed[] =>
  Array.isArray(value) && value.length > 0 && value.every((entry) => isObject(entry) && typeof entry.id === 'string');

/**
 * Places where two JSON documents differ, as paths a person can read: `surfaces[bonnet].layers`. Entries of
 * a list are matched by their id, not by their place. Plain lists and values are told whole.
 */
export function changedPaths(before: unknown, after: unknown, at = ''): string[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return [];
  if (isKeyed(before) && isKeyed(after)) {
    const ids = [...new Set([...before, ...after].map(({ id }) => id))];
    const entry = (list: readonly Keyed[], id: string) => list.find((item) => item.id === id);
    const inside = ids.flatMap((id) => changedPaths(entry(before, id), entry(after, id), `${at}[${id}]`));
    return inside.length > 0 ? inside : [at];
  }
  if (isObject(before) && isObject(after) && !Array.isArray(before) && !Array.isArray(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => changedPaths(before[key], after[key], at === '' ? key : `${at}.${key}`));
  }
  return [at];
}
