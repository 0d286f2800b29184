import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { nestedSchema, readNest } from '#formats/film';
import { type FaultsError } from '#formats/values';

const folder = mkdtempSync(path.join(tmpdir(), 'nest-'));
const run = (file: unknown) => {
  const at = path.join(folder, 'nest.json');
  writeFileSync(at, typeof file === 'string' ? file : JSON.stringify(file));
  return spawnSync(process.execPath, ['.cache/bin/cli/nest.js', at], { encoding: 'utf8' });
};
const square = (side: number) => [
  [0, 0],
  [side, 0],
  [side, side],
  [0, side],
];
const file = (more: object = {}) => ({
  format: 'glaphyra.nest/1',
  rollWidthMm: 1000,
  gapMm: 0,
  seconds: 0.5,
  pieces: [{ id: 'tile', pointsMm: square(500), count: 4 }],
  ...more,
});

test('a file in, a nest out: as short as nobody could beat, exit 0 where something fits no way', () => {
  const { status, stdout, stderr } = run(file({ pieces: [...file().pieces, { id: 'huge', pointsMm: square(3000) }] }));
  expect([status, stderr]).toEqual([0, '']);
  const nested = nestedSchema.parse(JSON.parse(stdout));
  expect(nested.lengthMm).toBeCloseTo(1000, 3);
  expect(nested.unplaced).toEqual([{ id: 'huge', copy: 1 }]);
  expect(nested.placements).toHaveLength(4);
});

test('hostile files: every fault with its place, nothing written, exit 2', () => {
  const bad = run(
    file({
      rollWidthMm: -5,
      turn: 90,
      pieces: [
        {
          id: 'bow',
          pointsMm: [
            [0, 0],
            [10, 10],
            [10, 0],
            [0, 10],
          ],
        },
        {
          id: 'bow',
          pointsMm: [
            [0, 0],
            [10, 0],
            [20, 0],
          ],
        },
        {
          id: 'two',
          pointsMm: [
            [0, 0],
            [1, 1],
          ],
        },
      ],
    }),
  );
  expect([bad.status, bad.stdout]).toEqual([2, '']);
  for (const said of [
    'rollWidthMm: expected a positive',
    'turn: unknown key',
    'pieces[0].pointsMm: the outline crosses',
    'pieces[1].id: "bow" is used twice',
    'pieces[1].pointsMm',
    'pieces[2].pointsMm: expected at least three',
  ])
    expect(bad.stderr).toContain(said);
  expect(run('[1, 2').status).toBe(2);
  const faults = (value: unknown) => {
    try {
      return void readNest(value);
    } catch (error) {
      return (error as FaultsError).faults.map(({ message }) => message).join();
    }
  };
  expect(faults(file({ pieces: [{ id: 'many', pointsMm: square(1), count: 100_000 }] }))).toMatch(/at most 1000/);
  expect(
    faults(file({ pieces: Array.from({ length: 3 }, (_, id) => ({ id: `${id}`, pointsMm: square(1), count: 1000 })) })),
  ).toMatch(/part it into several/);
  expect(faults(null)).toMatch(/expected/);
  expect(
    faults(
      file({
        pieces: [
          {
            id: 'x',
            pointsMm: [
              [Number.NaN, 0],
              [1, 0],
              [1, 1],
            ],
          },
        ],
      }),
    ),
  ).toMatch(/expected/);
});
