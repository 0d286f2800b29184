import { type JobDraft, jobDraftSchema } from '#formats/job';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pino from 'pino';
import { createApp } from '../app';
import { openDatabase, photoFolder } from '../db/open';
import { createServices } from '../services';
import { requireAsDescribed } from './contract';

export interface Answer<T = unknown> {
  readonly status: number;
  readonly body: T;
}

/** Asks as a program does; every answer is held against the contract. */
export function client(base: string) {
  return async <T = unknown>(method: string, address: string, body?: unknown, version?: number): Promise<Answer<T>> => {
    const response = await fetch(base + address, {
      method,
      headers: {
        ...(body !== undefined && { 'content-type': 'application/json' }),
        ...(version !== undefined && { 'if-match': `"${version}"` }),
      },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const text = await response.text();
    const answer = text === '' ? undefined : (JSON.parse(text) as unknown);
    requireAsDescribed(method, address, response.status, answer);
    return { status: response.status, body: answer as T };
  };
}

/** The same with what a browser keeps and says of itself: its cookie. */
export function browser(base: string) {
  let cookie = '';
  let lastSet = '';
  return {
    cookie: () => cookie,
    setCookie: (said: string) => void (cookie = said),
    /** As the server set it last, with what it said of it. */
    lastSetCookie: () => lastSet,
    async call<T = unknown>(
      method: string,
      address: string,
      body?: unknown,
      version?: number,
      headers: Readonly<Record<string, string>> = {},
    ): Promise<Answer<T>> {
      const response = await fetch(base + address, {
        method,
        headers: {
          ...(cookie !== '' && { cookie }),
          ...(body !== undefined && { 'content-type': 'application/json' }),
          ...(version !== undefined && { 'if-match': `"${version}"` }),
          ...headers,
        },
        ...(body !== undefined && { body: JSON.stringify(body) }),
      });
      const [set] = response.headers.getSetCookie();
      if (set !== undefined) {
        lastSet = set;
        cookie = set.split(';')[0]!;
      }
      const text = await response.text();
      const isJson = response.headers.get('content-type')?.includes('json') === true;
      const answer = isJson ? (JSON.parse(text) as unknown) : text;
      requireAsDescribed(method, address, response.status, answer);
      return { status: response.status, body: answer as T };
    },
  };
}

/** A folder for a real database file, removed at the end. */
export function databaseFolder() {
  const folder = mkdtempSync(path.join(tmpdir(), 'workshop-'));
  return { file: path.join(folder, 'workshop.sqlite'), remove: () => rmSync(folder, { recursive: true, force: true }) };
}

/** A connection is kept for so long, ms. */
const KEPT_MS = 120_000;

/** The folder of a workshop that was stocked with the whole sample once before the tests. */
export const STOCKED = '.cache/stocked';

/** The same as `startServer`, over a copy of the sample workshop as it stands that morning, with its pictures. */
export function startStocked(now: () => Date) {
  const folder = databaseFolder();
  cpSync(STOCKED, path.dirname(folder.file), { recursive: true });
  return startServer(now, undefined, folder);
}

/** A workshop that is filled once, for tests that each begin with it as it was. */
export function filledOnce(now: () => Date, fill: (server: RunningServer) => unknown) {
  const filled = databaseFolder();
  let isFilled: Promise<void> | undefined;
  return {
    remove: filled.remove,
    async start(): Promise<RunningServer> {
      isFilled ??= (async () => {
        const server = await startServer(now, undefined, { ...filled, remove: () => undefined });
        await fill(server);
        await server.stop();
      })();
      await isFilled;
      const folder = databaseFolder();
      cpSync(path.dirname(filled.file), path.dirname(folder.file), { recursive: true });
      return startServer(now, undefined, folder);
    },
  };
}

/** The real application on a real port over a real file. */
export async function startServer(
  now?: () => Date,
  pictures?: string,
  {
    file,
    remove,
    webFolder = 'no-interface',
  }: ReturnType<typeof databaseFolder> & { webFolder?: string } = databaseFolder(),
) {
  const { db, close } = openDatabase(file);
  const services = createServices(db, pictures ?? photoFolder(file), now);
  const server = createApp({ db, services, log: pino({ level: 'silent' }), webFolder }).listen(0, '127.0.0.1');
  // A machine that is busy with other tests may take longer between two questions than a connection is kept for.
  server.keepAliveTimeout = KEPT_MS;
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  const base = `http://127.0.0.1:${port}`;
  return {
    base,
    db,
    services,
    photoFolder: photoFolder(file),
    call: client(base),
    async stop() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      close();
      remove();
    },
  };
}
export type RunningServer = Awaited<ReturnType<typeof startServer>>;

/** A job that is kept as it would be sent, as a draft: what is sent is read, and refused where it makes no sense. */
export const draftOf = ({
  document,
  bayId,
  airSource,
}: {
  document: unknown;
  bayId: string;
  airSource: string;
}): JobDraft => jobDraftSchema.parse({ document, bayId, airSource });
