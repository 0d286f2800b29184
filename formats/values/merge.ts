type Keyed = { readonly id: string };
type Plain = Readonly<Record<string, unknown>>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isKeyed = (value: unknown): value is readonly Keyed[] =>
  Array.isArray(value) && value.every((entry) => isPlain(entry) && typeof entry.id === 'string');
const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** One fact two people changed to different things: at a path a person can read; undefined where one took it away. */
export interface Clash {
  readonly path: string;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/**
 * Puts together two JSON documents that were made of one: what only one of them changed is as that one has it. Entries of
 * a list are matched by their id; plain lists and values are one fact each.
 * @param base what both were made of; undefined: nobody knows, then what only one of them has stays, and other differences clash
 * @param mineAt paths of clashes at which mine is taken; theirs is at all others
 */
export function mergeThree<T>(
  base: T | undefined,
  mine: T,
  theirs: T,
  mineAt: ReadonlySet<string> = new Set(),
): { readonly merged: T; readonly clashes: readonly Clash[] } {
  const clashes: Clash[] = [];
  const both = (from: unknown, a: unknown, b: unknown, at: string): unknown => {
    if (isSame(a, b) || isSame(from, a)) return b;
    if (isSame(from, b)) return a;
    if (isPlain(a) && isPlain(b)) return fields(isPlain(from) ? from : {}, a, b, at);
    if (isKeyed(a) && isKeyed(b) && a.length + b.length > 0) return entries(isKeyed(from) ? from : [], a, b, at);
    clashes.push({ path: at, mine: a, theirs: b });
    return mineAt.has(at) ? a : b;
  };
  const fields = (from: Plain, a: Plain, b: Plain, at: string): Plain => {
    const keys = [...new Set([...Object.keys(b), ...Object.keys(a)])];
    return Object.fromEntries(
      keys
        .map((key) => [key, both(from[key], a[key], b[key], at === '' ? key : `${at}.${key}`)] as const)
        .filter(([, value]) => value !== undefined),
    );
  };
  const entries = (from: readonly Keyed[], a: readonly Keyed[], b: readonly Keyed[], at: string): unknown[] => {
    const entry = (list: readonly Keyed[], id: string) => list.find((each) => each.id === id);
    const order = (list: readonly Keyed[]) => list.map(({ id }) => id);
    const common = (list: readonly Keyed[]) => order(list).filter((id) => entry(from, id));
    // Whoever moved something has the say on the order; what the other added comes behind.
    const first = isSame(common(b), common(from)) ? a : b;
    const ids = [...new Set([...order(first), ...order(first === a ? b : a)])];
    return ids
      .map((id) => both(entry(from, id), entry(a, id), entry(b, id), `${at}[${id}]`))
      .filter((each) => each !== undefined);
  };
  return { merged: both(base, mine, theirs, '') as T, clashes };
}
