import type { CalendarCase, Lag, PlacedTask, Task, UnplacedTask } from './case';
import { contradictions } from './contradictions';
import { alikes, modesOf, sharedKey } from './modes';
import { type CommonShifts, commonShifts } from './shifts';
import { Timeline } from './timeline';

/** A task where it stands. */
export interface Placement {
  readonly fromMin: number;
  readonly toMin: number;
  readonly uses: readonly string[];
}

/** How far a task may be moved by what stands round it. */
interface Room {
  readonly earliestMin: number;
  readonly latestMin: number;
  readonly endsFromMin: number;
  readonly endsByMin: number;
  /** Whose lag lets it begin no later. */
  readonly heldBy?: Lag | undefined;
}

/** Where a task stands since the one before it, and when somebody else comes in. */
interface Stand {
  readonly first: number;
  readonly resource: string;
  readonly sinceMin: number;
  readonly untilMin: number;
}

/** Nobody else is called to a task that was another's for less, minutes. */
const CHANGED_FOR_MIN = 15;
/** So often one task is put off for what comes after it, before it is given up. */
const MOST_PUSHES = 48;
/** So often each is laid out anew for others in all, on average: a chain of thousands that never fits is given up. */
const MOST_LIFTED = 100;

/** A case made ready to be laid out again and again. */
export class Board {
  readonly tasks: readonly Task[];
  readonly index: ReadonlyMap<string, number>;
  readonly before: readonly (readonly Lag[])[];
  readonly after: readonly (readonly Lag[])[];
  readonly shifts: CommonShifts;
  /** What can never be placed, whatever else is done. */
  readonly never: readonly (string | undefined)[];
  /** Ways to staff each; undefined: too many to list. */
  readonly modes: readonly (readonly (readonly string[])[] | undefined)[];
  /** Of each task that is not the first of a stay: the one before it, and the first. */
  private readonly standing: ReadonlyMap<
    number,
    { readonly before: number; readonly first: number; readonly anyOf: readonly string[] }
  >;
  /** Of each task by its name: those that take the same as it does. */
  readonly alike: ReturnType<typeof alikes>;

  /** @param like of the same tasks by name, with the same needs and hours: only lengths and lags differ */
  constructor(
    readonly asked: CalendarCase,
    like?: Board,
  ) {
    this.tasks = asked.tasks;
    this.index = like?.index ?? new Map(asked.tasks.map(({ id }, nth) => [id, nth]));
    this.shifts = like?.shifts ?? commonShifts(asked.resources);
    this.alike = like?.alike ?? alikes(asked);
    const before = asked.tasks.map((): Lag[] => []);
    const after = asked.tasks.map((): Lag[] => []);
    for (const lag of asked.lags) {
      before[this.index.get(lag.before)!]!.push(lag);
      after[this.index.get(lag.after)!]!.push(lag);
    }
    this.before = before;
    this.after = after;
    this.standing = new Map(
      (asked.stays ?? []).flatMap(({ anyOf, tasks }) =>
        tasks
          .slice(1)
          .map((id, nth) => [
            this.index.get(id)!,
            { before: this.index.get(tasks[nth]!)!, first: this.index.get(tasks[0]!)!, anyOf },
          ]),
      ),
    );
    this.modes = like?.modes ?? this.staffed();
    this.never = like?.never ?? this.neverPlaced();
  }

