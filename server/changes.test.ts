/** What changes is told as it changes, and once more to whoever was away; what nobody knows any more is said to be missing. */
import { changeFeed } from './services/changes';
import { type RunningServer, startServer } from './testing/client';

interface Told {
  readonly event: string;
  readonly id: string | undefined;
  readonly data: string;
}

let server: RunningServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

/** Events of a stream up to one of a kind. */
async function toldUntil(last: string, since?: string, byHeader = false): Promise<Told[]> {
  const ended = new AbortController();
  const address = `${server.base}/api/changes${since !== undefined && !byHeader ? `?since=${since}` : ''}`;
  const headers = byHeader && since !== undefined ? { 'last-event-id': since } : {};
  const { body } = await fetch(address, { headers, signal: ended.signal });
  let said = '';
  for await (const chunk of body!) {
    said += Buffer.from(chunk as Uint8Array).toString();
    if (said.includes(`event: ${last}\n`) && said.endsWith('\n\n')) break;
  }
  ended.abort();
  return said
    .split('\n\n')
    .filter((block) => block.includes('event: '))
    .map((block) => ({
      event: /^event: (.*)$/m.exec(block)![1]!,
      id: /^id: (.*)$/m.exec(block)?.[1],
      data: /^data: (.*)$/m.exec(block)![1]!,
    }));
}

test('whoever was away hears what was missed, in its order, and only that', async () => {
  const [here] = await toldUntil('here');
  const missed = ['a', 'b', 'c'].map((id) => ({ kind: 'job' as const, id }));
  missed.forEach(server.services.changes.tell);
  for (const byHeader of [false, true]) {
    const told = await toldUntil('here', here!.id, byHeader);
    expect(told.map(({ event }) => event)).toEqual(['change', 'change', 'change', 'here']);
    expect(told.slice(0, 3).map(({ data }) => JSON.parse(data) as unknown)).toEqual(missed);
    expect(await toldUntil('here', told[3]!.id)).toHaveLength(1);
  }
});

test('what is too long ago, of another start, of the future or no place at all is a gap', async () => {
  const [here] = await toldUntil('here');
  for (let count = 0; count < 501; count += 1) server.services.changes.tell({ kind: 'job', id: 'busy' });
  const [feed, count] = here!.id!.split('-');
  for (const since of [
    here!.id!,
    `${'0'.repeat(12)}-3`,
    `${feed}-${Number(count) + 5000}`,
    `${feed}-x`,
    'nonsense',
    '',
  ])
    expect([since, (await toldUntil('gap', since)).map(({ event }) => event)]).toEqual([since, ['gap']]);
});

test('a feed that ends tells everybody, and nobody is told afterwards', () => {
  const feed = changeFeed();
  const heard: string[] = [];
  feed.listen(
    ({ id }) => heard.push(id),
    () => heard.push('end'),
  );
  feed.tell({ kind: 'job', id: 'a' });
  feed.end();
  feed.tell({ kind: 'job', id: 'b' });
  expect(heard).toEqual(['a', 'end']);
});
