/** Entries in the order they came, shared by every later state: adding one copies nothing. */
export type History<T> = { readonly last: T; readonly before: History<T>; readonly length: number } | undefined;

export const added = <T>(before: History<T>, last: T): History<T> => ({
  last,
  before,
  length: lengthOf(before) + 1,
});

export const lengthOf = <T>(history: History<T>): number => history?.length ?? 0;

/** All entries, the first first. */
export function entriesOf<T>(history: History<T>): T[] {
  const entries = new Array<T>(lengthOf(history));
  for (let at = history; at; at = at.before) entries[at.length - 1] = at.last;
  return entries;
}
