import type { Change } from '#formats/job';

type Listener = (change: Change) => void;

/** Tells every open window what has changed, after it has. */
export function changeFeed() {
  const listeners = new Set<Listener>();
  return {
    tell: (change: Change) => listeners.forEach((listener) => listener(change)),
    listen(listener: Listener): () => void {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}
export type ChangeFeed = ReturnType<typeof changeFeed>;
