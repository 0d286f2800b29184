import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { type Problem, type ProblemKind, PROBLEMS } from '#formats/api';
import { FaultsError } from '#formats/values';

/** An answer other than the one asked for, with its reason (RFC 9457). */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title);
  }
}

const problem = (kind: ProblemKind, more: Partial<Problem> = {}): ProblemError =>
  new ProblemError({ type: `/problems/${kind}`, ...PROBLEMS[kind], ...more });

export const notFound = (what: string, id: string) => problem('not-found', { detail: `There is no ${what} "${id}".` });

/** A write based on a version that is no longer the latest; says what has changed since. */
export const staleWrite = (version: number, changed: readonly string[]) =>
  problem('stale-write', {
    detail: 'Someone else has changed this since you opened it. Nothing of yours was written.',
    version,
    changed: [...changed],
  });

export const conflict = (detail: string, faults?: Problem['faults']) =>
  problem('conflict', { detail, ...(faults && { faults }) });

/** A file that cannot be taken as it is; says what it is and what to do. */
export const refusedFile = (detail: string) => problem('refused-file', { detail });

export const notJson = () => problem('bad-input', { detail: 'The body is not JSON.' });

/** More is asked than can be worked out in time. */
export const busy = () =>
  problem('busy', { detail: 'Too much is being worked out at once. Ask again in a moment.', retryAfterS: 5 });

export const versionMissing = () =>
  problem('version-missing', { detail: 'Say which version you edited, as If-Match: "3".' });

/** An instrument in a bay does not answer. */
export const silent = (bay: string) =>
  problem('instrument-silent', {
    detail: `The instrument in ${bay} does not answer. Read the air by hand, or ask again.`,
  });

/** A backup is being restored: there is no workshop for a moment. */
export const closedForNow = () =>
  problem('closed', { detail: 'A copy of the workshop is being put back. Try again in a moment.' });

export const wrongHost = () =>
  problem('wrong-host', {
    detail:
      'This workshop is not reached under that name. Open it under one it shows itself: Workshop, Devices and network.',
  });

/** A proxy that does not say who asks. */
export const silentProxy = () =>
  problem('wrong-host', {
    detail: 'The proxy does not say who asks. Have it set X-Forwarded-For and X-Forwarded-Proto.',
  });

export const foreignPage = () =>
  problem('foreign-page', {
    detail: 'This request came from another page, not from this workshop. Nothing was done.',
  });

/** Nobody has said who they are. */
export const signInFirst = () =>
  problem('sign-in', { detail: 'This workshop wants to know who you are: sign in first.' });

/** The same for a wrong name as for a wrong password. */
export const wrongSecret = (detail = 'That name and password do not go together.') =>
  problem('wrong-secret', { detail });

/** @param what what it takes, in words */
export const notAllowed = (what: string) =>
  problem('not-allowed', { detail: `To ${what} takes somebody with that right. Nothing was done.` });

/** @param seconds until it may be tried again */
export const tooOften = (seconds: number) =>
  problem('too-often', {
    detail: `Too many wrong attempts. Wait ${Math.max(1, Math.ceil(seconds / 60))} min, then try again.`,
    retryAfterS: seconds,
  });

export function asProblem(error: unknown): Problem | undefined {
  if (error instanceof ProblemError) return error.problem;
  if (error instanceof FaultsError) {
    const detail = error.faults.length === 1 ? 'One value is wrong.' : `${error.faults.length} values are wrong.`;
    return problem('bad-input', { detail, faults: [...error.faults] }).problem;
  }
  // What the body parser refuses carries its own status.
  const { status, type } = (error ?? {}) as { status?: unknown; type?: unknown };
  if (type === 'encoding.unsupported') {
    return problem('compressed', { detail: 'Send the body as it is, not compressed.' }).problem;
  }
  if (type === 'entity.too.large') {
    const { limit } = error as { limit?: number };
    const most = limit === undefined ? '' : `: at most ${Math.round(limit / 1e6)} MB are taken`;
    return problem('too-large', { detail: `What was sent is too large${most}.` }).problem;
  }
  if (typeof status === 'number' && status >= 400 && status < 500) return problem('bad-request', { status }).problem;
  return undefined;
}

export function sendProblem(response: Response, body: Problem): void {
  if (body.retryAfterS !== undefined) response.setHeader('retry-after', String(body.retryAfterS));
  response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
}

/** Last in the chain: every error leaves as a problem, an unexpected one without its innards. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const known = asProblem(error);
    if (!known) log.error({ err: error, method: request.method, path: request.path }, 'unexpected error');
    sendProblem(response, known ?? problem('internal', { detail: 'Nothing was written. Try again.' }).problem);
  };
}
