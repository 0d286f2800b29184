/** What was measured before the work and after it. */
import { foldLog, type LoggedEntry } from '#core/lay/run';
import { proofsOf } from '.';

const at = (atMin: number, entry: LoggedEntry['entry']): LoggedEntry => ({ id: `e${atMin}`, atMin, entry });
const read = (atMin: number, what: 'gloss' | 'thickness', value: number, source?: 'simulated') =>
  at(atMin, { type: 'proof', surface: 'bonnet', what, value, source });
const laid = at(10, {
  type: 'lay-start',
  patch: { surface: 'bonnet', layer: 0, coat: 1, copy: 1, section: 1 },
  start: { product: 'x', sections: 1, areaM2: 1, amount: 1 },
});

test('until something is laid on a panel a reading is its before, then its after, each in the middle of its readings', () => {
  const log = foldLog([
    read(1, 'gloss', 80),
    read(2, 'gloss', 84),
    read(3, 'gloss', 30),
    laid,
    read(11, 'gloss', 93, 'simulated'),
    read(12, 'thickness', 108),
  ]);
  expect(proofsOf(log, new Map([['bonnet', [110, 114, 112]]]))).toEqual([
    { surface: 'bonnet', what: 'gloss', before: 80, after: 93, readings: 4, simulated: true },
    { surface: 'bonnet', what: 'thickness', before: 112, after: 108, readings: 1, simulated: false },
  ]);
});

test('nothing laid, all of it is before; nothing read before, none is made up', () => {
  expect(proofsOf(foldLog([read(1, 'gloss', 80)]), new Map())[0]).toMatchObject({ before: 80, after: undefined });
  expect(proofsOf(foldLog([laid, read(11, 'thickness', 80)]), new Map())[0]).toMatchObject({
    before: undefined,
    after: 80,
  });
  expect(proofsOf(foldLog([laid]), new Map([['bonnet', [100]]]))).toEqual([]);
});