  /** Ways to staff each task in which it could stand on an empty calendar, and those like it too. */
  private staffed(): readonly (readonly (readonly string[])[] | undefined)[] {
    const modes = this.tasks.map((task) =>
      modesOf(task)?.filter((uses) => this.alone(task, uses, task.atMin ?? 0, 0) !== undefined),
    );
    // What no partner can be staffed with falls away, until nothing does.
    for (let changed = true; changed;) {
      changed = false;
      for (const [id, partners] of this.alike) {
        const nth = this.index.get(id)!;
        const own = modes[nth];
        if (own === undefined) continue;
        const kept = partners.reduce((left, { other, both }) => {
          const theirs = modes[this.index.get(other)!];
          if (theirs === undefined) return left;
          const keys = new Set(theirs.map((uses) => sharedKey(uses, both)));
          return left.filter((uses) => keys.has(sharedKey(uses, both)));
        }, own);
        if (kept.length < own.length) {
          modes[nth] = kept;
          changed = true;
        }
      }
    }
    // Where two are as good, whoever is wanted less elsewhere is taken: the others are kept for what only they can do.
    const wanted = new Map<string, number>();
    for (const { needs, min } of this.tasks)
      for (const { anyOf, count } of needs)
        for (const id of anyOf) wanted.set(id, (wanted.get(id) ?? 0) + (count * min) / anyOf.length);
    const askedFor = (uses: readonly string[]) => uses.reduce((sum, id) => sum + (wanted.get(id) ?? 0), 0);
    return modes.map((own) => own?.toSorted((a, b) => askedFor(a) - askedFor(b)));
  }

  private neverPlaced(): (string | undefined)[] {
    const circles = contradictions(this.asked);
    const why = this.tasks.map((task, nth): string | undefined => {
      const circle = circles.get(task.id);
      if (circle)
        return circle.length === 1
          ? `its own lag asks it to end before it begins`
          : `the lags of ${listed(circle)} contradict one another: each would have to end before it begins`;
      if (modesOf(task)?.length === 0) return 'its needs ask for more different ones than there are';
      if (task.atMin !== undefined && task.atMin < 0) return 'it is fixed before anything may begin';
      if (this.modes[nth]?.length === 0) {
        const places = [...new Set(task.needs.flatMap(({ anyOf }) => anyOf))];
        return task.atMin !== undefined
          ? `it is fixed outside the hours of ${listed(places)}`
          : `no hours left in which ${listed(places)} ${places.length === 1 ? 'is' : 'are'} there for its ${task.min} min`;
      }
      return undefined;
    });
    return this.withDependents(why);
  }

  /** What waits for something that is not placed is not placed either. */
  withDependents(why: readonly (string | undefined)[]): (string | undefined)[] {
    const all = [...why];
    const open = all.flatMap((reason, nth) => (reason === undefined ? [] : [nth]));
    while (open.length > 0) {
      const nth = open.pop()!;
      for (const { before } of this.after[nth]!) {
        const next = this.index.get(before)!;
        if (all[next] !== undefined) continue;
        all[next] = `it waits for ${quoted(this.tasks[nth]!.id)}, which cannot be placed`;
        open.push(next);
      }
    }
    return all;
  }

  /** Where a task would stand with these resources, nothing else being there; undefined: nowhere. */
  alone(
    task: Task,
    uses: readonly string[],
    fromMin: number,
    endsFromMin: number,
    busy?: ReadonlyMap<string, Timeline>,
  ): Placement | undefined {
    const shifts = this.shifts.of(uses);
    const { min, pausable } = task;
    for (let at = fromMin; ;) {
      const start = pausable && min > 0 ? shifts.open(at) : shifts.inOneGo(at, min);
      if (start === Infinity || (task.atMin !== undefined && start !== task.atMin)) return undefined;
      const end = pausable ? shifts.worked(start, min) : start + min;
      if (end === Infinity) return undefined;
      if (end < endsFromMin) {
        at = Math.max(start + 1, pausable ? shifts.begunBy(endsFromMin, min) : endsFromMin - min);
        continue;
      }
      let free = start;
      if (busy) for (const id of uses) free = Math.max(free, busy.get(id)!.free(start, end));
      if (free === start) return { fromMin: start, toMin: end, uses };
      at = free;
    }
  }

