import { faultsOf as faultsOfReading } from '../testing/faults';
import fc from 'fast-check';
import { readJob } from '.';
import bonnet from '../../demo/jobs/hatchback-front.json';
import { JOB_LIMITS } from './limits';

const surface = bonnet.surfaces[0]!;
const faultsOf = (value: unknown) => faultsOfReading(() => readJob(value));
const withSurface = (changes: object) => ({ ...bonnet, surfaces: [{ ...surface, ...changes }] });
const many = <T>(length: number, one: (index: number) => T) => Array.from({ length }, (_, index) => one(index));

test.each([
  [
    'surfaces',
    (n: number) => ({ ...bonnet, surfaces: many(n, (i) => ({ ...surface, id: `s${i}`, layers: [] })) }),
    JOB_LIMITS.surfaces,
  ],
  ['surfaces[0].count', (n: number) => withSurface({ count: n }), JOB_LIMITS.copies],
  ['surfaces[0].layers', (n: number) => withSurface({ layers: many(n, () => surface.layers[0]!) }), JOB_LIMITS.layers],
  [
    'surfaces[0].layers[0].coats',
    (n: number) => withSurface({ layers: [{ ...surface.layers[0]!, coats: n }] }),
    JOB_LIMITS.coatsOfLayer,
  ],
  [
    'surfaces[0].marks',
    (n: number) =>
      withSurface({ marks: many(n, (i) => ({ id: `m${i}`, kind: 'swirls', severity: 'light', at: [0.5, 0.5] })) }),
    JOB_LIMITS.marks,
  ],
  ['surfaces[0].readingsUm', (n: number) => withSurface({ readingsUm: many(n, () => 110) }), JOB_LIMITS.readings],
] as const)('%s: as many as it may hold are read, one more is refused with its place', (path, of, limit) => {
  expect(faultsOf(of(limit)).filter((fault) => fault.path === path)).toEqual([]);
  expect(faultsOf(of(limit + 1)).map((fault) => fault.path)).toContain(path);
});

test('copies times coats have a limit of their own, whatever way they come about', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: JOB_LIMITS.copies }),
      fc.integer({ min: 1, max: JOB_LIMITS.coatsOfLayer }),
      (count, coats) => {
        const faults = faultsOf(withSurface({ count, layers: [{ ...surface.layers[0]!, coats }] }));
        expect(faults.some(({ path }) => path === 'surfaces')).toBe(count * coats > JOB_LIMITS.coatsInAll);
      },
    ),
  );
});

test('each reading has a place and a source, or none has', () => {
  const read = { readingsUm: [110, 112], readingsAt: [[0.5, 0.5], null], readingsFrom: ['typed', null] };
  expect(faultsOf(withSurface(read))).toEqual([]);
  for (const key of ['readingsAt', 'readingsFrom'] as const) {
    expect(faultsOf(withSurface({ ...read, [key]: read[key].slice(1) })).map(({ path }) => path)).toEqual([
      `surfaces[0].${key}`,
    ]);
  }
  expect(faultsOf(withSurface({ ...read, readingsFrom: ['guessed', null] }))[0]!.path).toBe(
    'surfaces[0].readingsFrom[0]',
  );
});

test('a property that is spelt otherwise is refused, not passed over', () => {
  const [product, ...rest] = bonnet.products;
  const misspelt = { ...bonnet, products: [{ ...product!, properties: ['strong-solvents'] }, ...rest] };
  expect(faultsOf(misspelt)).toEqual([
    { path: 'products[0].properties[0]', message: expect.stringContaining('strong-solvent') },
  ]);
});
