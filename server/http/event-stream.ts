import type { Response } from 'express';

const KEEP_ALIVE_MS = 20_000;

export interface EventStream {
  /** @param id the place in the stream, where it can be taken up again from there */
  send(event: string, data: unknown, id?: string): void;
  onClose(action: () => void): void;
  end(): void;
}

/**
 * Opens a stream of server-sent events on a response. It ends when the right it was opened with does: that is looked at
 * before anything is sent.
 */
export function openEventStream(response: Response): EventStream {
  response.writeHead(200, {
    'content-type': 'text/event-stream',
    'cache-control': 'no-cache, no-transform',
    connection: 'keep-alive',
  });
  response.write(': open\n\n');
  // Not as an answer ends: that would write the session once more, which may be over by now.
  const hangUp = (): void => {
    if (response.destroyed) return;
    response.write('event: over\ndata: {}\n\n');
    response.socket?.end();
  };
  const mayGoOn = response.locals.mayGoOn as () => boolean;
  const write = (text: string): void => {
    if (response.destroyed) return;
    if (mayGoOn()) response.write(text);
    else hangUp();
  };
  const keepAlive = setInterval(() => write(': still here\n\n'), KEEP_ALIVE_MS);
  response.on('close', () => clearInterval(keepAlive));
  return {
    send: (event, data, id) =>
      write(`${id === undefined ? '' : `id: ${id}\n`}event: ${event}\ndata: ${JSON.stringify(data)}\n\n`),
    end: hangUp,
    onClose: (action) => void response.on('close', action),
  };
}
