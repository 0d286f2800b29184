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

/** Who was in when the server last said so: without a network they still are. */
export function lastKnown(): Me | undefined {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '') as Me;
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
