import { z } from 'zod';
import { object } from '#formats/values';

/** Every way a call can fail: its status, and what it is called. */
export const PROBLEMS = {
  'bad-input': { status: 400, title: 'Bad input' },
  'bad-request': { status: 400, title: 'Bad request' },
  'sign-in': { status: 401, title: 'Sign in first' },
  'wrong-secret': { status: 401, title: 'Not signed in' },
  'not-allowed': { status: 403, title: 'Not yours to do' },
  'foreign-page': { status: 403, title: 'From another page' },
  'not-found': { status: 404, title: 'Not found' },
  conflict: { status: 409, title: 'Does not fit what has been done' },
  'stale-write': { status: 412, title: 'Changed in the meantime' },
  'too-large': { status: 413, title: 'Too large' },
  'refused-file': { status: 415, title: 'This file cannot be taken' },
  compressed: { status: 415, title: 'Compressed' },
  'wrong-host': { status: 421, title: 'Wrong host' },
  'version-missing': { status: 428, title: 'Version missing' },
  'too-often': { status: 429, title: 'Tried too often' },
  internal: { status: 500, title: 'Something broke on our side' },
  busy: { status: 503, title: 'Too much at once' },
  'instrument-silent': { status: 503, title: 'No answer' },
  closed: { status: 503, title: 'Closed for a moment' },
} as const satisfies Readonly<Record<string, { readonly status: number; readonly title: string }>>;
export type ProblemKind = keyof typeof PROBLEMS;

/** An error as the server answers it (RFC 9457), with every fault and its place. */
export const problemSchema = object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  faults: z.array(object({ path: z.string(), message: z.string() })).optional(),
  /** For a stale write: the version that stands, and what has changed since the one that was edited. */
  version: z.int().optional(),
  changed: z.array(z.string()).optional(),
  /** After how many seconds it may be tried again. */
  retryAfterS: z.int().optional(),
});
export type Problem = z.output<typeof problemSchema>;
