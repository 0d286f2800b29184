/** Film cut off a roll in stock: real requests on a real database file. */
import { offcutsOf } from '#core/film/cut-plan';
import { polygonAreaM2 } from '#core/item/geometry';
import { readOutlinesDxf } from '#formats/drawings/dxf';
import type { Problem } from '#formats/api';
import type { JobRecord } from '#formats/job';
import type { StockList, StockThingView } from '#formats/stock';
import { jobCuts } from '#job/film';
import { yardThatMorning } from '../demo/that-morning';
import { type RunningServer, startServer } from './testing/client';
import { readPaper } from './testing/read-paper';

const NOW = '2027-03-02T10:40:00+01:00';
const { draft } = yardThatMorning().jobs.find(({ id }) => id === 'moss-saloon')!;
const [CUT] = jobCuts(draft.document);
let server: RunningServer;
let call: RunningServer['call'];

beforeEach(async () => {
  server = await startServer(() => new Date(NOW));
  ({ call } = server);
  const bay = yardThatMorning().bays.find(({ id }) => id === 'bay-2')!;
  const { id, ...rest } = bay;
  await call('PUT', `/api/bays/${id}`, rest, 0);
  for (const sheet of draft.document.products)
    await call('PUT', `/api/products/${sheet.id}`, { ...sheet, onHand: 0 }, 0);
  await call<JobRecord>('PUT', '/api/jobs/saloon', draft, 0);
});
afterEach(() => server.stop());

let named = 0;
const roll = (size: number, thing = 'pilot-film-1') =>
  call('POST', '/api/stock/log', {
    id: `n${++named}`,
    at: NOW,
    entry: {
      type: 'bought',
      thing,
      as: { kind: 'product', of: 'pilot-film', size, unit: 'm2', batch: 'F-1', paid: 100_000, rollMm: 1524 },
    },
  });
const cut = () => call<Problem>('POST', '/api/jobs/saloon/film/pilot-film/1/cut');
const left = async (id: string) => (await call<StockThingView>('GET', `/api/stock/things/${id}`)).body.row;

test('a cut draws its whole length, shares it among the panels and takes its offcuts in; it is cut once', async () => {
  await roll(20);
  expect((await cut()).status).toBe(204);
  const drawn = (CUT!.plan.lengthMm * 1524) / 1e6;
  expect((await left('pilot-film-1')).remaining).toBeCloseTo(20 - drawn, 6);
  const { body: list } = await call<StockList>('GET', '/api/stock?state=all');
  const offcuts = list.rows.filter(({ place }) => place === 'Offcuts');
  expect(offcuts.map(({ size }) => size.toFixed(6)).sort()).toEqual(
    offcutsOf(CUT!.plan)
      .map(({ areaM2 }) => areaM2.toFixed(6))
      .sort(),
  );
  for (const { batch, rollMm } of offcuts) expect([batch, rollMm! > 0]).toEqual(['F-1', true]);
  const again = await cut();
  expect([again.status, again.body.detail]).toEqual([409, expect.stringContaining('cut for the job already')]);
  expect((await left('pilot-film-1')).remaining).toBeCloseTo(20 - drawn, 6);
  const { body: found } = await call<{ cost: { laid: number } }>('GET', '/api/jobs/saloon/stock');
  expect(found.cost.laid).toBeCloseTo((drawn / 20) * 100_000, 0);
});
test('a roll that holds less, or is gone, is refused and nothing is drawn', async () => {
  expect((await cut()).body.detail).toContain('not in stock any more');
  await roll(1);
  expect((await cut()).body.detail).toContain('do not lie clear any more');
  expect((await left('pilot-film-1')).remaining).toBe(1);
});
test('a flaw found since under what is nested is told before anything is cut', async () => {
  await roll(20);
  const flaw = { type: 'flawed', thing: 'pilot-film-1', fromMm: 0, toMm: 300, lowMm: 0, highMm: 1524 };
  await call('POST', '/api/stock/log', { id: 'flaw', at: NOW, entry: flaw });
  const { status, body } = await cut();
  expect([status, body.detail]).toEqual([409, expect.stringContaining('do not lie clear any more')]);
  expect((await left('pilot-film-1')).remaining).toBe(20);
});
test('the cut plan goes out as it lies: DXF that is read again, SVG, and paper with every piece', async () => {
  const dxf = await (await fetch(`${server.base}/api/jobs/saloon/film/pilot-film/1.dxf`)).text();
  const areas = readOutlinesDxf(dxf).outlines.map(({ pointsMm }) => polygonAreaM2(pointsMm));
  for (const { outline } of CUT!.plan.pieces)
    expect(Math.min(...areas.map((area) => Math.abs(area - polygonAreaM2(outline))))).toBeLessThan(1e-3);
  const svg = await (await fetch(`${server.base}/api/jobs/saloon/film/pilot-film/1.svg`)).text();
  expect(svg.match(/<path id="[^"]+\/\d+"/g)).toHaveLength(CUT!.plan.pieces.length);
  const pdf = new Uint8Array(await (await fetch(`${server.base}/api/jobs/saloon/film/pilot-film/1.pdf`)).arrayBuffer());
  const text = readPaper(pdf).join(' ');
  for (const { label } of CUT!.plan.pieces) expect(text).toContain(label);
  expect((await fetch(`${server.base}/api/jobs/saloon/film/pilot-film/2.pdf`)).status).toBe(404);
});
