/** The commands against files as they really come: of another program, cut short, saved oddly, in the way. */
import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

// Each run starts a process; the machine may be busy with a browser.

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'hostile-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const run = (command: 'plan' | 'choose', ...args: string[]) =>
  spawnSync(process.execPath, [`.cache/bin/cli/${command}.js`, ...args], { encoding: 'utf8' });
const kept = (name: string, content: string | Uint8Array) => {
  const file = path.join(folder, name);
  writeFileSync(file, content);
  return file;
};
const SAMPLE = readFileSync('demo/jobs/hatchback-front.json', 'utf8');

test('a byte order mark and line ends of another system change nothing', () => {
  const plain = run('plan', kept('plain.json', SAMPLE));
  const odd = run('plan', kept('odd.json', `\uFEFF${SAMPLE.replaceAll('\n', '\r\n')}`));
  expect([odd.status, odd.stderr]).toEqual([0, '']);
  expect(odd.stdout).toBe(plain.stdout);
});

test.each<[string, string | Uint8Array]>([
  ['empty.json', ''],
  ['cut.json', SAMPLE.slice(0, SAMPLE.length / 2)],
  ['twice.json', SAMPLE + SAMPLE],
  ['picture.json', Uint8Array.from({ length: 512 }, (_, at) => (at * 37) % 256)],
  ['list.json', '[]'],
  ['null.json', 'null'],
  ['number.json', '1e999'],
  ['deep.json', '['.repeat(50_000)],
  ['proto.json', '{"__proto__":{"format":"glaphyra.job/1"}}'],
])('%s is refused in lines a person can read, by either command', (name, content) => {
  const file = kept(name, content);
  // They read by one reader: the slower one is asked about two files only.
  const commands = ['empty.json', 'list.json'].includes(name) ? (['plan', 'choose'] as const) : (['plan'] as const);
  for (const command of commands) {
    const { status, stdout, stderr } = run(command, file);
    expect([command, status, stdout]).toEqual([command, 2, '']);
    expect(stderr.trim()).not.toBe('');
    expect(stderr).not.toMatch(/^\s+at /m);
    expect(stderr.length).toBeLessThan(5000);
  }
});

test('what stands at the place of the answer stays as it was when the answer cannot be given', () => {
  const out = kept('standing.json', 'what stood here');
  const { status } = run('plan', kept('broken.json', SAMPLE.replace('1400', '-1400')), '--out', out);
  expect([status, readFileSync(out, 'utf8')]).toEqual([2, 'what stood here']);
});

test('an answer that cannot be put down says where, and leaves no half of itself', () => {
  const inTheWay = path.join(folder, 'a-folder');
  mkdirSync(inTheWay, { recursive: true });
  const { status, stderr } = run('plan', kept('job.json', SAMPLE), '--out', inTheWay);
  expect([status, stderr]).toEqual([2, expect.stringContaining('a-folder')]);
  expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  expect(existsSync(inTheWay)).toBe(true);
});

test('a folder, or a file nobody may read, is no job', () => {
  expect(run('plan', folder)).toMatchObject({ status: 2, stdout: '', stderr: expect.stringContaining('EISDIR') });
  const locked = kept('locked.json', SAMPLE);
  chmodSync(locked, 0o000);
  const { status, stderr } = run('plan', locked);
  // Whoever may do anything may read it all the same.
  if (process.getuid?.() === 0) expect(status).toBe(0);
  else expect([status, stderr]).toEqual([2, expect.stringContaining('EACCES')]);
});

test('more files than one, or an unknown option, is answered with the usage', () => {
  const file = kept('one.json', SAMPLE);
  for (const args of [[file, file], ['--help'], ['--out', file], [file, '--out']]) {
    const { status, stdout, stderr } = run('plan', ...args);
    expect([args.length, status, stdout]).toEqual([args.length, 2, '']);
    expect(stderr).toMatch(/^usage: /);
  }
});

test('the same file gives the same answer, byte for byte', () => {
  const file = kept('same.json', SAMPLE);
  const [first, second] = [run('plan', file), run('plan', file)];
  expect(second.stdout).toBe(first.stdout);
  expect(JSON.parse(first.stdout)).toMatchObject({ format: 'glaphyra.plan/2' });
});
