import type { PickGroup } from '#core/lay/pick-list';
import { foldLog, type RunEntry } from '#core/lay/run';
import { checklistLines } from '.';

const groups: PickGroup[] = [
  {
    key: 'worn',
    name: 'To be worn',
    lines: [{ key: 'worn/gloves', what: 'Gloves', amount: 4, unit: '', protective: true }],
  },
  { key: 'prepare/wash/1', name: 'Wash', lines: [{ key: 'prepare/wash/1/mitt', what: 'Mitt', amount: 1, unit: '' }] },
  {
    key: 'lay/base/1',
    name: 'Base',
    lines: [
      { key: 'lay/base/1/product', what: 'Base', amount: 20, unit: 'ml', stock: { kind: 'product', of: 'base' } },
      { key: 'lay/base/1/towel', what: 'Levelling towel', amount: 3, unit: '' },
    ],
  },
];
const lines = (more: Partial<Parameters<typeof checklistLines>[0]> = {}, ...entries: readonly RunEntry[]) =>
  checklistLines({
    groups,
    record: foldLog(entries.map((entry, nth) => ({ id: `e${nth}`, atMin: nth, entry }))),
    product: 'base',
    airHolds: true,
    hasBottle: true,
    hasDoors: true,
    ...more,
  });
const states = (of: ReturnType<typeof lines>) => of.map(({ line, state }) => [line, state]);

test('what is worn, what its first coat wants, air, bottle, light and doors are asked; what is known is not', () => {
  expect(states(lines())).toEqual([
    ['worn/gloves', undefined],
    ['lay/base/1/towel', undefined],
    ['air', 'met'],
    ['bottle', 'met'],
    ['light', undefined],
    ['doors', undefined],
  ]);
  expect(lines()[0]!.what).toBe('Gloves: 4');
  expect(lines({ hasDoors: false, hasBottle: undefined }).map(({ line }) => line)).not.toEqual(
    expect.arrayContaining(['doors', 'bottle']),
  );
});

test('what is missing is said with what follows from it, and can be answered for', () => {
  const bad = { airHolds: false, hasBottle: false };
  expect(
    lines(bad)
      .filter(({ trouble }) => trouble !== undefined)
      .map(({ line }) => line),
  ).toEqual(['air', 'bottle']);
  const without: RunEntry = { type: 'answered', list: 'gate', line: 'bottle', answer: 'without' };
  expect(lines(bad, without).find(({ line }) => line === 'bottle')).toMatchObject({
    state: 'without',
    trouble: expect.any(String) as string,
  });
  // What is worn against harm is not gone without, whatever an older tablet sends.
  expect(states(lines({}, { ...without, line: 'worn/gloves' }))).toEqual(states(lines()));
  // The list before it goes is another list.
  expect(states(lines({}, { type: 'answered', list: 'closing', line: 'light', answer: 'yes' }))).toEqual(
    states(lines()),
  );
});