  /**
   * Lays every task out, each as early as it goes, the one of the lowest rank first among those whose turn it is. One
   * that comes too late after another has that one put off.
   * @param rank of each task
   * @param staff with what each is done, where that is decided
   * @param kept where each stood: it stays there if it can, and goes no earlier if it cannot
   */
  layOut(
    rank: readonly number[],
    staff?: readonly (readonly string[] | undefined)[],
    kept?: readonly (Placement | undefined)[],
  ): Layout {
    const places: (Placement | undefined)[] = this.tasks.map(() => undefined);
    const why = [...this.never];
    const busy = new Map(this.asked.resources.map(({ id, capacity }) => [id, new Timeline(capacity)]));
    const endsFrom = this.tasks.map(() => 0);
    const pushes = this.tasks.map(() => 0);
    let left = MOST_LIFTED * this.tasks.length + 5000;

    const put = (nth: number, place: Placement) => {
      places[nth] = place;
      for (const id of place.uses) busy.get(id)!.take(place.fromMin, place.toMin);
      const gap = this.gap(nth, places);
      if (gap) busy.get(gap.resource)!.take(gap.sinceMin, place.fromMin);
    };
    const lift = (nth: number) => {
      const place = places[nth];
      if (!place) return;
      const gap = this.gap(nth, places);
      if (gap) busy.get(gap.resource)!.release(gap.sinceMin, place.fromMin);
      places[nth] = undefined;
      for (const id of place.uses) busy.get(id)!.release(place.fromMin, place.toMin);
    };
    const giveUp = (nth: number, reason: string) => {
      why[nth] = reason;
      const all = this.withDependents(why);
      all.forEach((told, other) => {
        if (told === why[other]) return;
        why[other] = told;
        lift(other);
      });
    };

    // What is fixed stands first: nobody moves it.
    const fixed = this.tasks.flatMap(({ atMin }, nth) => (atMin === undefined ? [] : [nth]));
    for (const nth of fixed.toSorted((a, b) => this.tasks[a]!.atMin! - this.tasks[b]!.atMin! || a - b)) {
      if (why[nth] !== undefined) continue;
      const fits = this.fitting(nth, places, busy, 0, staff?.[nth]);
      if (fits.place) put(nth, fits.place);
      else giveUp(nth, fits.why ?? 'what it takes is taken at that time');
    }

    const turns = new Turns(rank);
    const isReady = (nth: number) =>
      this.before[nth]!.every(({ after }) => places[this.index.get(after)!] !== undefined);
    const offer = (nth: number) => {
      if (places[nth] === undefined && why[nth] === undefined && isReady(nth)) turns.add(nth);
    };
    this.tasks.forEach((_, nth) => offer(nth));
    for (let nth = turns.next(); nth !== undefined; nth = turns.next()) {
      if (places[nth] !== undefined || why[nth] !== undefined || !isReady(nth)) continue;
      const fits = this.fitting(nth, places, busy, endsFrom[nth]!, staff?.[nth], kept?.[nth]);
      if (fits.place) {
        put(nth, fits.place);
        for (const { before } of this.after[nth]!) offer(this.index.get(before)!);
        continue;
      }
      const { putOff } = fits;
      const cause = putOff && this.index.get(putOff.task);
      if (
        putOff &&
        cause !== undefined &&
        this.tasks[cause]!.atMin === undefined &&
        pushes[cause]! < MOST_PUSHES &&
        left > 0
      ) {
        pushes[cause]! += 1;
        endsFrom[cause] = Math.max(putOff.endsFromMin, places[cause]!.toMin + 1);
        // The last ones first: each knows from the one before it where it has stood.
        const below = this.downstream(cause).filter((other) => this.tasks[other]!.atMin === undefined);
        left -= 1 + below.length;
        for (const other of [cause, ...below].toSorted((a, b) => (places[b]?.fromMin ?? 0) - (places[a]?.fromMin ?? 0)))
          lift(other);
        offer(cause);
        continue;
      }
      giveUp(nth, fits.why ?? 'no hours left for it');
      this.tasks.forEach((_, other) => offer(other));
    }
    return this.judged(places, why);
  }

