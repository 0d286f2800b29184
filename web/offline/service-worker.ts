/// <reference lib="webworker" />
/** Opens the application without its server: its files, the page, and what the server last answered. */
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst, type Strategy } from 'workbox-strategies';
import type { WorkboxPlugin } from 'workbox-core';
import { API_CACHE, FROM_DEVICE, isKept, KEPT_AT, PAGE_CACHE, RUNNING } from './kept-answers';

declare const self: ServiceWorkerGlobalScope & {
  readonly __WB_MANIFEST: readonly { url: string; revision: string | null }[];
};

/** A server that has not answered by then is gone as far as a gloved hand is concerned, s. */
const PATIENCE_S = 4;
const KEPT_DAYS = 14;
const IN_THE_BAY = /^\/jobs\/[^/]+\/run$/;
const MOST_ANSWERS = 1500;

precacheAndRoute([...self.__WB_MANIFEST]);
cleanupOutdatedCaches();

// The page is one and the same under every address. It is kept as it came, its own content policy with it.
const page = new NetworkFirst({
  cacheName: PAGE_CACHE,
  networkTimeoutSeconds: PATIENCE_S,
  plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve('/') }],
});
registerRoute(new NavigationRoute((options) => page.handle(options), { denylist: [/^\/api\//] }));

/** What was answered is kept with when that was; told from the device it says so, with its age. */
const answers: Strategy = new NetworkFirst({
  cacheName: API_CACHE,
  networkTimeoutSeconds: PATIENCE_S,
  plugins: [
    {
      cacheWillUpdate: ({ response }) =>
        Promise.resolve(response.status === 200 ? withHeader(response, KEPT_AT, new Date().toISOString()) : null),
      cachedResponseWillBeUsed: ({ cachedResponse }) =>
        Promise.resolve(
          cachedResponse ? withHeader(cachedResponse, FROM_DEVICE, cachedResponse.headers.get(KEPT_AT) ?? '') : null,
        ),
    },
    new ExpirationPlugin({
      maxAgeSeconds: KEPT_DAYS * 86_400,
      maxEntries: MOST_ANSWERS,
      purgeOnQuotaError: true,
    }) as WorkboxPlugin,
  ],
});
registerRoute(
  ({ url, request, sameOrigin }) => sameOrigin && request.method === 'GET' && isKept(url.pathname),
  answers,
);

function withHeader(response: Response, name: string, value: string): Response {
  const headers = new Headers(response.headers);
  headers.set(name, value);
  return new Response(response.body, { status: response.status, statusText: response.statusText, headers });
}

// A new edition waits until somebody takes it, or every window of the old one is shut: never in the middle of a run.
self.addEventListener('message', (event) => {
  if (event.data === 'take-over') event.waitUntil(takeOver(event.source));
});

async function takeOver(asker: ExtendableMessageEvent['source']): Promise<void> {
  const windows = await self.clients.matchAll({ type: 'window', includeUncontrolled: true });
  if (windows.some(({ url }) => IN_THE_BAY.test(new URL(url).pathname))) asker?.postMessage(RUNNING);
  else await self.skipWaiting();
}
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
