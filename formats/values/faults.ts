import type { z } from 'zod';

/** One thing wrong with a file or a request, with its place and, where there is one, the remedy. */
export interface Fault {
  /** Such as `surfaces[2].shape.aMm`; empty for the whole. */
  readonly path: string;
  readonly message: string;
}

/** Everything wrong with an input, at once. */
export class FaultsError extends Error {
  constructor(readonly faults: readonly Fault[]) {
    super(faults.map(faultLine).join('\n'));
  }
}

export function faultLine({ path, message }: Fault): string {
  return path === '' ? message : `${path}: ${message}`;
}

/** `['surfaces', 2, 'shape', 'aMm']` as `surfaces[2].shape.aMm`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, key) => {
    if (typeof key === 'number') return `${text}[${key}]`;
    return text === '' ? String(key) : `${text}.${String(key)}`;
  }, '');
}

type Issue = z.core.$ZodIssue;

/** Faults of a schema's refusal: unknown keys by name, unions by their closest member. */
export function faultsOfIssues(issues: readonly Issue[], at: readonly PropertyKey[] = []): Fault[] {
  return issues.flatMap((issue): Fault[] => {
    const path = [...at, ...issue.path];
    switch (issue.code) {
      case 'unrecognized_keys':
        return issue.keys.map((key) => ({ path: pathText([...path, key]), message: 'unknown key' }));
      case 'invalid_key':
        return [{ path: pathText(path), message: issue.issues[0]?.message ?? 'unknown key' }];
      case 'invalid_union': {
        const closest = [...issue.errors].sort((a, b) => a.length - b.length)[0];
        return closest && closest.length > 0
          ? faultsOfIssues(closest, path)
          : [{ path: pathText(path), message: issue.message }];
      }
      default:
        return [{ path: pathText(path), message: issue.message }];
    }
  });
}

/** Faults told of one input; nobody reads more, and the answer must not outgrow the question. */
const MOST_TOLD = 100;

/** The first fault of each place, in the order of the places found; beyond a hundred, how many more there are. */
export function fewFaults(faults: readonly Fault[]): Fault[] {
  const seen = new Set<string>();
  const own = faults.filter(({ path }) => !seen.has(path) && seen.add(path));
  if (own.length <= MOST_TOLD) return own;
  return [...own.slice(0, MOST_TOLD), { path: '', message: `and ${own.length - MOST_TOLD} more` }];
}