  /** All that comes after a task, by lags. */
  private downstream(nth: number): number[] {
    const seen = new Set<number>();
    const open = [nth];
    while (open.length > 0)
      for (const { before } of this.after[open.pop()!]!) {
        const next = this.index.get(before)!;
        if (!seen.has(next)) {
          seen.add(next);
          open.push(next);
        }
      }
    return [...seen];
  }

  private room(nth: number, places: readonly (Placement | undefined)[], endsFromMin: number): Room {
    let [earliestMin, latestMin, endsByMin] = [0, Infinity, Infinity];
    let ends = endsFromMin;
    let heldBy: Lag | undefined;
    for (const lag of this.before[nth]!) {
      const place = places[this.index.get(lag.after)!];
      if (!place) continue;
      earliestMin = Math.max(earliestMin, place.toMin + lag.minMin);
      if (lag.maxMin !== undefined && place.toMin + lag.maxMin < latestMin) {
        latestMin = place.toMin + lag.maxMin;
        heldBy = lag;
      }
    }
    for (const { before, minMin, maxMin } of this.after[nth]!) {
      const place = places[this.index.get(before)!];
      if (!place) continue;
      endsByMin = Math.min(endsByMin, place.fromMin - minMin);
      if (maxMin !== undefined) ends = Math.max(ends, place.fromMin - maxMin);
    }
    return { earliestMin, latestMin, endsFromMin: ends, endsByMin, heldBy };
  }

  /** Where a task stands since the one before it. */
  private gap(
    nth: number,
    places: readonly (Placement | undefined)[],
  ): { readonly first: number; readonly resource: string; readonly sinceMin: number } | undefined {
    const stood = this.standing.get(nth);
    const before = stood && places[stood.before];
    const resource = before?.uses.find((id) => stood!.anyOf.includes(id));
    return resource === undefined ? undefined : { first: stood!.first, resource, sinceMin: before!.toMin };
  }

  /** Until when a task may go on standing where the one before it stood. */
  private stand(
    nth: number,
    places: readonly (Placement | undefined)[],
    busy: ReadonlyMap<string, Timeline>,
  ): Stand | undefined {
    const gap = this.gap(nth, places);
    return gap && { ...gap, untilMin: busy.get(gap.resource)!.nextFrom(gap.sinceMin) };
  }

