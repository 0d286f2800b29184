import type { Response } from 'express';

const KEEP_ALIVE_MS = 20_000;

export interface EventStream {
  send(event: string, data: unknown): void;
  onClose(action: () => void): void;
  end(): void;
}

/** Opens a stream of server-sent events on a response. */
export function openEventStream(response: Response): EventStream {
  response.writeHead(200, {
    'content-type': 'text/event-stream',
    'cache-control': 'no-cache, no-transform',
    connection: 'keep-alive',
  });
  response.write(': open\n\n');
  const keepAlive = setInterval(() => response.write(': still here\n\n'), KEEP_ALIVE_MS);
  response.on('close', () => clearInterval(keepAlive));
  return {
    send: (event, data) => void response.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`),
    end: () => void response.end(),
    onClose: (action) => void response.on('close', action),
  };
}
