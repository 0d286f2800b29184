/** Clocks that are wrong: a tablet's, or the server's after it was set back. Every tap is taken, and both times are kept. */
import type { LogEntry } from '#formats/log';
import { browser, type RunningServer, startStocked } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const NOW_MS = Date.parse(NOW);
const MIN = 60_000;
let serverMs = NOW_MS;
let server: RunningServer;
let tablet: ReturnType<typeof browser>;
beforeEach(async () => {
  serverMs = NOW_MS;
  server = await startStocked(() => new Date(serverMs));
  tablet = browser(server.base);
});
afterEach(() => server.stop());

let nth = 0;
/** Read by a tablet that takes it to be `deviceMs` when it sends, and `at` when it was read. */
async function tapped(at: number, deviceMs: number): Promise<{ status: number; body: LogEntry }> {
  nth += 1;
  const entry = {
    id: `air-${nth}`,
    at: new Date(at).toISOString(),
    entry: { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 },
  };
  return tablet.call<LogEntry>('POST', '/api/jobs/hotel-shuttle/log', entry, undefined, {
    'glaphyra-turn': 'none',
    'glaphyra-clock': new Date(deviceMs).toISOString(),
  });
}
const atOf = ({ body }: { body: LogEntry }) => Date.parse(body.at) - NOW_MS;

test('a tablet that is three hours ahead, or a day behind: what it says is put on the workshop’s clock, and kept', async () => {
  for (const wrongMs of [3 * 60 * MIN, -24 * 60 * MIN]) {
    // Tapped twenty minutes before it was sent.
    const answer = await tapped(NOW_MS + wrongMs - 20 * MIN, NOW_MS + wrongMs);
    expect([answer.status, atOf(answer)]).toEqual([201, -20 * MIN]);
    expect(Date.parse(answer.body.deviceAt!)).toBe(NOW_MS + wrongMs - 20 * MIN);
    expect(Date.parse(answer.body.recordedAt)).toBe(NOW_MS);
  }
});

test('a slip of a clock is nobody’s matter: the time stays as it was tapped', async () => {
  for (const slipMs of [4 * MIN, -14 * MIN]) {
    const answer = await tapped(NOW_MS + slipMs, NOW_MS + slipMs);
    expect([answer.status, atOf(answer), answer.body.deviceAt]).toEqual([201, slipMs, undefined]);
  }
});

test('the server’s clock set back by a day: seventy taps of tablets that are right are taken with their own times', async () => {
  expect((await tapped(NOW_MS, NOW_MS)).status).toBe(201);
  serverMs = NOW_MS - 24 * 60 * MIN;
  const answers = [];
  for (let count = 1; count <= 70; count += 1) answers.push(await tapped(NOW_MS + count * MIN, NOW_MS + count * MIN));
  expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 201));
  expect(answers.map(atOf)).toEqual(answers.map((_, index) => (index + 1) * MIN));
  // Both times: when it was done, and when this machine believes it recorded it.
  expect(answers.every(({ body }) => Date.parse(body.recordedAt) === serverMs)).toBe(true);
  const { body: log } = await tablet.call<LogEntry[]>('GET', '/api/jobs/hotel-shuttle/log');
  expect(log.slice(-70).map(({ id }) => id)).toEqual(answers.map(({ body }) => body.id));
});

test('each answer says what the server takes it to be', async () => {
  const response = await fetch(`${server.base}/api/me`);
  expect(Date.parse(response.headers.get('glaphyra-clock')!)).toBe(serverMs);
});

test('what never says its clock is held against the server’s, as before', async () => {
  const entry = {
    id: 'late',
    at: new Date(NOW_MS + 60 * MIN).toISOString(),
    entry: { type: 'air', airC: 20, rhPct: 50, airSpeed: 0.1 },
  };
  expect((await tablet.call('POST', '/api/jobs/hotel-shuttle/log', entry)).status).toBe(409);
});
