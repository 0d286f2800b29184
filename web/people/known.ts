import type { Me } from '#formats/people';
import { forgetAnswers } from '../offline/install';

const KEY = 'glaphyra.me';

/** Everybody may do everything, until somebody has an account. */
export const NO_ACCOUNTS: Me = {
  accounts: false,
  person: null,
  tablet: null,
  guest: null,
  rights: ['look', 'run', 'work', 'own'],
  turn: null,
};

/** Whether what the device kept can be read as who is in: another edition may have kept it otherwise. */
const isMe = (kept: unknown): kept is Me =>
  typeof kept === 'object' &&
  kept !== null &&
  ['accounts', 'person', 'tablet', 'guest', 'turn'].every((name) => name in kept) &&
  'rights' in kept &&
  Array.isArray(kept.rights);

/** Who was in when the server last said so: without a network they still are. */
export function lastKnown(): Me | undefined {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '');
    return isMe(kept) ? kept : undefined;
  } catch {
    return undefined;
  }
}

/** Remembers who is in, as the server says. */
export function remember(me: Me): void {
  // Nobody is in any more: what the server answered to whoever was is not left here.
  if (me.accounts && !me.person && lastKnown()?.person) void forgetAnswers();
  try {
    localStorage.setItem(KEY, JSON.stringify(me));
  } catch {
    // A device that keeps nothing asks again.
  }
}
