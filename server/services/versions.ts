import { changedPaths } from '#formats/values';
import { notFound, staleWrite } from '../http/problem';

/**
 * Refuses a write that was made to another version than the one that stands.
 * @param edited the version that was edited; 0 for something new
 * @throws ProblemError (404) where there is nothing to change, (412) where it has changed since
 */
export function requireVersion(
  what: string,
  id: string,
  standing: { readonly version: number; readonly body: object } | undefined,
  edited: number,
  wanted: object = {},
): void {
  if (!standing && edited > 0) throw notFound(what, id);
  if (standing && standing.version !== edited) throw staleWrite(standing.version, changedPaths(wanted, standing.body));
}
