import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { type Hand, HAND_ROLES, type HandRole, type RunEntry } from '#core/work/run';

/** What a role takes on, as it is chosen. */
export const ROLE_WORDS: Readonly<Record<HandRole, readonly [name: string, does: string]>> = {
  all: ['Everything', 'One screen leads everybody: whatever is to be done stands on it.'],
  both: ['Lay and level', 'What these hands have begun, and what comes next. Others have screens of their own.'],
  lay: ['Lay only', 'One piece after the other. Somebody else follows and levels.'],
  level: ['Level only', 'What others have laid, the oldest first.'],
};

const ROLE_KEY = 'glaphyra.hand';
const BEGUN_KEY = 'glaphyra.begun';
/** Nobody has more in hand. */
const MOST_BEGUN = 100;

const listeners = new Set<() => void>();
const told = () => listeners.forEach((listener) => listener());
const listen = (listener: () => void) => {
  listeners.add(listener);
  addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    removeEventListener('storage', listener);
  };
};
const roleKept = (): HandRole => HAND_ROLES.find((role) => role === localStorage.getItem(ROLE_KEY)) ?? 'all';
const begunKept = () => localStorage.getItem(BEGUN_KEY) ?? '';

/** Notes that hands at this screen have begun something; a device that keeps nothing takes it for anybody's. */
export function beganHere(id: string, { type }: RunEntry): void {
  if (type !== 'lay-start' && type !== 'level-start') return;
  try {
    localStorage.setItem(
      BEGUN_KEY,
      [
        ...begunKept()
          .split(' ')
          .slice(1 - MOST_BEGUN),
        id,
      ].join(' '),
    );
  } catch {
    // The disk is full: the patch then stands among those of others, from where it is taken back in one tap.
  }
  told();
}

/** What the hands at this screen do, and what they have begun. It belongs to the device, not to the job. */
export function useHand(): {
  readonly role: HandRole;
  readonly began: Hand['began'];
  readonly choose: (role: HandRole) => void;
} {
  const role = useSyncExternalStore(listen, roleKept);
  const begun = useSyncExternalStore(listen, begunKept);
  const ids = useMemo(() => new Set(begun.split(' ')), [begun]);
  const began = useCallback<Hand['began']>(
    ({ record }, what) => {
      const entry = what === 'lay' ? record?.layEntry : record?.levelEntry;
      return entry !== undefined && ids.has(entry);
    },
    [ids],
  );
  const choose = useCallback((next: HandRole) => {
    localStorage.setItem(ROLE_KEY, next);
    told();
  }, []);
  return { role, began, choose };
}
