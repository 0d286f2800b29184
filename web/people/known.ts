import type { Me } from '#formats/people';
import { forgetAnswers } from '../offline/install';
import { useMeQuery } from './api';

const KEY = 'glaphyra.me';
/** Everybody may do everything, until somebody has an account. */
const NO_ACCOUNTS: Me = {
  accounts: false,
  person: null,
  tablet: null,
  guest: null,
  rights: ['look', 'run', 'work', 'own'],
  turn: null,
};

/** Who was in when the server last said so: without a network they still are. */
function lastKnown(): Me | undefined {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '') as Me;
  } catch {
    return undefined;
  }
}

/** Who is in, as the server says or last said. @returns undefined until that is known */
export function useMe(): Me | undefined {
  const { data, error } = useMeQuery();
  if (data) {
    // Nobody is in any more: what the server answered to whoever was is not left here.
    if (data.accounts && !data.person && lastKnown()?.person) void forgetAnswers();
    try {
      localStorage.setItem(KEY, JSON.stringify(data));
    } catch {
      // A device that keeps nothing asks again.
    }
    return data;
  }
  return lastKnown() ?? (error ? NO_ACCOUNTS : undefined);
}
