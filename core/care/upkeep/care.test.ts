import { MINUTES_PER_MONTH } from '#core/measures';
import { foldLog, type LoggedEntry, type Patch } from '#core/lay/run';
import { job, product, surface } from '../../testing/samples';
import { clearOnSurfaces, conditionAt, hardFromMin, removalFrom, standingSurfaces } from './care';

const coating = product({ over: ['bare', 'self'], ratedMonths: 36 });
const planned = job({
  products: [coating],
  surfaces: [
    surface({ layers: [{ product: 'base', coats: 2, method: 'small-block' }], readingsUm: [110, 112, 111] }),
    surface({ id: 'roof', existing: ['paste-wax'] }),
  ],
});

function laidOnce(coat: number, atMin: number): LoggedEntry[] {
  const patch: Patch = { surface: 'bonnet', layer: 0, coat, copy: 1, section: 1 };
  const start = { product: 'base', sections: 1, areaM2: 1.372, amount: 9 };
  return [
    { id: `${coat}a`, atMin, entry: { type: 'lay-start', patch, start } },
    { id: `${coat}b`, atMin: atMin + 2, entry: { type: 'lay-end', patch } },
    { id: `${coat}c`, atMin: atMin + 3, entry: { type: 'level-start', patch } },
    { id: `${coat}d`, atMin: atMin + 5, entry: { type: 'level-end', patch } },
  ];
}

const [bonnet, roof] = standingSurfaces(planned, foldLog([...laidOnce(1, 0), ...laidOnce(2, 130)]), {
  parking: 'street',
  wash: 'brush',
});

test('only what was really laid is there, with the times it was laid at', () => {
  expect(bonnet!.layers.map(({ coats, doneShare, endMin }) => [coats, doneShare, endMin])).toEqual([[2, 1, 135]]);
  expect(bonnet!.layers[0]!.milestones.waterSafe).toBeCloseTo(135 + 720, 9);
  expect(roof!.layers).toEqual([]);
  expect(roof!.found.map(({ family, wears }) => [family, wears])).toEqual([['paste-wax', undefined]]);
});

test('the first wash is the sheet’s, or the family’s habit and said to be', () => {
  expect(bonnet!.layers[0]!.firstWash.by).toBe('family');
  expect(bonnet!.layers[0]!.firstWash.atMin).toBeCloseTo(855 + 7 * 1440, 9);
});

test('it wants renewing within its rating, sooner for a brush wash, and is half spent by then', () => {
  const [layer] = bonnet!.layers;
  const [low, high] = layer!.renewRangeMin;
  expect(low).toBeLessThan(layer!.renewMin);
  expect(high).toBeLessThanOrEqual(135 + 36 * MINUTES_PER_MONTH);
  const kind = standingSurfaces(planned, foldLog(laidOnce(1, 0)), { parking: 'indoor', wash: 'hand' });
  expect(kind[0]!.layers[0]!.life.months).toBeGreaterThan(layer!.life.months);
  expect(conditionAt(layer!, layer!.renewMin)).toBeCloseTo(0.5, 9);
  expect(conditionAt(layer!, layer!.endMin)).toBe(1);
});

test('it comes off more easily before it is hard', () => {
  const clear = clearOnSurfaces(planned.surfaces);
  expect(clear).toEqual([expect.closeTo(44.4, 6), undefined]);
  const hardAt = hardFromMin(bonnet!.layers[0]!)!;
  const now = removalFrom(bonnet!, { clearUm: clear[0] }, 200);
  const later = removalFrom(bonnet!, { clearUm: clear[0] }, hardAt + 1);
  expect(now.expectedClearUm).toBeLessThan(later.expectedClearUm);
  expect(removalFrom(roof!, {}, 0).layers[0]!.layer.name).toBe('Paste wax, found');
});
