import type { CalendarCase, Need, Task } from './case';

/** More ways to staff one task are not listed one by one. */
const MOST_MODES = 256;

/** Ways to choose what a task takes, in the order of its needs; undefined: too many to list. */
export function modesOf({ needs }: Pick<Task, 'needs'>): readonly (readonly string[])[] | undefined {
  let modes: readonly (readonly string[])[] = [[]];
  for (const need of needs) {
    const more: string[][] = [];
    for (const taken of modes)
      for (const chosen of chooseFrom(need, taken)) {
        if (more.length === MOST_MODES) return undefined;
        more.push([...taken, ...chosen]);
      }
    modes = more;
  }
  // The same resources in another order are the same.
  const seen = new Set<string>();
  return modes.filter((mode) => {
    const key = JSON.stringify(mode.toSorted());
    return !seen.has(key) && seen.add(key);
  });
}

/** Each choice of so many resources that are not taken yet, one after the other. */
function* chooseFrom({ anyOf, count }: Need, taken: readonly string[]): Generator<string[]> {
  const free = anyOf.filter((id) => !taken.includes(id));
  function* after(start: number, chosen: string[]): Generator<string[]> {
    if (chosen.length === count) yield chosen;
    else for (let nth = start; nth < free.length; nth += 1) yield* after(nth + 1, [...chosen, free[nth]!]);
  }
  yield* after(0, []);
}

/** Tasks that have to take the same of what both may take, or of where they stand, with what that is. */
export function alikes({
  tasks,
  same,
  stays,
}: Pick<CalendarCase, 'tasks' | 'same' | 'stays'>): ReadonlyMap<
  string,
  readonly { readonly other: string; readonly both: ReadonlySet<string> }[]
> {
  const mayTake = new Map(tasks.map(({ id, needs }) => [id, new Set(needs.flatMap(({ anyOf }) => anyOf))]));
  const pairs = new Map<string, { other: string; both: ReadonlySet<string> }[]>();
  const groups = [
    ...same.map((group) => ({ group, among: undefined })),
    ...(stays ?? []).map(({ tasks: group, anyOf }) => ({ group, among: new Set(anyOf) })),
  ];
  for (const { group, among } of groups)
    for (const one of group)
      for (const other of group) {
        if (one === other) continue;
        const theirs = mayTake.get(other)!;
        const both = new Set([...mayTake.get(one)!].filter((id) => theirs.has(id) && (among?.has(id) ?? true)));
        pairs.set(one, [...(pairs.get(one) ?? []), { other, both }]);
      }
  return pairs;
}

/** What of some resources two tasks may both take, as one word. */
export const sharedKey = (uses: readonly string[], both: ReadonlySet<string>): string =>
  JSON.stringify(uses.filter((id) => both.has(id)).toSorted());
