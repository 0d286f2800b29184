import type { Route } from '#formats/api';
import { RIGHTS } from '#formats/people';
import type { Actor } from '../accounts/actor';
import { notAllowed, signInFirst } from './problem';

/**
 * Lets in whoever may. A route that names no right is open to everyone who is signed in where it asks, and to the owner where it changes something.
 * @throws ProblemError (401) where nobody is in, (403) where somebody is who may not
 */
export function requireRight(
  { rights, guest, person }: Actor,
  { needs, method, guests }: Pick<Route, 'needs' | 'method' | 'guests'>,
  params: Readonly<Record<string, unknown>>,
): void {
  const needed = needs ?? (method === 'get' ? 'look' : 'own');
  if (needed === 'nothing' || rights.has(needed)) return;
  if (guests && guest && (params.id === undefined || params.id === guest.job)) return;
  if (person || guest) throw notAllowed(RIGHTS[needed]);
  throw signInFirst();
}
