import { randomBytes } from 'node:crypto';
import type { Change } from '#formats/api';

type Listener = (change: Change, id: string) => void;

/** So many of the last changes can be told once more to whoever missed them. */
const REMEMBERED = 500;

/** Tells every open window what has changed, after it has; and what it missed, when it is back. */
export function changeFeed() {
  const listeners = new Map<Listener, (() => void) | undefined>();
  /** Another feed counts anew: what was missed of an earlier one nobody knows. */
  const own = randomBytes(6).toString('hex');
  const recent: Change[] = [];
  let told = 0;
  const idOf = (count: number) => `${own}-${count}`;
  return {
    tell(change: Change): void {
      told += 1;
      recent.push(change);
      if (recent.length > REMEMBERED) recent.shift();
      listeners.forEach((_, listener) => listener(change, idOf(told)));
    },
    /** Where the feed has come to: it is asked from there on later. */
    now: (): string => idOf(told),
    /** What was told after a place; undefined where that is not known any more. */
    since(id: string): readonly Change[] | undefined {
      const [feed, count] = [id.slice(0, own.length), Number(id.slice(own.length + 1))];
      const missed = told - count;
      if (feed !== own || !Number.isInteger(missed) || missed < 0 || missed > recent.length) return undefined;
      return missed === 0 ? [] : recent.slice(-missed);
    },
    /** @param onEnd called where there is nothing more to be told */
    listen(listener: Listener, onEnd?: () => void): () => void {
      listeners.set(listener, onEnd);
      return () => listeners.delete(listener);
    },
    /** The workshop closes: nobody listens any more. */
    end(): void {
      const ends = [...listeners.values()];
      listeners.clear();
      for (const end of ends) end?.();
    },
  };
}
export type ChangeFeed = ReturnType<typeof changeFeed>;
