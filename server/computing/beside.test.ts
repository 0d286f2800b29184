/** The server as it is built: what is computed is so in threads, which read what it has written. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync } from 'node:fs';
import path from 'node:path';
import type { Problem } from '#formats/api';
import { ROUTES, type Route } from '#formats/api';
import type { JobRecord, JobSummary } from '#formats/job';
import { client, databaseFolder, STOCKED } from '../testing/client';

const folder = databaseFolder();
let base: string;
let call: ReturnType<typeof client>;
let server: ReturnType<typeof spawn>;

beforeAll(async () => {
  cpSync(STOCKED, path.dirname(folder.file), { recursive: true });
  const env = { ...process.env, TZ: 'Europe/Berlin', PORT: '0', GLAPHYRA_DB: folder.file };
  server = spawn(process.execPath, ['.cache/bin/server/main.js'], {
    env: { ...env, GLAPHYRA_NOW: '2027-03-02T10:40:00+01:00' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const [first] = (await once(server.stdout!, 'data')) as [Buffer];
  base = /http:\/\/127\.0\.0\.1:\d+/.exec(String(first))![0];
  call = client(base);
});
afterAll(async () => {
  server.kill();
  await once(server, 'exit');
  folder.remove();
});

/** What stands for a parameter in the sample workshop. */
const PARAMS: Readonly<Record<string, string>> = {
  '/api/items/{id}': 'hatchback-of-imke-varga',
  '/api/products/{id}': 'lantern',
  '/api/calendar/{what}': 'bay:bay-1',
  '/api/jobs/{id}': 'teal-hatchback',
};
const addressOf = ({ path: of }: Route): string => {
  const known = Object.entries(PARAMS).find(([start]) => of.startsWith(start));
  return (known ? of.replace(/\{\w+\}/, known[1]) : of).replaceAll(/\{\w+\}/g, 'none');
};

test('every computed question is answered by a thread that cannot write, as its route says', async () => {
  const computed = Object.values<Route>(ROUTES).filter((route) => route.computed && route.method === 'get');
  const faults: string[] = [];
  const found = await Promise.all(
    computed.map(async (route) => {
      const address = `${addressOf(route)}${/recall|methods/.test(route.path) ? '?batch=none&product=lantern' : ''}`;
      const response = await fetch(base + address);
      if (response.status >= 500) faults.push(`${address}: ${response.status} ${await response.text()}`);
      if (response.status !== 200) return 0;
      const media = 'media' in route.answer ? route.answer.media : 'application/json';
      expect([address, response.headers.get('content-type')]).toEqual([address, expect.stringContaining(media)]);
      return (await response.arrayBuffer()).byteLength > 0 ? 1 : 0;
    }),
  );
  expect(faults).toEqual([]);
  // Nothing was ever nested for a roll in the sample: the rest is there.
  expect(found.filter((each) => each === 1).length).toBeGreaterThan(computed.length - 8);
});

test('what was just written is in what is computed next, in the lists and in the paper’s own plan', async () => {
  const { body: job } = await call<JobRecord>('GET', '/api/jobs/satin-tourer');
  for (const title of ['First title', 'Second title', 'Third title']) {
    const { body: standing } = await call<JobRecord>('GET', '/api/jobs/satin-tourer');
    const { document, bayId, airSource } = job;
    const draft = { document: { ...document, title }, bayId, airSource };
    expect((await call('PUT', '/api/jobs/satin-tourer', draft, standing.version)).status).toBe(200);
    const [ics, today] = await Promise.all([
      fetch(`${base}/api/jobs/satin-tourer/calendar.ics`).then((answer) => answer.text()),
      call<JobSummary[]>('GET', '/api/today'),
    ]);
    expect(ics).toContain(title);
    const listed = today.body.find(({ id }) => id === 'satin-tourer')!;
    // It says what it has not worked out yet.
    expect(listed.pending === true || listed.title === title).toBe(true);
  }
});

test('what is light does not wait for what is heavy', async () => {
  const order: string[] = [];
  const ask = (address: string) =>
    fetch(base + address).then(async (answer) => void (await answer.text(), order.push(address)));
  const heavy = ['/api/stock/labels.pdf', '/api/jobs/teal-hatchback/offers.pdf', '/api/jobs/hotel-shuttle/plan'];
  const papers = heavy.map(ask);
  await new Promise((resolve) => setTimeout(resolve, 20));
  for (let nth = 0; nth < 5; nth += 1) await ask('/api/bays');
  await Promise.all(papers);
  expect(order.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => '/api/bays'));
});

test('a body is read beside the server where it is large, and what is wrong with it is said with its place', async () => {
  const { body: job } = await call<JobRecord>('GET', '/api/jobs/hotel-shuttle');
  const { document, bayId, airSource } = job;
  const long = { document: { ...document, title: 't'.repeat(90_000) }, bayId, airSource };
  const { status, body } = await call<Problem>('PUT', '/api/jobs/hotel-shuttle', long, job.version);
  expect([status, body.faults?.some(({ path: at }) => at === 'document.title')]).toEqual([400, true]);
});
