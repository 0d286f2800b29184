/** Values by a key of theirs, each group in the order they came. */
export function grouped<T>(values: Iterable<T>, keyOf: (value: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const value of values) {
    const group = groups.get(keyOf(value));
    if (group) group.push(value);
    else groups.set(keyOf(value), [value]);
  }
  return groups;
}
