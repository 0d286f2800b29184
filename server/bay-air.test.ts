/** The air of bays, read once for every job: real requests on a real database file. */
import type { BayHistory } from '#formats/bay';
import type { Problem } from '#formats/api';
import type { Bay } from '#formats/job';
import { BAYS, yardAir } from '../demo/bays';
import { localInstant } from './services/moments';
import { type RunningServer, startServer } from './testing/client';

// In this machine's own zone: a bay is heated by the clock on its wall.
const NOW = localInstant(new Date(2027, 2, 2, 10, 40).getTime());
let now = new Date(NOW);
let server: RunningServer;

beforeAll(async () => {
  server = await startServer(() => now);
  for (const { id, ...draft } of BAYS) server.services.bays.put(id, 0, draft);
  for (const { bay, readings } of yardAir(NOW)) server.services.bayAir.begin(bay, readings);
});
beforeEach(() => {
  now = new Date(NOW);
});
afterAll(() => server.stop());

const air = async (bay: string, query = '') =>
  (await server.call<BayHistory>('GET', `/api/bays/${bay}/air${query}`)).body;
const at = (min: number) => new Date(Date.parse(NOW) + min * 60_000).toISOString();
const tell = (readings: readonly object[], source = 'hand', bay = 'bay-1') =>
  server.call<{ added: number } & Problem>('POST', `/api/bays/${bay}/air`, { source, readings });

test('two weeks of a bay: thinned, what cannot be is not believed, and the bay is found again in it', async () => {
  const history = await air('bay-2');
  expect(history).toMatchObject({ doubtful: 2, simulated: true });
  expect(history.count).toBeGreaterThan(900);
  expect(Math.max(...history.buckets.map(({ highC }) => highC))).toBeLessThan(30);
  expect(history.buckets.reduce((sum, { count }) => sum + count, 0)).toBe(history.count - 2);
  expect((await air('bay-2', '?points=40')).buckets.length).toBeLessThanOrEqual(40);
  // It was made colder while heated, warmer at night and slower than somebody typed it in.
  const { climate } = (await server.call<Bay[]>('GET', '/api/bays')).body.find(({ id }) => id === 'bay-2')!;
  const fit = history.fit!;
  expect(Math.abs(fit.openC - climate.openC + 0.7)).toBeLessThan(0.4);
  expect(fit.nightC).toBeGreaterThan(climate.nightC);
  expect(fit.tauMin / climate.tauMin).toBeGreaterThan(1.1);
  expect(fit.rmsK).toBeLessThan(1.2);
});

test('a reading by hand is the last there is, then grows old; a moment is kept once, as it was told first', async () => {
  expect((await tell([{ at: at(0), airC: 17.5, rhPct: 55 }])).body).toEqual({ added: 1 });
  expect((await tell([{ at: at(0), airC: 25, rhPct: 55 }])).body).toEqual({ added: 0 });
  expect((await air('bay-1')).last).toMatchObject({ airC: 17.5, source: 'hand', isStale: false });
  now = new Date(at(120));
  const { last } = await air('bay-1');
  expect(last).toMatchObject({ airC: 17.5, isStale: true });
  expect(last!.ageMin).toBeCloseTo(120, 6);
  expect(last!.spreadK).toBeGreaterThan(1);
  // The instrument is asked again, and says what it says, simulated.
  server.services.bayAir.log();
  expect((await air('bay-1')).last).toMatchObject({ source: 'instrument', isStale: false });
  // Nonsense is kept and told, and the last good one used.
  await tell([{ at: at(119.9), airC: 85, rhPct: 55 }], 'logger');
  const after = await air('bay-1');
  expect([after.doubtful, after.last!.airC < 40]).toEqual([3, true]);
});

test('a logger’s two months go in whole, twice is once, and a bay that goes takes its air along', async () => {
  const { climate } = BAYS[0]!;
  await server.call('PUT', '/api/bays/loft', { name: 'Loft', climate }, 0);
  const readings = Array.from({ length: 20_000 }, (_, nth) => ({
    at: at(-5 * nth - 5),
    airC: 15 + (nth % 7),
    rhPct: 50,
  }));
  expect((await tell(readings, 'logger', 'loft')).body).toEqual({ added: 20_000 });
  expect((await tell(readings.slice(0, 10), 'logger', 'loft')).body).toEqual({ added: 0 });
  const whole = (await server.call<BayHistory>('GET', '/api/bays/loft/air?days=365&points=500')).body;
  expect([whole.count, whole.simulated, whole.buckets.length <= 500]).toEqual([20_000, false, true]);
  expect((await server.call('DELETE', '/api/bays/loft', undefined, 1)).status).toBe(204);
  await server.call('PUT', '/api/bays/loft', { name: 'Loft again', climate }, 0);
  expect((await server.call<BayHistory>('GET', '/api/bays/loft/air')).body.count).toBe(0);
});

test('what makes no sense is refused with its place, and nothing is kept', async () => {
  const before = (await air('bay-1')).count;
  const refused = await tell([
    { at: at(0), airC: 17, rhPct: 50 },
    { at: 'noon', airC: 'warm', rhPct: 50 },
  ]);
  expect(refused.status).toBe(400);
  expect(JSON.stringify(refused.body)).toContain('readings[1].at');
  expect((await tell([])).status).toBe(400);
  expect((await tell([{ at: at(0), airC: 17, rhPct: 50 }], 'instrument')).status).toBe(400);
  expect((await tell([{ at: at(0), airC: 17, rhPct: 50 }], 'hand', 'nowhere')).status).toBe(404);
  expect((await server.call('GET', '/api/bays/nowhere/air')).status).toBe(404);
  expect((await server.call('GET', '/api/bays/bay-2/air?days=0')).status).toBe(400);
  expect((await air('bay-1')).count).toBe(before);
});
