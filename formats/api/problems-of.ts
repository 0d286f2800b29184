import type { ProblemKind } from './problems';
import { paramNames, type Route } from './route';

/** What any call can meet, whatever it asks. */
const ANYWHERE: readonly ProblemKind[] = ['bad-request', 'wrong-host', 'internal', 'closed'];

/** Everything a call of this route can be answered with instead of its good answer. */
export function problemsOf(route: Route): readonly ProblemKind[] {
  const { method, path, needs, query, body, fileBytes, versioned, computed, problems = [] } = route;
  const hasBody = body !== undefined || fileBytes !== undefined;
  const kinds: readonly (ProblemKind | false)[] = [
    ...ANYWHERE,
    (hasBody || query !== undefined || method === 'put') && 'bad-input',
    needs !== 'nothing' && 'sign-in',
    needs !== 'nothing' && 'not-allowed',
    method !== 'get' && 'foreign-page',
    paramNames(path).length > 0 && 'not-found',
    hasBody && 'too-large',
    hasBody && 'compressed',
    versioned === true && 'version-missing',
    versioned === true && 'stale-write',
    (computed === true || hasBody) && 'busy',
    ...problems,
  ];
  return [...new Set(kinds.filter((kind) => kind !== false))];
}
