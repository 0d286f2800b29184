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

/** Entries of one list, and values in all, that are read at all. */
const LONGEST_LIST = 20_000;
const MOST_VALUES = 1_000_000;

/** Why an input is too much to be read; undefined where it is not. Looks no further than it has to. */
function beyondReading(value: unknown): Fault | undefined {
  let values = 0;
  const waiting: { value: unknown; path: readonly PropertyKey[] }[] = [{ value, path: [] }];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value: inside, path } = next;
    if (typeof inside !== 'object' || inside === null) continue;
    const isList = Array.isArray(inside);
    const entries = isList ? inside.length : Object.keys(inside).length;
    if (entries > LONGEST_LIST) {
      const message = `${entries} entries, at most ${LONGEST_LIST} are read; part it into several`;
      return { path: pathText(path), message };
    }
    values += entries;
    if (values > MOST_VALUES) return { path: '', message: `more than ${MOST_VALUES} values; part it into several` };
    for (const [key, entry] of Object.entries(inside)) {
      if (typeof entry === 'object' && entry !== null) {
        waiting.push({ value: entry, path: [...path, isList ? Number(key) : key] });
      }
    }
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
