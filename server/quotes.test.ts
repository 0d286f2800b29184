/** What a quote is worked out with: the shop's sheets and offers as they stand now, and what its jobs have taught. */
import type { Job } from '#formats/job';
import { type RunningServer, startStocked } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(NOW));
});
afterAll(() => server.stop());

const documentOf = (id: string): Job => server.services.jobs.get(id).document;
const quotes = () => server.services.quotes.offersOn(server.services.jobs.get('teal-hatchback')).quotes;
const hours = () => quotes().map(({ price }) => price.hours);
const totals = () => quotes().map(({ price }) => price.totalMoney);

/** A tap at a job, so many minutes after it starts, over the door every tablet uses. */
async function tapped(id: string, minute: number, entry: object): Promise<void> {
  const at = new Date(Date.parse(documentOf('marrow-launch').startAt) + minute * 60_000).toISOString();
  expect((await server.call('POST', '/api/jobs/marrow-launch/log', { id, at, entry })).status).toBe(201);
}
const stage = { kind: 'wash', round: 1 };

test('every offer of the shop is quoted, on every job there is', () => {
  const offers = server.services.offers.all().map(({ id }) => id);
  for (const { id } of server.services.summaries.current()) {
    const { quotes: all } = server.services.quotes.offersOn(server.services.jobs.get(id));
    expect([id, all.map(({ offer }) => offer.id)]).toEqual([id, offers]);
  }
});

test('a wash that takes longer than planned makes the next quote longer and dearer; undone it teaches nothing, and a quicker one makes it shorter', async () => {
  const [before, money] = [hours(), totals()];
  await tapped('begun', 0, { type: 'stage-start', stage, predictedMin: 10 });
  expect(hours()).toEqual(before);
  await tapped('slow', 30, { type: 'stage-end', stage });
  for (const [index, longer] of hours().entries()) expect(longer).toBeGreaterThan(before[index]!);
  for (const [index, total] of totals().entries()) expect(total).toBeGreaterThan(money[index]!);
  await tapped('back', 31, { type: 'undo', entry: 'slow' });
  expect([hours(), totals()]).toEqual([before, money]);
  await tapped('quick', 4, { type: 'stage-end', stage });
  for (const [index, shorter] of hours().entries()) expect(shorter).toBeLessThan(before[index]!);
});

test('a sheet that leaves the shelf is quoted no more, and the offer says what it misses', () => {
  const offer = server.services.offers.all()[0]!;
  const { product } = offer.offer.lines.flatMap(({ layers }) => layers)[0]!;
  const { version } = server.services.shelf.all().find(({ id }) => id === product)!;
  server.services.shelf.remove(product, version);
  const quote = quotes().find(({ offer: { id } }) => id === offer.id)!;
  const laid = quote.applied.flatMap(({ layers }) => layers.map((layer) => layer.product));
  expect(laid).not.toContain(product);
  expect(quote.applied.map(({ adapted }) => adapted ?? '').join()).toContain(`"${product}" is no longer on the shelf`);
});
