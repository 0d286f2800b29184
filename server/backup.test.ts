import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import fc from 'fast-check';
import { create } from 'tar';
import { YARD_PEOPLE } from '../demo/people';
import { yardThatMorning } from '../demo/that-morning';
import { keptOf, keptUntil } from './backup/keep';
import { backupName, makeBackup } from './backup/make';
import { DATABASE, looked, MANIFEST } from './backup/manifest';
import { takeOpen, wholeWorkshop, writeOpen } from './backup/open-file';
import { opened } from './backup/read';
import { restoreBackup } from './backup/restore';
import { backUpIfDue, backupsIn } from './backup/scheduled';
import { openDatabase, photoFolder } from './db/open';
import { photoRepository } from './repositories/photos';
import { createServices } from './services';
import { agreeCalendar, loadWorkshop } from './services/sample-workshop';
import { databaseFolder } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
const now = new Date(NOW);
const later = new Date('2027-03-05T08:00:00Z');
const { file, remove } = databaseFolder();
const folder = path.dirname(file);
const at = (...parts: string[]) => path.join(folder, ...parts);
const backup = at('backups', backupName(now));
const air = (id: string) => ({ id, at: NOW, entry: { type: 'air' as const, airC: 20, rhPct: 50, airSpeed: 0.1 } });

let close: () => void;
let services: ReturnType<typeof createServices>;
beforeAll(async () => {
  const { db, close: shut } = openDatabase(file);
  close = shut;
  services = createServices(db, photoFolder(file), () => now);
  loadWorkshop(db, services, yardThatMorning());
  mkdirSync(photoFolder(file), { recursive: true });
  // Two pictures the database knows, one of which somebody has deleted.
  for (const id of ['kept', 'gone'])
    photoRepository(db).add({
      id,
      jobId: 'teal-hatchback',
      role: 'before',
      surface: null,
      mark: null,
      pairOf: null,
      tape: null,
      matched: null,
      note: '',
      widthPx: 1,
      heightPx: 1,
      bytes: 1,
      takenAt: NOW,
    });
  for (const name of ['kept.jpg', 'kept.thumb.jpg']) writeFileSync(path.join(photoFolder(file), name), name);
  await makeBackup(file, photoFolder(file), backup, now);
});
afterAll(() => {
  close();
  remove();
});

test('a workshop that is open is copied whole, its last tap and its pictures too, and put back in an empty place', async () => {
  services.runLog.append('teal-hatchback', air('last-before'));
  const fresh = at('fresh.tar.gz');
  const manifest = await makeBackup(file, photoFolder(file), fresh, now);
  expect(manifest.missing).toEqual(['gone.jpg', 'gone.thumb.jpg']);
  services.runLog.append('teal-hatchback', air('after'));
  const into = at('elsewhere', 'put-back.sqlite');
  const { before } = await restoreBackup(fresh, into, {}, now);
  expect(before).toBeUndefined();
  const { db, close: shut } = openDatabase(into);
  const again = createServices(db, photoFolder(into), () => now);
  const ids = again.runLog.of('teal-hatchback').map(({ id }) => id);
  expect([ids.includes('last-before'), ids.includes('after')]).toEqual([true, false]);
  expect(again.summaries.current().map(({ id }) => id)).toEqual(services.summaries.current().map(({ id }) => id));
  expect(readFileSync(path.join(photoFolder(into), 'kept.jpg'), 'utf8')).toBe('kept.jpg');
  shut();
  // Nothing of the work is left lying about.
  expect(readdirSync(folder).filter((name) => name.startsWith('.'))).toEqual([]);
});

test('it never goes over what is there unasked, nor over newer data without being told twice; what was there is kept', async () => {
  const into = at('busy', 'workshop.sqlite');
  await restoreBackup(backup, into, {}, now);
  await expect(restoreBackup(backup, into, {}, now)).rejects.toThrow(/has 9 jobs in it already.*--over/);
  const { db, close: shut } = openDatabase(into);
  createServices(db, photoFolder(into), () => later).runLog.append('teal-hatchback', air('newer'));
  shut();
  await expect(restoreBackup(backup, into, { over: true }, later)).rejects.toThrow(/was changed .* after this backup/);
  expect(looked(into).lastChange).toBe(later.toISOString());
  const { before } = await restoreBackup(backup, into, { over: true, overNewer: true }, later);
  expect(looked(path.join(before!, 'workshop.sqlite')).lastChange).toBe(later.toISOString());
  expect(existsSync(path.join(before!, 'workshop-pictures', 'kept.jpg'))).toBe(true);
  expect(Date.parse(looked(into).lastChange!)).toBeLessThan(later.getTime());
});

