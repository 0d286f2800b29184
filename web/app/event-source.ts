/** Asked again this long after it was refused. */
const REFUSED_MS = 3000;

type Handlers = Readonly<Record<string, (data: string) => void>>;

/**
 * Listens to a stream of the server while the page is looked at. A browser keeps only a handful of connections
 * to one server: pages in the background would use them up. A stream whose events have names of their own is taken up
 * where it was left, with what was missed.
 * @param events what to do with each event of the stream, by its name
 * @param onGap called when something may have been missed that nobody can tell any more
 * @returns a function that stops listening
 */
export function listenWhileVisible(url: string, events: Handlers, onGap?: () => void, onLost?: () => void): () => void {
  let source: EventSource | undefined;
  let missed = false;
  let lastId = '';
  let retry: ReturnType<typeof setTimeout> | undefined;
  const open = () => {
    source = new EventSource(lastId === '' ? url : `${url}?since=${encodeURIComponent(lastId)}`);
    const handlers: Handlers = { here: () => undefined, gap: () => onGap?.(), over: () => onGap?.(), ...events };
    for (const [name, handle] of Object.entries(handlers)) {
      source.addEventListener(name, (event) => {
        const { data, lastEventId } = event as MessageEvent<string>;
        lastId = lastEventId || lastId;
        handle(data);
      });
    }
    source.addEventListener('error', () => {
      missed = true;
      onLost?.();
      // A browser asks again by itself where the line broke, but not where it was refused: nobody was in, or it is closed.
      if (source?.readyState === EventSource.CLOSED) {
        close();
        // Whoever was in may be so no more: that is asked at once, not when the stream is tried again.
        onGap?.();
        retry = setTimeout(() => document.visibilityState === 'visible' && !source && open(), REFUSED_MS);
      }
    });
    source.addEventListener('open', () => {
      if (missed && lastId === '') onGap?.();
      missed = false;
    });
  };
  const close = () => {
    source?.close();
    source = undefined;
  };
  const onVisibility = () => {
    if (document.visibilityState === 'visible' && !source) open();
    if (document.visibilityState === 'hidden' && source) {
      close();
      missed = true;
    }
  };
  if (document.visibilityState === 'visible') open();
  document.addEventListener('visibilitychange', onVisibility);
  return () => {
    document.removeEventListener('visibilitychange', onVisibility);
    clearTimeout(retry);
    close();
  };
}
