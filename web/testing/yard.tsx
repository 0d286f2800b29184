/** A station as the browser shows it, over the sample workshop, without a server: what is asked is answered from memory. */
import { act, configure, render, screen } from '@testing-library/react';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import type { JobRecord } from '#formats/job';
import type { LogEntry, NewEntry } from '#formats/log';
import { parted } from '#formats/shelf';
import { yardThatMorning } from '../../demo/that-morning';
import { api } from '../app/api';
import { router } from '../app/router';
import { store } from '../app/store';
import { NO_ACCOUNTS } from '../people/known';

// What is waited for may take longer on a machine that is busy with other tests.
configure({ asyncUtilTimeout: 15_000 });

export const NOW = '2027-03-02T10:40:00+01:00';
export const yard = yardThatMorning();

export interface Call {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
  /** The version an edit was based on, where it says one. */
  readonly version?: number;
  /** The turn it was tapped in, where it says one. */
  readonly turn?: string;
}

/** The jobs as they stand in memory, everything that was asked for, and a switch that cuts the line. */
export const server = {
  jobs: new Map<string, JobRecord>(),
  logs: new Map<string, LogEntry[]>(),
  calls: [] as Call[],
  down: false,
  /** What it takes a write to be answered. */
  slowness: Promise.resolve(),
  /** Answers instead of the server, where a test wants it to. */
  instead: undefined as ((call: Call) => Response | undefined) | undefined,
  reset() {
    this.down = false;
    this.slowness = Promise.resolve();
    this.calls = [];
    this.instead = undefined;
    for (const { id, draft, log } of yard.jobs) {
      this.jobs.set(id, { ...structuredClone(draft), id, version: 1, createdAt: NOW, updatedAt: NOW });
      this.logs.set(
        id,
        log.map((entry, index) => ({ ...entry, seq: index + 1, recordedAt: entry.at })),
      );
    }
  },
};

/** What was bought, kind by kind, as if nothing of it had been used. */
const IN_STOCK = yard.stock.flatMap(({ entry }) =>
  entry.type === 'bought' ? [{ ...entry.as, name: entry.as.of, things: 1, good: entry.as.size, past: 0 }] : [],
);

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });

function answer({ method, path, body, version }: Call): Response {
  const [, , what, id, part] = path.split('/');
  if (what === 'me') return json(NO_ACCOUNTS);
  if (what === 'names') return json([]);
  if (what === 'bays') return json(yard.bays.map((bay) => ({ ...bay, version: 1 })));
  if (what === 'yard') return json({ at: NOW, simulated: true, hours: [], monthMeansC: Array<number>(12).fill(9) });
  if (part === 'lasted') return json({ items: 0, factor: 1, low: 0.8, high: 1.25, says: 'too-few', of: [], seen: [] });
  if (part === 'cues') return json({ factor: 1, sigma: 0.2, jobs: [] });
  if (what === 'products')
    return json(yard.shelf.map((product) => ({ id: product.id, version: 1, updatedAt: NOW, ...parted(product) })));
  if (what === 'learned-hands') return json([]);
  if (what === 'learned-preparation') return json({ hours: {}, uses: [], shares: [] });
  if (what === 'kit') return json(yard.kit.map((entry) => ({ id: entry.id, version: 1, entry })));
  if (what === 'offers') return json(yard.offers.map((offer) => ({ id: offer.id, version: 1, offer })));
  if (what === 'today') return json([]);
  if (what === 'items' || (what === 'jobs' && id === undefined)) return json({ rows: [], found: 0 });
  if (what === 'templates') return json([]);
  if (path.endsWith('/stock/reorder')) return json([]);
  if (what === 'stock') return json({ rows: [], found: 0, totals: IN_STOCK });
  if (part === 'stock')
    return json({ cut: [], kinds: [], cost: { laid: 0, thrownAway: 0, unpriced: 0, bySurface: [] } });
  if (part === 'ticks' || part === 'methods') return json([]);
  if (part === 'photos' || part === 'earlier-pairs') return json([]);
  const job = server.jobs.get(id ?? '');
  if (!job)
    return json(
      { type: '/problems/not-found', title: 'Not found', status: 404, detail: `There is no job "${id}".` },
      404,
    );
  if (part === 'log') {
    const log = server.logs.get(job.id)!;
    if (method === 'GET') return json(log);
    const known = log.find((entry) => entry.id === (body as NewEntry).id);
    const stored = known ?? { ...(body as NewEntry), seq: log.length + 1, recordedAt: NOW };
    if (!known) log.push(stored);
    return json(stored, 201);
  }
  if (method === 'PUT') {
    if (version !== undefined && version !== job.version) {
      const stale = { type: '/problems/stale-write', title: 'Changed', status: 412, version: job.version, changed: [] };
      return json(stale, 412);
    }
    server.jobs.set(job.id, { ...job, ...(body as JobRecord), version: job.version + 1 });
  }
  return json(server.jobs.get(job.id));
}

/** Puts the memory in the place of the network. */
export function cutInServer(): void {
  globalThis.fetch = async (input, init) => {
    const request = input instanceof Request ? input : new Request(input, init);
    const text = await request.clone().text();
    const based = request.headers.get('if-match');
    const turn = request.headers.get('glaphyra-turn');
    const call = {
      method: request.method,
      path: new URL(request.url).pathname,
      body: text ? (JSON.parse(text) as unknown) : undefined,
      ...(based && { version: Number(based.replaceAll('"', '')) }),
      ...(turn !== null && { turn }),
    };
    server.calls.push(call);
    if (server.down) throw new TypeError('the network is gone');
    if (call.method === 'PUT') await server.slowness;
    return server.instead?.(call) ?? answer(call);
  };
}

/** Opens an address of the application, afresh. */
export async function open(address: string) {
  act(() => void store.dispatch(api.util.resetApiState()));
  const memory = createMemoryRouter(router.routes, { initialEntries: [address] });
  const view = render(
    <Provider store={store}>
      <RouterProvider router={memory} />
    </Provider>,
  );
  await screen.findByRole('heading', { level: 1 }, { timeout: 20_000 });
  return { ...view, memory };
}
