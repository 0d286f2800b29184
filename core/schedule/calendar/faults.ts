import { minutesWithin } from '#core/plan/crew';
import type { CalendarCase, PlacedTask } from './case';
import { alikes, sharedKey } from './modes';
import { commonShifts } from './shifts';

/**
 * What of its case a calendar does not keep, each in a sentence; none: it keeps all. It knows nothing of how the
 * calendar was found.
 */
export function calendarFaults(asked: CalendarCase, placed: readonly PlacedTask[]): string[] {
  const faults: string[] = [];
  const tasks = new Map(asked.tasks.map((task) => [task.id, task]));
  const at = new Map(placed.map((place) => [place.id, place]));
  const shifts = commonShifts(asked.resources);
  if (at.size < placed.length) faults.push('something is placed twice');
  for (const { id, fromMin, toMin, uses } of placed) {
    const task = tasks.get(id);
    if (!task) {
      faults.push(`${id} was not asked for`);
      continue;
    }
    if (fromMin < 0) faults.push(`${id} begins before the start`);
    if (task.atMin !== undefined && fromMin !== task.atMin) faults.push(`${id} is not where it is fixed`);
    if (new Set(uses).size < uses.length) faults.push(`${id} takes something twice`);
    let taken = 0;
    for (const { anyOf, count } of task.needs) {
      const own = uses.slice(taken, taken + count);
      taken += count;
      if (own.length < count || own.some((each) => !anyOf.includes(each))) faults.push(`${id} lacks what it needs`);
    }
    if (taken !== uses.length) faults.push(`${id} takes more than it needs`);
    const stretches = shifts.of(uses).stretches.map(([from, to]) => [from, to] as const);
    if (!task.pausable || task.min === 0) {
      if (toMin - fromMin !== task.min) faults.push(`${id} does not last ${task.min} min`);
      if (!stretches.some(([from, to]) => from <= fromMin && toMin <= to))
        faults.push(`${id} is broken by closing hours`);
    } else {
      if (minutesWithin(stretches, fromMin, toMin) !== task.min) faults.push(`${id} is not worked ${task.min} min`);
      if (minutesWithin(stretches, fromMin, fromMin + 1) !== 1) faults.push(`${id} does not begin with work`);
      if (minutesWithin(stretches, toMin - 1, toMin) !== 1) faults.push(`${id} does not end with work`);
    }
  }
  for (const { after, before, minMin, maxMin } of asked.lags) {
    const [a, b] = [at.get(after), at.get(before)];
    if (!a || !b) continue;
    const lag = b.fromMin - a.toMin;
    if (lag < minMin) faults.push(`${before} begins ${lag} min after ${after}, not ${minMin}`);
    if (maxMin !== undefined && lag > maxMin) faults.push(`${before} begins ${lag} min after ${after}, over ${maxMin}`);
  }
  for (const [one, partners] of alikes(asked))
    for (const { other, both } of partners) {
      const [a, b] = [at.get(one), at.get(other)];
      if (a && b && sharedKey(a.uses, both) !== sharedKey(b.uses, both))
        faults.push(`${one} and ${other} do not take the same`);
    }
  const gaps = (asked.stays ?? []).flatMap(({ anyOf, tasks: ids }) =>
    ids.slice(1).flatMap((id, nth) => {
      const [a, b] = [at.get(ids[nth]!), at.get(id)];
      if (!a || !b) return [];
      return [{ uses: a.uses.filter((used) => anyOf.includes(used)), fromMin: a.toMin, toMin: b.fromMin }];
    }),
  );
  for (const { id, capacity } of asked.resources) {
    const edges = [...placed, ...gaps]
      .filter(({ uses, fromMin, toMin }) => uses.includes(id) && toMin > fromMin)
      .flatMap(({ fromMin, toMin }) => [
        [fromMin, 1],
        [toMin, -1],
      ])
      .toSorted((a, b) => a[0]! - b[0]! || a[1]! - b[1]!);
    let count = 0;
    for (const [, step] of edges) {
      count += step!;
      if (count > capacity) {
        faults.push(`${id} serves more than ${capacity} at once`);
        break;
      }
    }
  }
  return faults;
}
