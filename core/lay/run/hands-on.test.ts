import { job, product, surface } from '../../testing/samples';
import type { LoggedEntry, RunEntry } from './events';
import { handsOn } from './hands-on';
import { foldLog } from './record';
import { runSheet } from './sheet';

const planned = job({ products: [product()], surfaces: [surface()] });
const [{ patch, sections, areaM2, amount }] = runSheet(planned, foldLog([]), 0).patches as [
  ReturnType<typeof runSheet>['patches'][number],
];
const of = (...entries: readonly (readonly [number, RunEntry])[]) =>
  handsOn(planned, foldLog(entries.map(([atMin, entry], nth): LoggedEntry => ({ id: `e${nth}`, atMin, entry }))));

test('what hands took stands beside what the paces foretold of the same patches; a pause is no work', () => {
  const laid = [
    [0, { type: 'lay-start', patch, start: { product: 'base', sections, areaM2, amount } }],
    [2, { type: 'run-pause', reason: 'phone' }],
    [7, { type: 'run-resume' }],
    [9, { type: 'lay-end', patch }],
  ] as const satisfies readonly (readonly [number, RunEntry])[];
  const { layM2PerMin, levelM2PerMin } = planned.crew;
  expect(of(...laid).lay).toEqual({ tookMin: 4, plannedMin: expect.closeTo(areaM2 / layM2PerMin, 9) as number });
  // In hand: neither counts yet.
  expect(of(...laid, [10, { type: 'level-start', patch }]).level).toEqual({ tookMin: 0, plannedMin: 0 });
  expect(of(...laid, [10, { type: 'level-start', patch }], [13, { type: 'level-end', patch }]).level).toEqual({
    tookMin: 3,
    plannedMin: expect.closeTo(areaM2 / levelM2PerMin, 9) as number,
  });
});
