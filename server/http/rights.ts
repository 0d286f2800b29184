import type { Route } from '#formats/api';
import { RIGHTS } from '#formats/people';
import type { Actor } from '../accounts/actor';
import { notAllowed, signInFirst } from './problem';

/**
 * Lets in whoever may. A route that names no right is open to everyone who is signed in where it asks, and to the owner where it changes something.
 * @throws ProblemError (401) where nobody is in, (403) where somebody is who may not
 */
export function requireRight(actor: Actor, route: Asking, params: Readonly<Record<string, unknown>>): void {
  if (isAllowed(actor, route, params)) return;
  const needed = neededBy(route);
  if (needed !== 'nothing' && (actor.person || actor.guest)) throw notAllowed(RIGHTS[needed]);
  throw signInFirst();
}

/** Whether somebody may ask a route. */
export function isAllowed({ rights, guest }: Actor, route: Asking, params: Readonly<Record<string, unknown>>): boolean {
  const needed = neededBy(route);
  if (needed === 'nothing' || rights.has(needed)) return true;
  return route.guests === true && guest !== undefined && (params.id === undefined || params.id === guest.job);
}

type Asking = Pick<Route, 'needs' | 'method' | 'guests'>;
const neededBy = ({ needs, method }: Asking) => needs ?? (method === 'get' ? 'look' : 'own');
