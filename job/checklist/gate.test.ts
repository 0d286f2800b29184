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
    still: [],
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
    ['bottle/base', 'met'],
    ['light', undefined],
    ['doors', undefined],
  ]);
  expect(lines()[0]!.what).toBe('Gloves: 4');
  expect(lines({ hasDoors: false, hasBottle: undefined }).map(({ line }) => line)).not.toEqual(
    expect.arrayContaining(['doors', 'bottle/base']),
  );
});

test('what laying needs is ticked off in its stage, or somebody says that it is done; nobody goes without it', () => {
  const still = [{ need: 'wash', open: [{ name: 'Two-bucket wash', panels: 22 }] }] as const;
  const [wash] = lines({ still });
  expect(wash).toMatchObject({
    line: 'need/wash',
    needed: true,
    trouble: 'Not ticked off: two-bucket wash on 22 panels.',
  });
  const said = (answer: 'yes' | 'without'): RunEntry => ({ type: 'answered', list: 'gate', line: 'need/wash', answer });
  expect(lines({ still }, said('without'))[0]!.state).toBeUndefined();
  expect(lines({ still }, said('yes'))[0]!.state).toBe('yes');
});

test('what is missing is said with what follows from it, and can be answered for', () => {
  const bad = { airHolds: false, hasBottle: false };
  expect(
    lines(bad)
      .filter(({ trouble }) => trouble !== undefined)
      .map(({ line }) => line),
  ).toEqual(['air', 'bottle/base']);
  const without: RunEntry = { type: 'answered', list: 'gate', line: 'bottle/base', answer: 'without' };
  expect(lines(bad, without).find(({ line }) => line === 'bottle/base')).toMatchObject({
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
