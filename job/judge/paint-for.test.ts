import type { JobInput } from '#formats/job';
import { product } from '../../core/testing/samples';
import { plainJob } from '../testing/plain-job';
import { tooDearToRemove, unevenPaints } from './paint-for';

const shape = { kind: 'area', areaM2: 1 } as const;
const panel = (id: string, changes: Partial<NonNullable<JobInput['surfaces']>[number]> = {}) => ({
  id,
  substrate: 'clear-gloss' as const,
  shape,
  layers: [{ product: 'ceramic' }],
  ...changes,
});
const sheets = [
  product({ id: 'ceramic', name: 'Ceramic', family: 'ceramic', over: ['bare'], ratedMonths: 24 }),
  product({
    id: 'sealant',
    name: 'Sealant',
    family: 'sealant',
    over: ['bare'],
    ratedMonths: 6,
    comesOffBy: ['strip-wash'],
  }),
];
const job = (surfaces: NonNullable<JobInput['surfaces']>) =>
  plainJob({ surfaces, products: sheets as never, prepare: { yearsPlanned: 8 } }).document;

describe('what a paint can carry', () => {
  test('a stack whose removals cost more than is above the reserve is said, with something milder', () => {
    const thin = job([panel('bonnet', { clearUm: 26 })]);
    const short = tooDearToRemove(thin, thin.surfaces[0]!, thin.products);
    expect(short).toMatchObject({ spareUm: 1, milder: { id: 'sealant' } });
    expect(short!.removalsUm).toBeGreaterThan(1);
    const thick = job([panel('bonnet', { clearUm: 60 })]);
    expect(tooDearToRemove(thick, thick.surfaces[0]!, thick.products)).toBeUndefined();
    const untold = job([panel('bonnet')]);
    expect(tooDearToRemove(untold, untold.surfaces[0]!, untold.products)).toBeUndefined();
  });
});

test('one paint with several stacks is asked about; what is hit, repaired or left out is not', () => {
  const sealed = { layers: [{ product: 'sealant' }] };
  const odd = (changes: object) =>
    unevenPaints(job([panel('a'), panel('b'), panel('c', { ...sealed, ...changes })])).flatMap(({ others }) =>
      others.map(({ id }) => id),
    );
  expect(odd({})).toEqual(['c']);
  for (const apart of [
    { zone: 'front' },
    { hit: true },
    { paint: 'refinished' },
    { layers: [] },
    { substrate: 'glass' },
  ])
    expect([apart, odd(apart)]).toEqual([apart, []]);
});