test('what is no backup, not whole, changed, or would write elsewhere is refused, and nothing is left of it', async () => {
  const bad = at('bad.tar.gz');
  const says = (what: RegExp) => expect(restoreBackup(bad, at('bad', 'x.sqlite'), {}, now)).rejects.toThrow(what);
  await expect(restoreBackup(at('nowhere'), at('bad', 'x.sqlite'), {}, now)).rejects.toThrow(/no backup at/);
  writeFileSync(bad, 'Dear owner');
  await says(/cannot be unpacked|no manifest/);
  writeFileSync(bad, readFileSync(backup).subarray(0, 20_000));
  await says(/cannot be unpacked|missing|no manifest/);
  // Packed anew with something else in it.
  const { folder: parts } = await opened(backup, folder);
  const packed = (names: string[]) => create({ file: bad, cwd: parts, gzip: true }, names);
  writeFileSync(path.join(parts, 'pictures', 'kept.jpg'), 'another picture');
  await packed([MANIFEST, DATABASE, 'pictures']);
  await says(/kept\.jpg is not what it was/);
  await packed([MANIFEST]);
  await says(/workshop\.sqlite is missing/);
  const manifest = readFileSync(path.join(parts, MANIFEST), 'utf8');
  writeFileSync(path.join(parts, MANIFEST), manifest.replace('pictures/kept.jpg', '../../etc/passwd'));
  await packed([MANIFEST, DATABASE, 'pictures']);
  await says(/is missing/);
  writeFileSync(path.join(parts, MANIFEST), manifest.replace('glaphyra.copy/1', 'glaphyra.copy/9'));
  await packed([MANIFEST, DATABASE, 'pictures']);
  await says(/no backup this version can read/);
  rmSync(parts, { recursive: true });
  expect(readdirSync(at('bad')).filter((name) => !name.endsWith('-open'))).toEqual([]);
});

test('an older backup is brought up to date, one of a newer version is refused', async () => {
  const migrations = at('migrations');
  cpSync('server/migrations', migrations, { recursive: true });
  const journal = path.join(migrations, 'meta', '_journal.json');
  const known = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { tag: string }[] };
  const until = known.entries.findIndex(({ tag }) => tag === '0025_one_table_of_versions');
  writeFileSync(journal, JSON.stringify({ ...known, entries: known.entries.slice(0, until) }));
  const older = at('older.sqlite');
  openDatabase(older, migrations).close();
  const before = new Database(older);
  before.pragma('foreign_keys = OFF');
  before.exec(`insert into job_versions (job_id, version, draft) values ('launch', 3, '{"bayId":null}')`);
  before.close();
  await makeBackup(older, photoFolder(older), at('older.tar.gz'), now);
  const into = at('updated.sqlite');
  await restoreBackup(at('older.tar.gz'), into, {}, now);
  const updated = new Database(into, { readonly: true });
  const tables = (name: string) =>
    updated.prepare(`select count(*) from sqlite_master where name = ?`).pluck().get(name);
  expect(tables('job_summaries')).toBe(1);
  // Earlier states of a job went with it.
  expect(updated.prepare('select kind, id, version, body from former_versions').all()).toEqual([
    { kind: 'job', id: 'launch', version: 3, body: '{"bayId":null}' },
  ]);
  updated.close();
  const newer = at('newer.sqlite');
  openDatabase(newer).close();
  const ahead = new Database(newer);
  ahead.exec(`insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)`);
  ahead.close();
  await makeBackup(newer, photoFolder(newer), at('newer.tar.gz'), now);
  await expect(restoreBackup(at('newer.tar.gz'), at('never.sqlite'), {}, now)).rejects.toThrow(/newer version/);
  expect(existsSync(at('never.sqlite'))).toBe(false);
});

test('one a day by itself, whatever the clock does; the last of days, weeks and months are kept', async () => {
  const kept = at('by-itself');
  const made = (moment: string) => backUpIfDue(file, photoFolder(file), kept, new Date(moment));
  expect(await made('2027-03-02T10:00:00Z')).toContain('glaphyra-2027-03-02-100000');
  expect(await made('2027-03-02T23:00:00Z')).toBeUndefined();
  expect(await made('2027-03-03T10:00:00Z')).toBeDefined();
  // The clock was put back a year: it goes on all the same.
  expect(await made('2026-03-03T10:00:00Z')).toBeDefined();
  expect(backupsIn(kept)).toHaveLength(3);
  const empty = at('empty.sqlite');
  openDatabase(empty).close();
  expect(await backUpIfDue(empty, photoFolder(empty), at('none'), now)).toBeUndefined();
});

