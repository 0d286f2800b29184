import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

const folder = mkdtempSync(path.join(tmpdir(), 'plan-'));
const run = (...args: string[]) =>
  spawnSync(process.execPath, ['.cache/bin/cli/plan.js', ...args], { encoding: 'utf8' });
const SAMPLE = 'demo/jobs/hatchback-front.json';

test('writes the plan to standard output, or whole to a file', () => {
  const { stdout, stderr, status } = run(SAMPLE);
  expect([status, stderr]).toEqual([0, '']);
  expect(JSON.parse(stdout)).toMatchObject({ format: 'glaphyra.plan/2', ready: { meetsNeed: true } });
  const out = path.join(folder, 'plan.json');
  expect(run(SAMPLE, '--out', out).stdout).toBe('');
  expect(readFileSync(out, 'utf8')).toBe(stdout);
});

test('the first edition of the format is written on request', () => {
  expect(JSON.parse(run(SAMPLE, '--as', '1').stdout).format).toBe('glaphyra.plan/1');
  expect(run(SAMPLE, '--as', '3').stderr).toMatch(/^usage:/);
});

test('a valid but unwise job is planned, with its findings, and exits 0', () => {
  const { stdout, status } = run('demo/jobs/launch-topsides.json');
  expect(status).toBe(0);
  expect(JSON.parse(stdout).findings.map(({ code }: { code: string }) => code)).toEqual([
    'not-readable',
    'not-allowed',
  ]);
});

test('a bad file: every fault on standard error, exit 2, nothing written', () => {
  const bad = path.join(folder, 'bad.json');
  const job = JSON.parse(readFileSync(SAMPLE, 'utf8'));
  job.surfaces[0].shape.aMm = -1;
  job.surfaces[1].layers[0].product = 'ghost';
  job.colour = 'teal';
  writeFileSync(bad, JSON.stringify(job));
  const out = path.join(folder, 'never.json');
  const { stdout, stderr, status } = run(bad, '--out', out);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr.trim().split('\n').sort()).toEqual([
    'colour: unknown key',
    'surfaces[0].shape.aMm: expected a positive number',
    'surfaces[1].layers[0].product: no product "ghost" among the products',
  ]);
  expect(existsSync(out)).toBe(false);
  expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
});

test.each([
  [['missing.json'], /missing\.json: ENOENT/],
  [[], /^usage:/],
  [[SAMPLE, '--out'], /^usage:/],
  [[SAMPLE, '--out', '/nowhere/at/all.json'], /ENOENT/],
])('%j', (args, message) => {
  const { stderr, stdout, status } = run(...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(message);
});