  /** Where a task goes first, or what has to be put off for it, or why it goes nowhere. */
  private fitting(
    nth: number,
    places: readonly (Placement | undefined)[],
    busy: ReadonlyMap<string, Timeline>,
    endsFromMin: number,
    staff: readonly string[] | undefined,
    kept?: Placement,
  ): {
    readonly place?: Placement;
    readonly putOff?: { readonly task: string; readonly endsFromMin: number } | undefined;
    readonly why?: string;
  } {
    const task = this.tasks[nth]!;
    const room = this.room(nth, places, endsFromMin);
    const stand = this.stand(nth, places, busy);
    const from = task.atMin ?? Math.max(room.earliestMin, Math.min(kept?.fromMin ?? 0, room.latestMin));
    if (from < room.earliestMin) return { why: 'it is fixed before what it waits for is done' };
    const by = Math.min(room.endsByMin, stand?.untilMin ?? Infinity);
    const ways = staff ? [staff] : this.staffing(nth, places, busy, from);
    const stays = kept && ways.some((uses) => isSame(uses, kept.uses));
    if (stays && from === kept.fromMin) {
      const same = this.alone(task, kept.uses, from, room.endsFromMin, busy);
      if (same?.fromMin === from && same.toMin <= by) return { place: same };
    }
    let best: Placement | undefined;
    let soonest: Placement | undefined;
    for (const uses of ways) {
      const place = this.alone(task, uses, from, room.endsFromMin, busy);
      if (!place) continue;
      if (!soonest || place.fromMin < soonest.fromMin) soonest = place;
      if (place.fromMin > room.latestMin || place.toMin > by) continue;
      // Whoever was to do it does it, where somebody else is hardly sooner.
      const worth = kept && best && isSame(best.uses, kept.uses) ? CHANGED_FOR_MIN : 0;
      if (kept && isSame(uses, kept.uses) && (!best || place.toMin <= best.toMin + CHANGED_FOR_MIN)) best = place;
      else if (
        !best ||
        place.toMin < best.toMin - worth ||
        (worth === 0 && place.toMin === best.toMin && place.fromMin > best.fromMin)
      )
        best = place;
    }
    if (best) return { place: best };
    if (!soonest)
      return { why: task.atMin === undefined ? 'no hours left for it' : 'what it takes is taken at that time' };
    const { heldBy } = room;
    if (soonest.fromMin > room.latestMin && heldBy)
      return {
        putOff: { task: heldBy.after, endsFromMin: soonest.fromMin - heldBy.maxMin! },
        why: `it must begin at most ${heldBy.maxMin} min after ${quoted(heldBy.after)}, and no hours are left for it then`,
      };
    if (stand && soonest.toMin > stand.untilMin)
      return {
        putOff: {
          task: this.tasks[stand.first]!.id,
          endsFromMin: busy.get(stand.resource)!.nextTo(stand.sinceMin) + this.tasks[stand.first]!.min,
        },
        why: `something else comes into ${quoted(stand.resource)} before it is done there`,
      };
    return { why: 'it would not be done before something fixed that waits for it' };
  }

  /** With whom a task may be done, by what those like it took. */
  private staffing(
    nth: number,
    places: readonly (Placement | undefined)[],
    busy: ReadonlyMap<string, Timeline>,
    fromMin: number,
  ): readonly (readonly string[])[] {
    const task = this.tasks[nth]!;
    const taken = (this.alike.get(task.id) ?? []).flatMap(({ other, both }) => {
      const place = places[this.index.get(other)!];
      return place ? [{ both, uses: place.uses, key: sharedKey(place.uses, both) }] : [];
    });
    const modes = this.modes[nth] ?? this.soonestStaff(task, busy, fromMin, taken);
    return taken.length === 0
      ? modes
      : modes.filter((uses) => taken.every(({ both, key }) => sharedKey(uses, both) === key));
  }

  /** Where there are too many ways to list: whoever is free first, and for each of them in turn. */
  private soonestStaff(
    task: Task,
    busy: ReadonlyMap<string, Timeline>,
    fromMin: number,
    taken: readonly { readonly both: ReadonlySet<string>; readonly uses: readonly string[] }[],
  ): readonly (readonly string[])[] {
    const has = new Set(taken.flatMap(({ uses, both }) => uses.filter((id) => both.has(id))));
    const barred = new Set(taken.flatMap(({ both }) => [...both].filter((id) => !has.has(id))));
    const freeAt = (id: string) => this.alone(task, [id], fromMin, 0, busy)?.fromMin ?? Infinity;
    const byTime = new Map(
      [...new Set(task.needs.flatMap(({ anyOf }) => anyOf))].map((id) => [id, freeAt(id)] as const),
    );
    const moments = [...new Set(byTime.values())].filter(Number.isFinite).toSorted((a, b) => a - b);
    return moments.flatMap((moment) => {
      const uses: string[] = [];
      for (const { anyOf, count } of task.needs) {
        const chosen = anyOf
          .filter((id) => !uses.includes(id) && !barred.has(id) && byTime.get(id)! <= moment)
          .toSorted((a, b) => Number(has.has(b)) - Number(has.has(a)) || byTime.get(a)! - byTime.get(b)!)
          .slice(0, count);
        if (chosen.length < count) return [];
        uses.push(...chosen);
      }
      return [uses];
    });
  }

