import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdirSync, readFileSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { holdAlone } from './db/alone';
import { openDatabase, photoFolder } from './db/open';
import { closeToOthers } from './db/private';
import { databaseFolder } from './testing/client';

const ROOT = process.cwd();

/** What a start says, and how it ends, where it is not to succeed. */
async function refusedStart(env: Record<string, string>, cwd = ROOT): Promise<string> {
  const child = spawn(process.execPath, [path.join(ROOT, '.cache/bin/server/main.js')], {
    cwd,
    env: { ...process.env, PORT: '0', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
  const giveUp = setTimeout(() => child.kill('SIGKILL'), 30_000);
  const [code] = (await once(child, 'exit')) as [number | null];
  clearTimeout(giveUp);
  expect({ code, said }).toEqual({ code: 1, said: expect.stringMatching(/^\{.*\}\n$/) });
  return (JSON.parse(said) as { msg: string }).msg;
}

test('a proxy before a workshop nobody owns is not started: whoever came through it could', async () => {
  const { file, remove } = databaseFolder();
  expect(await refusedStart({ GLAPHYRA_DB: file, GLAPHYRA_PROXY: 'https://yard.example' })).toMatch(
    /^GLAPHYRA_PROXY is set, and nobody owns this workshop yet.* make the owner’s account, then set it/,
  );
  remove();
});

describe('a start that cannot be says why in a sentence, and writes nothing', () => {
  const { file, remove } = databaseFolder();
  afterAll(remove);
  const beside = (name: string) => path.join(path.dirname(file), name);

  test('a port that is none, or is taken', async () => {
    expect(await refusedStart({ GLAPHYRA_DB: file, PORT: 'eighty' })).toMatch(
      /^PORT is "eighty"; set it to a whole number/,
    );
    const other = createServer().listen(0, '127.0.0.1');
    await once(other, 'listening');
    const { port } = other.address() as AddressInfo;
    expect(await refusedStart({ GLAPHYRA_DB: file, PORT: String(port) })).toMatch(
      /is taken; is the workshop open already/,
    );
    other.close();
    expect(() => readFileSync(file)).toThrow(/ENOENT/);
  });

  test('a file of something else, a folder, a damaged one, one of a newer version', async () => {
    const text = beside('letter.sqlite');
    writeFileSync(text, 'Dear owner, '.repeat(500));
    const folder = beside('folder.sqlite');
    mkdirSync(folder);
    const foreign = beside('foreign.sqlite');
    new Database(foreign).exec('create table songs (id text)').close();
    const newer = beside('newer.sqlite');
    openDatabase(newer).close();
    const later = new Database(newer);
    later.exec(`insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)`);
    later.close();
    const damaged = beside('damaged.sqlite');
    openDatabase(damaged).close();
    truncateSync(damaged, 9000);
    for (const [at, says] of [
      [text, /is no database; move it away/],
      [folder, /is a folder; set GLAPHYRA_DB/],
      [path.join(text, 'inside.sqlite'), /is a file, so nothing can be kept under it/],
      [foreign, /is a database of something else/],
      [newer, /was written by a newer version/],
      [damaged, /Put back a copy/],
    ] as const) {
      const before = at === folder || at.startsWith(text + path.sep) ? undefined : readFileSync(at);
      expect(await refusedStart({ GLAPHYRA_DB: at })).toMatch(says);
      if (before) expect(readFileSync(at).equals(before)).toBe(true);
    }
  });

  test('one server at a time: the second says so, and the first one’s end lets the next in', async () => {
    const shared = beside('shared.sqlite');
    const letGo = holdAlone(shared);
    expect(await refusedStart({ GLAPHYRA_DB: shared })).toMatch(/is open in another server: one at a time/);
    // Killed, it has let go: nothing is left to be cleaned up.
    const script = `const D = require('better-sqlite3'); const l = new D(${JSON.stringify(`${beside('killed.sqlite')}-open`)}); l.pragma('locking_mode = EXCLUSIVE'); l.exec('BEGIN EXCLUSIVE'); console.log('held'); setInterval(() => {}, 1000)`;
    const child = spawn(process.execPath, ['-e', script], { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] });
    await once(child.stdout, 'data');
    expect(() => holdAlone(beside('killed.sqlite'))).toThrow(/one at a time/);
    child.kill('SIGKILL');
    await once(child, 'exit');
    holdAlone(beside('killed.sqlite'))();
    letGo();
  });

  test('database and pictures are for their owner alone, those an earlier edition left open too', () => {
    const open = beside('open.sqlite');
    openDatabase(open).close();
    const folder = photoFolder(open);
    mkdirSync(path.join(folder, 'aside'), { recursive: true });
    const picture = path.join(folder, 'aside', 'a.jpg');
    writeFileSync(picture, 'x');
    for (const [at, mode] of [
      [open, 0o644],
      [folder, 0o755],
      [picture, 0o644],
    ] as const)
      chmodSync(at, mode);
    closeToOthers(open, folder);
    const modes = [open, folder, path.join(folder, 'aside'), picture].map((at) =>
      (statSync(at).mode & 0o777).toString(8),
    );
    expect(modes).toEqual(['600', '700', '700', '600']);
  });

  test('it starts from any folder', async () => {
    expect(await refusedStart({ GLAPHYRA_DB: beside('letter.sqlite') }, tmpdir())).toMatch(/is no database/);
  });
});
