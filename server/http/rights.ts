import { type Right, RIGHTS } from '#formats/people';
import type { Actor } from '../accounts/actor';
import { notAllowed, signInFirst } from './problem';

/** What an endpoint says of who may come in by it. */
export interface Door {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** What it takes to be let in: unless it is said, looking for a question, and owning the workshop for all else. */
  readonly needs?: Right | 'nothing';
  /** Somebody with a link to the job in the address may ask it too. */
  readonly guests?: true;
}

/**
 * Lets in whoever may. What does not say what it takes is a question for everybody who is in, or else the owner's.
 * @throws ProblemError (401) where nobody is in, (403) where somebody is who may not
 */
export function requireRight(
  { rights, guest, person }: Actor,
  { needs, method, guests }: Door,
  params: Readonly<Record<string, unknown>>,
): void {
  const needed = needs ?? (method === 'get' ? 'look' : 'own');
  if (needed === 'nothing' || rights.has(needed)) return;
  if (guests && guest && (params.id === undefined || params.id === guest.job)) return;
  if (person || guest) throw notAllowed(RIGHTS[needed]);
  throw signInFirst();
}
