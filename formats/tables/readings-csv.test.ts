import fc from 'fast-check';
import { readReadingsCsv } from './readings-csv';

test.each([
  ['commas', 'bonnet,112\nroof,108.5'],
  ['semicolons and decimal commas', 'panel;um\nbonnet;112\nroof;108,5\n'],
  ['tabs, turned round, with a mark of order', '\uFEFFum\tpanel\n112\tbonnet\n108,5\troof'],
  ['thousandths of an inch', 'panel,mil\nbonnet,4.409448819\nroof,4.271653543'],
])('takes %s', (_, text) => {
  const { readings, faults } = readReadingsCsv(text);
  expect(faults).toEqual([]);
  expect(readings.map(({ panel, um }) => [panel, Number(um.toFixed(3))])).toEqual([
    ['bonnet', 112],
    ['roof', 108.5],
  ]);
});

test('leaves out what makes no sense, with its line, and keeps the rest', () => {
  const { readings, faults } = readReadingsCsv('panel;um\nbonnet;112\n;110\nroof;thick\nroof;0\nroof;40000\nroof;109');
  expect(readings).toHaveLength(2);
  expect(faults.map(({ path }) => path)).toEqual(['line 3', 'line 4', 'line 5', 'line 6']);
});

test('ten thousand readings, and any text at all, come through', () => {
  const many = Array.from({ length: 10_000 }, (_, n) => `panel-${n % 40};${100 + (n % 30)},5`).join('\n');
  expect(readReadingsCsv(many).readings).toHaveLength(10_000);
  fc.assert(
    fc.property(fc.string({ maxLength: 200 }), (text) => {
      for (const { panel, um } of readReadingsCsv(text).readings) {
        expect(panel).not.toBe('');
        expect(um > 0 && um <= 5000).toBe(true);
      }
    }),
  );
});