  /** What a layout comes to. */
  judged(places: readonly (Placement | undefined)[], why: readonly (string | undefined)[]): Layout {
    let [lateness, makespanMin, unplaced] = [0, 0, 0];
    for (const place of places) {
      if (place) makespanMin = Math.max(makespanMin, place.toMin);
      else unplaced += 1;
    }
    for (const { task, byMin, weight } of this.asked.due) {
      const place = places[this.index.get(task)!];
      if (place) lateness += weight * Math.max(0, place.toMin - byMin);
    }
    return { places, why, unplaced, lateness, makespanMin };
  }

  /** Of each task that is due and placed, minutes. */
  lateMin({ places }: Layout): ReadonlyMap<string, number> {
    const late = new Map<string, number>();
    for (const { task, byMin } of this.asked.due) {
      const place = places[this.index.get(task)!];
      if (place) late.set(task, Math.max(late.get(task) ?? 0, place.toMin - byMin));
    }
    return late;
  }

  /** As it is told. */
  told({ places, why }: Layout): { readonly tasks: PlacedTask[]; readonly unplaced: UnplacedTask[] } {
    return {
      tasks: this.tasks.flatMap(({ id }, nth) => {
        const place = places[nth];
        return place ? [{ id, ...place }] : [];
      }),
      unplaced: this.tasks.flatMap(({ id }, nth) =>
        places[nth] ? [] : [{ id, why: why[nth] ?? 'no hours left for it' }],
      ),
    };
  }
}

/** Where all tasks stand, and how good that is: the fewest unplaced, then the least late, then the shortest. */
export interface Layout {
  readonly places: readonly (Placement | undefined)[];
  readonly why: readonly (string | undefined)[];
  readonly unplaced: number;
  /** Weight times minutes. */
  readonly lateness: number;
  readonly makespanMin: number;
}

/** Below 0: the first is better. */
export const compared = (a: Layout, b: Layout): number =>
  a.unplaced - b.unplaced || a.lateness - b.lateness || a.makespanMin - b.makespanMin;

/** The same resources, in whatever order. */
export const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((id) => b.includes(id));

const quoted = (id: string) => `“${id}”`;
const MOST_NAMED = 5;
const listed = (ids: readonly string[]) =>
  ids.length <= MOST_NAMED
    ? ids.map(quoted).join(', ')
    : `${ids
        .slice(0, MOST_NAMED - 1)
        .map(quoted)
        .join(', ')} and ${ids.length - MOST_NAMED + 1} more`;

/** Whose turn it is: the lowest rank first (a binary heap). */
class Turns {
  private readonly heap: number[] = [];

  constructor(private readonly rank: readonly number[]) {}

  private sooner(a: number, b: number): boolean {
    const [one, other] = [this.rank[this.heap[a]!]!, this.rank[this.heap[b]!]!];
    return one < other || (one === other && this.heap[a]! < this.heap[b]!);
  }

  private swap(a: number, b: number): void {
    [this.heap[a], this.heap[b]] = [this.heap[b]!, this.heap[a]!];
  }

  add(nth: number): void {
    let at = this.heap.push(nth) - 1;
    for (let above = (at - 1) >> 1; at > 0 && this.sooner(at, above); above = (at - 1) >> 1) {
      this.swap(at, above);
      at = above;
    }
  }

  next(): number | undefined {
    const first = this.heap[0];
    const last = this.heap.pop();
    if (first === undefined || this.heap.length === 0) return first;
    this.heap[0] = last!;
    for (let at = 0; ;) {
      const [left, right] = [2 * at + 1, 2 * at + 2];
      let least = at;
      if (left < this.heap.length && this.sooner(left, least)) least = left;
      if (right < this.heap.length && this.sooner(right, least)) least = right;
      if (least === at) return first;
      this.swap(at, least);
      at = least;
    }
  }
}
