import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type JobInput, type RunsheetFile, runsheetSchema } from '#formats/job';
import { DEMO_SHELF } from '../demo/shelf';

const folder = mkdtempSync(path.join(tmpdir(), 'runsheet-'));
const run = (job: unknown, ...more: string[]) => {
  const at = path.join(folder, 'job.json');
  writeFileSync(at, JSON.stringify(job));
  return spawnSync(process.execPath, ['.cache/bin/cli/runsheet.js', at, ...more], { encoding: 'utf8' });
};
const panel = (id: string, areaM2: number, more: object = {}) => ({
  id,
  substrate: 'clear-gloss' as const,
  shape: { kind: 'area' as const, areaM2 },
  layers: [{ product: 'ledger-base' }],
  ...more,
});
const job: JobInput = {
  format: 'glaphyra.job/1',
  title: 'Three panels',
  startAt: '2027-03-02T08:30:00+01:00',
  surfaces: [
    panel('roof', 1.6),
    panel('door', 0.7, { count: 2, follows: ['roof'] }),
    panel('pane', 1, { substrate: 'glass' }),
  ],
  products: DEMO_SHELF.filter(({ id }) => id === 'ledger-base'),
  ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
  crew: {
    mode: 'solo',
    layM2PerMin: 0.45,
    levelM2PerMin: 0.5,
    people: [
      { id: 'nour', hours: [['2027-03-02T08:00:00+01:00', '2027-03-02T12:00:00+01:00']] },
      { id: 'ivo', does: ['level'], levelM2PerMin: 0.4 },
      { id: 'away', hours: [] },
    ],
  },
};

test('a job in, every action out: who, what, when, how old; the door after the roof, the glass refused', () => {
  const { status, stdout, stderr } = run(job);
  expect([status, stderr]).toEqual([0, '']);
  const sheet: RunsheetFile = runsheetSchema.parse(JSON.parse(stdout));
  const on = (surface: string) => sheet.actions.filter((action) => action.surface === surface);
  expect(on('door')[0]!.from >= on('roof').at(-1)!.to).toBe(true);
  expect(new Set(on('door').map(({ copy }) => copy))).toEqual(new Set([1, 2]));
  expect(on('pane')).toEqual([]);
  expect(sheet.refused).toEqual([{ surface: 'pane', layer: 0, coat: 1, code: 'not-allowed' }]);
  expect(Object.keys(sheet.busyMin)).toEqual(['nour', 'ivo', 'away']);
  expect(sheet.busyMin.away).toBe(0);
  expect(
    sheet.actions.every(
      ({ does, amount, ageFromMin }) => (does === 'lay') === (amount !== undefined && ageFromMin === undefined),
    ),
  ).toBe(true);
  expect(sheet.actions.filter(({ does }) => does === 'lay').every(({ who }) => who === 'nour')).toBe(true);
  expect(run(job).stdout).toBe(stdout);
});

test('what a surface follows is there and waits for nothing of its own; people come before they go; all at once', () => {
  const out = path.join(folder, 'out.json');
  const bad = run(
    {
      ...job,
      surfaces: [
        panel('roof', 1, { follows: ['door'] }),
        panel('door', 1, { follows: ['roof', 'hood'] }),
        panel('side', 1, { follows: ['door'] }),
      ],
      crew: {
        ...job.crew,
        people: [
          { id: 'nour', hours: [['2027-03-02T12:00:00+01:00', '2027-03-02T08:00:00+01:00']] },
          { id: 'nour', does: [] },
        ],
      },
    },
    '--out',
    out,
  );
  expect([bad.status, bad.stdout, existsSync(out)]).toEqual([2, '', false]);
  const places = bad.stderr
    .trim()
    .split('\n')
    .map((line) => line.slice(0, line.indexOf(':')));
  expect(places.sort()).toEqual(
    [
      'crew.people[0].hours[0]',
      'crew.people[1].does',
      'crew.people[1].id',
      'surfaces[0].follows[0]',
      'surfaces[1].follows[0]',
      'surfaces[1].follows[1]',
    ].sort(),
  );
  expect(bad.stderr).toContain('no surface "hood" among the surfaces');
  expect(run(job, '--out', out).status).toBe(0);
  expect(JSON.parse(readFileSync(out, 'utf8'))).toMatchObject({ format: 'glaphyra.runsheet/1' });
});
