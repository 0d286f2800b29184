import type { z } from 'zod';
import { type Fault, FaultsError, faultsOfIssues, fewFaults, pathText } from './faults';

/** Reads anything a schema describes. @throws FaultsError with every fault at once. */
export function read<S extends z.ZodType>(
  value: unknown,
  schema: S,
  senseFaults: (value: unknown) => readonly Fault[] = () => [],
): z.output<S> {
  const beyond = beyondReading(value);
  if (beyond) throw new FaultsError([beyond]);
  const parsed = schema.safeParse(value);
  const faults = fewFaults([...(parsed.success ? [] : faultsOfIssues(parsed.error.issues)), ...senseFaults(value)]);
  if (!parsed.success || faults.length > 0) throw new FaultsError(faults);
  return parsed.data;
}

/** Entries of one list, values in all, and levels one inside another, that are read at all. */
const LONGEST_LIST = 20_000;
const MOST_VALUES = 1_000_000;
const DEEPEST = 64;

/** Where a value stands: its key, and what it stands in. A path is made of it only for a fault. */
interface Place {
  readonly value: unknown;
  readonly depth: number;
  readonly key?: PropertyKey;
  readonly within?: Place;
}

const pathOf = (place: Place): string => {
  const keys: PropertyKey[] = [];
  for (let at: Place | undefined = place; at?.key !== undefined; at = at.within) keys.push(at.key);
  return pathText(keys.reverse());
};

/**
 * Why an input is too much to be read; undefined where it is not. In time that grows with its values, and no further than
 * it has to.
 */
function beyondReading(value: unknown): Fault | undefined {
  let values = 0;
  const waiting: Place[] = [{ value, depth: 0 }];
  for (let place = waiting.pop(); place; place = waiting.pop()) {
    const { value: inside, depth } = place;
    if (typeof inside !== 'object' || inside === null) continue;
    if (depth > DEEPEST) return { path: pathOf(place), message: `more than ${DEEPEST} levels one inside another` };
    const isList = Array.isArray(inside);
    const keys = isList ? inside.length : Object.keys(inside).length;
    if (keys > LONGEST_LIST) {
      const message = `${keys} entries, at most ${LONGEST_LIST} are read; part it into several`;
      return { path: pathOf(place), message };
    }
    values += keys;
    if (values > MOST_VALUES) return { path: '', message: `more than ${MOST_VALUES} values; part it into several` };
    for (const [key, entry] of Object.entries(inside))
      if (typeof entry === 'object' && entry !== null)
        waiting.push({ value: entry, depth: depth + 1, key: isList ? Number(key) : key, within: place });
  }
  return undefined;
}

/**
 * Reads JSON text, byte-order mark or not.
 * @throws FaultsError naming line and column where the text is no JSON
 */
export function parseJson(text: string): unknown {
  const clean = text.replace(/^\uFEFF/, '');
  try {
    return JSON.parse(clean);
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    throw new FaultsError([{ path: '', message: `not JSON: ${place(message, clean)}` }]);
  }
}

function place(message: string, text: string): string {
  const position = /position (\d+)/.exec(message)?.[1];
  if (position === undefined) return message;
  const before = text.slice(0, Number(position)).split('\n');
  const what = message.replace(/ in JSON at position.*$/, '').replace(/ at position.*$/, '');
  return `${what}, line ${before.length}, column ${before.at(-1)!.length + 1}`;
}
