import type { AppDispatch } from '../app/state';
import { API_CACHE, RUNNING } from './kept-answers';
import { editionCame } from './slice';

let waiting: ServiceWorker | undefined;

/** Makes the application open without its server. A new edition is told, and waits until it is taken. */
export async function installOffline(dispatch: AppDispatch): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  try {
    const registration = await navigator.serviceWorker.register('/service-worker.js');
    const came = (worker: ServiceWorker | null) => {
      // The first one is no new edition.
      if (!worker || !navigator.serviceWorker.controller) return;
      waiting = worker;
      dispatch(editionCame());
    };
    came(registration.waiting);
    registration.addEventListener('updatefound', () => {
      const worker = registration.installing;
      worker?.addEventListener('statechange', () => worker.state === 'installed' && came(worker));
    });
  } catch {
    // A browser that lets nothing be installed works with its server.
  }
}

/**
 * Opens the page anew in the edition that waits.
 * @param onRunning called where it goes on waiting: a run is open in some window of this device
 */
export function takeNewEdition(onRunning: () => void): void {
  navigator.serviceWorker.onmessage = ({ data }) => data === RUNNING && onRunning();

  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
  waiting?.postMessage('take-over');
}

/** Forgets what the server answered: whoever comes next on this device is another. */
export const forgetAnswers = async (): Promise<void> => {
  if ('caches' in globalThis) await caches.delete(API_CACHE).catch(() => undefined);
};