test('until when a backup is kept is the day it is let go of where one is made every day', () => {
  const daysBack = Array.from({ length: 40 }, (_, age) => new Date(now.getTime() - age * 86_400_000));
  for (const index of [0, 3, 6, 9, 20, 39]) {
    const until = keptUntil(daysBack, index, now);
    // Played day by day: is it among the kept still, and when is it first not?
    let made = [...daysBack];
    let gone: Date | undefined;
    for (let day = 1; day <= 400 && !gone; day += 1) {
      made = [new Date(now.getTime() + day * 86_400_000), ...made];
      const kept = keptOf(made);
      if (![...kept].some((each) => made[each]!.getTime() === daysBack[index]!.getTime())) gone = made[0];
      made = made.filter((_, each) => kept.has(each));
    }
    // To the day: backups are made at an hour of it.
    expect([index, Math.abs(until.getTime() - gone!.getTime()) <= 1.5 * 86_400_000]).toEqual([index, true]);
  }
});

test('law: of any backups the latest is kept, no more than there are places for, and a kept one stays kept without those after it', () => {
  const days = fc.uniqueArray(fc.integer({ min: 0, max: 900 }), { minLength: 1, maxLength: 120 });
  fc.assert(
    fc.property(days, (ages) => {
      const times = ages.map((age) => new Date(now.getTime() - age * 86_400_000));
      const kept = keptOf(times);
      expect(kept.has(ages.indexOf(Math.min(...ages)))).toBe(true);
      expect(kept.size).toBeLessThanOrEqual(7 + 5 + 12);
      const left = [...kept].map((index) => times[index]!);
      expect(keptOf(left).size).toBe(left.length);
    }),
  );
});

test('the whole workshop goes out as open files and comes back the same, its pictures and who did what too', async () => {
  const { db, close: shut } = openDatabase(file);
  const out = at('whole.tar.gz');
  await agreeCalendar(services, YARD_PEOPLE);
  const { whole, missing } = await writeOpen(db, photoFolder(file), out, now);
  expect(missing).toEqual(['gone.jpg', 'gone.thumb.jpg']);
  shut();
  const into = at('taken-in', 'workshop.sqlite');
  const taken = openDatabase(into);
  await takeOpen(taken.db, photoFolder(into), out);
  expect(wholeWorkshop(taken.db, now)).toEqual(whole);
  expect(readFileSync(path.join(photoFolder(into), 'kept.jpg'), 'utf8')).toBe('kept.jpg');
  const again = createServices(taken.db, photoFolder(into), () => now);
  expect(await again.summaries.found('', 0)).toEqual(await services.summaries.found('', 0));
  expect(again.stock.list({})).toEqual(services.stock.list({}));
  expect(again.calendar.current().calendar).toEqual(services.calendar.current().calendar);
  // Only into an empty place.
  await expect(takeOpen(taken.db, photoFolder(into), out)).rejects.toThrow(/There are jobs in this workshop already/);
  taken.close();
});

test('an export with a fault is told with its place, and nothing of it is taken in', async () => {
  const { db, close: shut } = openDatabase(file);
  const whole = wholeWorkshop(db, now);
  shut();
  const into = openDatabase(at('faulty', 'workshop.sqlite'));
  const packed = async (content: unknown): Promise<string> => {
    const folderOf = at(`pack-${Math.random()}`);
    mkdirSync(folderOf);
    writeFileSync(
      path.join(folderOf, 'workshop.json'),
      typeof content === 'string' ? content : JSON.stringify(content),
    );
    const to = path.join(folderOf, 'out.tar.gz');
    await create({ file: to, cwd: folderOf, gzip: true }, ['workshop.json']);
    return to;
  };
  const [job, ...others] = whole.jobs;
  for (const [content, says] of [
    ['{', /is not JSON/],
    [{ ...whole, format: 'glaphyra.backup/9' }, /format: expected "glaphyra.backup\/1"/],
    [{ ...whole, jobs: [{ ...job, bayId: 'nowhere' }, ...others] }, /jobs\[0\]\.bayId: there is no bay "nowhere"/],
    [{ ...whole, jobs: [{ ...job, log: [{ id: 'x' }] }] }, /jobs\[0\]\.log\[0\]/],
  ] as const)
    await expect(packed(content).then((from) => takeOpen(into.db, at('faulty', 'pictures'), from))).rejects.toThrow(
      says,
    );
  expect(wholeWorkshop(into.db, now)).toMatchObject({ jobs: [], bays: [], stock: [] });
  into.close();
});
