import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type ChoiceFile, choiceFileSchema } from '#formats/choice';
import { DEMO_SHELF } from '../demo/shelf';

const folder = mkdtempSync(path.join(tmpdir(), 'choose-'));
const run = (file: unknown, ...more: string[]) => {
  const at = path.join(folder, 'file.json');
  writeFileSync(at, JSON.stringify(file));
  const args = ['.cache/bin/cli/choose.js', at, ...more];
  return spawnSync(process.execPath, args, { encoding: 'utf8' });
};
const surface = (id: string, substrate: string, areaM2: number) => ({
  id,
  substrate,
  shape: { kind: 'area', areaM2 },
  layers: [],
});
const job = (surfaces: readonly object[]) => ({
  format: 'glaphyra.job/1',
  title: 'Bench pieces',
  startAt: '2027-03-02T08:30:00+01:00',
  surfaces,
  products: DEMO_SHELF.filter(({ id }) => ['keelstone', 'mainstay', 'lantern', 'breakwater'].includes(id)),
  ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
});

test('a file in, a choice out: the best first, every stack from the file’s own sheets', () => {
  const file = {
    format: 'glaphyra.choose/1',
    job: job([surface('panel', 'clear-gloss', 2), surface('pane', 'windscreen', 1), surface('rug', 'fabric', 1)]),
    wishes: { keptMonths: 36 },
  };
  const { status, stdout, stderr } = run(file);
  expect([status, stderr]).toEqual([0, '']);
  const choice: ChoiceFile = choiceFileSchema.parse(JSON.parse(stdout));
  expect(choice.points[0]!.name).toBe('wishes');
  expect(choice.points[0]!.gap).toBeLessThanOrEqual(0.01);
  expect(choice.bare).toEqual(['rug']);
  const layersOf = (id: string) => choice.points[0]!.surfaces.find((each) => each.id === id)!.layers;
  expect(layersOf('pane').map(({ product }) => product)).toEqual(['lantern']);
  expect(layersOf('panel').length).toBeGreaterThan(0);
  expect(choice.points[0]!.keptMoney).toBeLessThanOrEqual(choice.alone.keptMoney * 1.01);
});

test('faults with their places, exit 2, nothing written', () => {
  const bad = run(
    {
      format: 'glaphyra.choose/1',
      job: job([surface('panel', 'clear-gloss', -2)]),
      wishes: { film: 'perhaps', years: 3 },
    },
    '--out',
    path.join(folder, 'out.json'),
  );
  expect(bad.status).toBe(2);
  expect(bad.stderr).toMatch(/job\.surfaces\[0\]\.shape\.areaM2: expected a positive number/);
  expect(bad.stderr).toMatch(/wishes\.film: expected one of/);
  expect(bad.stderr).toMatch(/wishes.*years/);
  expect(readdirSync(folder)).toEqual(['file.json']);
  expect(run({ format: 'glaphyra.choose/1', job: {} }).stderr.split('\n').length).toBeGreaterThan(3);
  expect(readFileSync(path.join(folder, 'file.json'), 'utf8')).not.toBe('');
});
