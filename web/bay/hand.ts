import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { type Hand, HAND_ROLES, type HandRole, type LoggedEntry, type RunEntry, undoable } from '#core/lay/run';
import type { JobView } from '../job/useJobView';

/** What a role takes on, as it is chosen. */
export const ROLE_WORDS: Readonly<Record<HandRole, readonly [name: string, does: string]>> = {
  all: ['Everything', 'One screen leads everybody: whatever is to be done stands on it.'],
  both: ['Lay and level', 'What these hands have begun, and what comes next. Others have screens of their own.'],
  lay: ['Lay only', 'One piece after the other. Somebody else follows and levels.'],
  level: ['Level only', 'What others have laid, the oldest first.'],
};

const ROLE_KEY = 'glaphyra.hand';
const BEGUN_KEY = 'glaphyra.begun';
const TAPPED_KEY = 'glaphyra.tapped';
/** Nobody has more in hand. */
const MOST_BEGUN = 100;
/** Nobody takes back more. */
const MOST_TAPPED = 40;

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
const tappedKept = () => localStorage.getItem(TAPPED_KEY) ?? '';

/** Keeps an entry among the last of its kind, the newest behind. */
function keepLast(key: string, kept: string, id: string, most: number): void {
  localStorage.setItem(key, [...kept.split(' ').slice(1 - most), id].join(' '));
}

/** Notes what was tapped at this screen, and begun by it; a device that keeps nothing takes it for anybody's. */
export function tappedHere(id: string, { type }: RunEntry): void {
  try {
    if (type !== 'undo') keepLast(TAPPED_KEY, tappedKept(), id, MOST_TAPPED);
    if (type === 'lay-start' || type === 'level-start') keepLast(BEGUN_KEY, begunKept(), id, MOST_BEGUN);
  } catch {
    // The disk is full: the patch then stands among those of others, from where it is taken back in one tap.
  }
  told();
}

/**
 * What a tap on undo takes back at this screen: where one screen leads everybody the last tap of all, else the last that
 * was made here. Undefined where there is none, or somebody has gone on from it.
 */
export function useUndoable({ log, record }: Pick<JobView, 'log' | 'record'>): LoggedEntry | undefined {
  const role = useSyncExternalStore(listen, roleKept);
  const tapped = useSyncExternalStore(listen, tappedKept);
  return useMemo(() => {
    if (role === 'all') return record.lastEntry;
    const own = new Set(tapped.split(' '));
    return undoable(log, (id) => own.has(id));
  }, [log, record, role, tapped]);
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
