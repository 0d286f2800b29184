import type { Change } from '#formats/job';

type Listener = (change: Change) => void;

/** Tells every open window what has changed, after it has. */
export function changeFeed() {
  const listeners = new Map<Listener, (() => void) | undefined>();
  return {
    tell: (change: Change) => listeners.forEach((_, listener) => listener(change)),
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
