import { type Hours, inOrder, within } from '#core/plan/crew';
import type { Resource } from './case';

/**
 * Hours common to some resources, made quick to count in: where a stretch begins and ends, and how many minutes lie in
 * those before it.
 */
export class Shifts {
  private readonly from: number[] = [];
  private readonly to: number[] = [];
  private readonly before: number[] = [];

  constructor(hours: Hours) {
    let sum = 0;
    for (const [from, to] of inOrder(hours)) {
      const start = Math.max(0, Math.ceil(from));
      const end = Math.floor(to);
      if (end < start) continue;
      this.from.push(start);
      this.to.push(end);
      this.before.push(sum);
      sum += end - start;
    }
  }

  /** The stretches as they are counted in. */
  get stretches(): readonly (readonly [fromMin: number, toMin: number, beforeMin: number])[] {
    return this.from.map((from, nth) => [from, this.to[nth]!, this.before[nth]!]);
  }

  /** The first stretch that ends at `min` or later. */
  private at(min: number): number {
    let [low, high] = [0, this.to.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.to[middle]! < min) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** The first moment from `min` on at which so many minutes can be done in one go; Infinity: never. */
  inOneGo(min: number, lasts: number): number {
    for (let nth = this.at(min); nth < this.to.length; nth += 1) {
      const start = Math.max(min, this.from[nth]!);
      if (start + lasts <= this.to[nth]!) return start;
    }
    return Infinity;
  }

  /** The first moment from `min` on at which somebody is there for a minute at least; Infinity: never. */
  open(min: number): number {
    return this.inOneGo(min, 1);
  }

  /** When so many minutes are done that are begun in these hours at `start`; Infinity: never. */
  worked(start: number, lasts: number): number {
    const nth = this.at(start);
    if (lasts === 0) return start;
    const wanted = this.before[nth]! + Math.max(0, start - this.from[nth]!) + lasts;
    for (let on = nth; on < this.to.length; on += 1) {
      const whole = this.before[on]! + this.to[on]! - this.from[on]!;
      if (wanted <= whole) return this.from[on]! + wanted - this.before[on]!;
    }
    return Infinity;
  }

  /** The latest moment at which so many minutes can be begun that are done by `end`; -Infinity: there are none. */
  begunBy(end: number, lasts: number): number {
    if (lasts === 0) return end;
    const wanted = this.counted(end) - lasts;
    if (wanted < 0) return -Infinity;
    for (let nth = this.to.length - 1; nth >= 0; nth -= 1)
      if (this.before[nth]! <= wanted && this.to[nth]! > this.from[nth]!)
        return this.from[nth]! + Math.min(wanted - this.before[nth]!, this.to[nth]! - this.from[nth]! - 1);
    return -Infinity;
  }

  /** Minutes there until `min`. */
  counted(min: number): number {
    const nth = this.at(min);
    if (nth === this.to.length) return this.whole;
    return this.before[nth]! + Math.max(0, Math.min(min, this.to[nth]!) - this.from[nth]!);
  }

  /** All minutes there are; Infinity where they do not end. */
  get whole(): number {
    const last = this.to.length - 1;
    return last < 0 ? 0 : this.before[last]! + this.to[last]! - this.from[last]!;
  }
}

const EVER: Hours = [[0, Infinity]];

/** Hours common to any of the resources of a case, each worked out once. */
export class CommonShifts {
  private readonly hours: ReadonlyMap<string, Hours>;
  private readonly known = new Map<string, Shifts>();

  constructor(resources: readonly Resource[]) {
    this.hours = new Map(
      resources.flatMap(({ id, hours }) => (hours === undefined ? [] : [[id, inOrder(hours)] as const])),
    );
  }

  /** In which all of them are there. */
  of(ids: readonly string[]): Shifts {
    const bound = ids.filter((id) => this.hours.has(id)).toSorted();
    const key = JSON.stringify(bound);
    const known = this.known.get(key);
    if (known) return known;
    const shifts = new Shifts(bound.reduce<Hours>((common, id) => within(common, this.hours.get(id)!), EVER));
    this.known.set(key, shifts);
    return shifts;
  }
}

/** Those of a list of resources, worked out once too: tasks are tried here and there with the same. */
const knownShifts = new WeakMap<readonly Resource[], CommonShifts>();

export function commonShifts(resources: readonly Resource[]): CommonShifts {
  const known = knownShifts.get(resources) ?? new CommonShifts(resources);
  knownShifts.set(resources, known);
  return known;
}
