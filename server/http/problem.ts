import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import type { Problem } from '#formats/job';
import { FaultsError } from '#formats/values';

/** An answer other than the one asked for, with its reason (RFC 9457). */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title);
  }
}

const problem = (status: number, type: string, title: string, more: Partial<Problem> = {}): ProblemError =>
  new ProblemError({ type: `/problems/${type}`, title, status, ...more });

export const notFound = (what: string, id: string) =>
  problem(404, 'not-found', 'Not found', { detail: `There is no ${what} "${id}".` });

/** A write based on a version that no longer stands; says what has changed since. */
export const staleWrite = (version: number, changed: readonly string[]) =>
  problem(412, 'stale-write', 'Changed in the meantime', {
    detail: 'Someone else has changed this since you opened it. Nothing of yours was written.',
    version,
    changed: [...changed],
  });

export const conflict = (detail: string, faults?: Problem['faults']) =>
  problem(409, 'conflict', 'Does not fit what has been done', { detail, ...(faults && { faults }) });

/** A file that cannot be taken as it is; says what it is and what to do. */
export const refusedFile = (detail: string) => problem(415, 'refused-file', 'This file cannot be taken', { detail });

export const versionMissing = () =>
  problem(428, 'version-missing', 'Version missing', {
    detail: 'Say which version you edited, as If-Match: "3".',
  });

/** An instrument that stands in its bay and does not answer. */
export const silent = (bay: string) =>
  problem(503, 'instrument-silent', 'No answer', {
    detail: `The instrument in ${bay} does not answer. Read the air by hand, or ask again.`,
  });

/** A copy is being put back: there is no workshop for a moment. */
export const closedForNow = () =>
  problem(503, 'closed', 'Closed for a moment', {
    detail: 'A copy of the workshop is being put back. Try again in a moment.',
  });

export const wrongHost = () =>
  problem(421, 'wrong-host', 'Wrong host', {
    detail:
      'This workshop is not reached under that name. Open it under one it shows itself: Workshop, Devices and network.',
  });

export const foreignPage = () =>
  problem(403, 'foreign-page', 'From another page', {
    detail: 'This request came from another page, not from this workshop. Nothing was done.',
  });

/** Nobody has said who they are. */
export const signInFirst = () =>
  problem(401, 'sign-in', 'Sign in first', { detail: 'This workshop wants to know who you are: sign in first.' });

/** The same for a wrong name as for a wrong password. */
export const wrongSecret = (detail = 'That name and password do not go together.') =>
  problem(401, 'wrong-secret', 'Not signed in', { detail });

/** @param what what it takes, in words */
export const notAllowed = (what: string) =>
  problem(403, 'not-allowed', 'Not yours to do', {
    detail: `To ${what} takes somebody with that right. Nothing was done.`,
  });

/** @param seconds until it may be tried again */
export const tooOften = (seconds: number) =>
  problem(429, 'too-often', 'Tried too often', {
    detail: `Too many wrong attempts. Wait ${Math.max(1, Math.ceil(seconds / 60))} min, then try again.`,
    retryAfterS: seconds,
  });

function asProblem(error: unknown): Problem | undefined {
  if (error instanceof ProblemError) return error.problem;
  if (error instanceof FaultsError) {
    const detail = error.faults.length === 1 ? 'One value is wrong.' : `${error.faults.length} values are wrong.`;
    return problem(400, 'bad-input', 'Bad input', { detail, faults: [...error.faults] }).problem;
  }
  // What the body parser refuses carries its own status.
  const { status, type } = (error ?? {}) as { status?: unknown; type?: unknown };
  if (type === 'entity.parse.failed') {
    return problem(400, 'bad-input', 'Bad input', { detail: 'The body is not JSON.' }).problem;
  }
  if (type === 'encoding.unsupported') {
    return problem(415, 'compressed', 'Compressed', { detail: 'Send the body as it is, not compressed.' }).problem;
  }
  if (type === 'entity.too.large') {
    const { limit } = error as { limit?: number };
    const most = limit === undefined ? '' : `: at most ${Math.round(limit / 1e6)} MB are taken`;
    return problem(413, 'too-large', 'Too large', { detail: `What was sent is too large${most}.` }).problem;
  }
  if (typeof status === 'number' && status >= 400 && status < 500) {
    return problem(status, 'bad-request', 'Bad request').problem;
  }
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
    sendProblem(
      response,
      known ??
        problem(500, 'internal', 'Something broke on our side', { detail: 'Nothing was written. Try again.' }).problem,
    );
  };
}
