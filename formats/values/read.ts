import type { z } from 'zod';
import { type Fault, FaultsError, faultsOfIssues, oncePerPath } from './faults';

/** Reads anything a schema describes. @throws FaultsError with every fault at once. */
export function read<S extends z.ZodType>(
  value: unknown,
  schema: S,
  senseFaults: (value: unknown) => readonly Fault[] = () => [],
): z.output<S> {
  const parsed = schema.safeParse(value);
  const faults = oncePerPath([...(parsed.success ? [] : faultsOfIssues(parsed.error.issues)), ...senseFaults(value)]);
  if (!parsed.success || faults.length > 0) throw new FaultsError(faults);
  return parsed.data;
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
