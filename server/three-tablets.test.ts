/** Three tablets at one job, an hour of work: each lays and levels its share, taps twice, is refused, comes late; the record is one. */
import { seeded } from '#core/measures';
import { foldLog, patchState, type RunRecord } from '#core/lay/run';
import type { JobRecord } from '#formats/job';
import { type LogEntry, loggedEntries, type NewEntry } from '#formats/log';
import { type RunningServer, startStocked } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const TABLETS = 3;
let server: RunningServer;
beforeAll(async () => {
  server = await startStocked(() => new Date(NOW));
});
afterAll(() => server.stop());

const patchOf = ({ entry }: NewEntry): string => ('patch' in entry ? Object.values(entry.patch).join('/') : entry.type);

/** What a record says, without which entry said it. */
const said = (record: RunRecord) =>
  [...record.patches.values()].map((patch) => [patch.patch, patchState(patch), patch.layStartMin, patch.levelEndMin]);

test.each([1, 2, 3])('seed %i: nothing is lost, nothing is doubled, and all three read the same', async (seed) => {
  const random = seeded(seed);
  const job = `three-${seed}`;
  const { body: pattern } = await server.call<JobRecord>('GET', '/api/jobs/slate-estate');
  const { bayId, airSource, document } = pattern;
  await server.call('PUT', `/api/jobs/${job}`, { bayId, airSource, document }, 0);
  const all = (await server.call<LogEntry[]>('GET', '/api/jobs/slate-estate/log')).body
    .filter(({ id }) => id.startsWith('played-'))
    .map(({ id, at, entry }): NewEntry => ({ id, at, entry }));
  const patches = [...new Set(all.map(patchOf))];
  const shares = Array.from({ length: TABLETS }, (_, tablet) =>
    all.filter((entry) => patches.indexOf(patchOf(entry)) % TABLETS === tablet),
  );

  const refused: number[] = [];
  const send = async (entry: NewEntry) => (await server.call('POST', `/api/jobs/${job}/log`, entry)).status;
  const work = async (share: readonly NewEntry[], tablet: number) => {
    for (const [nth, entry] of share.entries()) {
      // A pause of its own, so that the three meet in every order.
      if (random() < 0.3) await new Promise((resolve) => setTimeout(resolve, 4 * random()));
      expect(await send(entry)).toBe(201);
      // The answer was lost: the same tap is sent once more, and counts once.
      if (random() < 0.2) expect(await send(entry)).toBe(201);
      // A finger on what another tablet has begun already, or on what this one has done.
      if (random() < 0.15) refused.push(await send({ ...share[0]!, id: `again-${tablet}-${nth}` }));
    }
  };
  await Promise.all(shares.map(work));

  const reads = await Promise.all(
    shares.map(async () => (await server.call<LogEntry[]>('GET', `/api/jobs/${job}/log`)).body),
  );
  for (const read of reads) expect(read).toEqual(reads[0]);
  const ids = reads[0]!.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids.toSorted()).toEqual(all.map(({ id }) => id).toSorted());
  expect(refused.length).toBeGreaterThan(3);
  expect(new Set(refused)).toEqual(new Set([409]));
  // The same was done as by one tablet alone.
  const record = (entries: readonly NewEntry[]) => foldLog(loggedEntries(document.startAt, entries));
  const [together, alone] = [record(reads[0]!), record(all)];
  expect(new Set(said(together).map((each) => JSON.stringify(each)))).toEqual(
    new Set(said(alone).map((each) => JSON.stringify(each))),
  );
  expect([...together.patches.values()].every((patch) => patchState(patch) === 'done')).toBe(true);
});
