import type { CalendarCase } from './case';

/**
 * Tasks whose lags contradict one another: round a circle of them somebody would have to end before it begins.
 * Hours and resources are left out: they only make it later.
 * @returns of each such task, all of its circle
 */
export function contradictions({
  tasks,
  lags,
}: Pick<CalendarCase, 'tasks' | 'lags'>): ReadonlyMap<string, readonly string[]> {
  const index = new Map(tasks.map(({ id }, nth) => [id, nth]));
  const found = new Map<string, readonly string[]>();
  const gone = new Set<number>();
  // From start to start: at least so many minutes later.
  const arcs = lags.flatMap(({ after, before, minMin, maxMin }) => {
    const [a, b] = [index.get(after)!, index.get(before)!];
    const lasts = tasks[a]!;
    return [
      { from: a, to: b, least: lasts.min + minMin },
      // Paused, it ends later: only what is worked without a break has its end by its start.
      ...(maxMin === undefined || lasts.pausable ? [] : [{ from: b, to: a, least: -(lasts.min + maxMin) }]),
      ...(maxMin !== undefined && maxMin < minMin ? [{ from: b, to: a, least: -(lasts.min + maxMin) }] : []),
    ];
  });
  // What goes round by minutes of work alone, and circles of "after one another" that take no time.
  for (;;) {
    const circle = circleIn(
      tasks.length,
      arcs.filter(({ from, to }) => !gone.has(from) && !gone.has(to)),
    );
    if (circle === undefined) break;
    const ids = circle.map((nth) => tasks[nth]!.id);
    for (const nth of circle) {
      gone.add(nth);
      found.set(tasks[nth]!.id, ids);
    }
  }
  for (const ids of rounds(tasks, lags, found)) for (const id of ids) found.set(id, ids);
  return found;
}

interface Arc {
  readonly from: number;
  readonly to: number;
  readonly least: number;
}

/** A circle that takes more than no time (Bellman and Ford); undefined: there is none. */
function circleIn(nodes: number, arcs: readonly Arc[]): number[] | undefined {
  const at = new Float64Array(nodes);
  const by = new Int32Array(nodes).fill(-1);
  let last = -1;
  for (let round = 0; round < nodes + 1; round += 1) {
    last = -1;
    for (const { from, to, least } of arcs)
      if (at[from]! + least > at[to]!) {
        at[to] = at[from]! + least;
        by[to] = from;
        last = to;
      }
    if (last === -1) return undefined;
    // A circle shows long before every round is run.
    if (round % 16 === 15) {
      const early = circleBehind(by, last);
      if (early) return early;
    }
  }
  return circleBehind(by, last);
}

function circleBehind(by: Int32Array, start: number): number[] | undefined {
  const seen = new Map<number, number>();
  const path: number[] = [];
  for (let node = start; node !== -1; node = by[node]!) {
    const before = seen.get(node);
    if (before !== undefined) return path.slice(before);
    seen.set(node, path.length);
    path.push(node);
  }
  return undefined;
}

/** Circles of tasks each after the next, whatever their minutes are (Tarjan's strong parts). */
function rounds(
  tasks: CalendarCase['tasks'],
  lags: CalendarCase['lags'],
  without: ReadonlyMap<string, unknown>,
): string[][] {
  const next = new Map<string, string[]>();
  for (const { after, before } of lags)
    if (!without.has(after) && !without.has(before)) next.set(after, [...(next.get(after) ?? []), before]);
  const order = new Map<string, number>();
  const low = new Map<string, number>();
  const open: string[] = [];
  const isOpen = new Set<string>();
  const found: string[][] = [];
  for (const { id } of tasks) {
    if (order.has(id) || without.has(id)) continue;
    // By hand, not by calls: ten thousand one after the other would be too deep.
    const work: { node: string; at: number }[] = [];
    const enter = (node: string) => {
      order.set(node, order.size);
      low.set(node, order.get(node)!);
      open.push(node);
      isOpen.add(node);
      work.push({ node, at: 0 });
    };
    enter(id);
    while (work.length > 0) {
      const here = work.at(-1)!;
      const to = next.get(here.node)?.[here.at];
      if (to !== undefined) {
        here.at += 1;
        if (!order.has(to)) enter(to);
        else if (isOpen.has(to)) low.set(here.node, Math.min(low.get(here.node)!, order.get(to)!));
        continue;
      }
      work.pop();
      const above = work.at(-1);
      if (above) low.set(above.node, Math.min(low.get(above.node)!, low.get(here.node)!));
      if (low.get(here.node) !== order.get(here.node)) continue;
      const part: string[] = [];
      for (let node = open.pop()!; ; node = open.pop()!) {
        isOpen.delete(node);
        part.push(node);
        if (node === here.node) break;
      }
      if (part.length > 1 || next.get(part[0]!)?.includes(part[0]!)) found.push(part.reverse());
    }
  }
  return found;
}
