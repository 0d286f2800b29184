import { faultsOf as faultsOfReading } from '../testing/faults';
import fc from 'fast-check';
import { z } from 'zod';
import {
  clockShift,
  id,
  instantAfter,
  list,
  minuteOfDay,
  minutesBetween,
  minutesToDay,
  money,
  nonEmpty,
  object,
  parseJson,
  pathText,
  percent,
  positive,
  range,
  read,
  text,
} from '.';

const faultsOf = (value: unknown, schema: z.ZodType) => faultsOfReading(() => read(value, schema));

describe('instants and minutes', () => {
  const anInstant = fc
    .tuple(fc.integer({ min: 0, max: 4e9 }), fc.constantFrom('+01:00', '-05:00', '+00:00', '+05:45'))
    .map(([seconds, offset]) => new Date(seconds * 1000).toISOString().replace('.000Z', offset));

  test('so many minutes after is so many minutes between', () => {
    fc.assert(
      fc.property(anInstant, fc.integer({ min: -1e6, max: 1e6 }), (start, minutes) => {
        const later = instantAfter(start, minutes);
        expect(minutesBetween(start, later)).toBeCloseTo(minutes, 9);
        expect(minutesBetween(later, start)).toBeCloseTo(-minutes, 9);
        expect(later.slice(-6)).toBe(start.slice(-6).replace('+00:00', later.slice(-6)));
      }),
    );
  });

  test('a day begins at or before any instant of it, and less than a day before', () => {
    fc.assert(
      fc.property(anInstant, (instant) => {
        const since = -minutesToDay(instant, instant.slice(0, 10));
        expect(since).toBeGreaterThanOrEqual(0);
        expect(since).toBeLessThan(1440);
        expect(minuteOfDay(instant)).toBeCloseTo(since, 6);
      }),
    );
  });
});

test.each([
  [123456, 'EUR', '€1,234.56'],
  [500, 'JPY', '¥500'],
  [1234, 'KWD', 'KWD 1.234'],
  [-50, 'EUR', '-€0.50'],
])('%i minor units of %s are %s', (minor, currency, said) => {
  expect(money(minor, currency).replaceAll('\u00a0', ' ')).toBe(said);
});

describe('reading', () => {
  const schema = object({
    name: nonEmpty(),
    share: percent(),
    sides: list(object({ mm: positive() })),
    between: range(percent).optional(),
  });
  const good = { name: 'a', share: 5, sides: [{ mm: 3 }] };

  test.each([
    [{ ...good, share: 101 }, 'share', 'expected 0 to 100 %'],
    [{ ...good, sides: [{ mm: 1 }, { mm: -1 }] }, 'sides[1].mm', 'expected a positive number'],
    [{ ...good, sides: 'two' }, 'sides', 'expected a list'],
    [{ ...good, colour: 'teal' }, 'colour', 'unknown key'],
    [{ ...good, name: '   ' }, 'name', 'expected text, not nothing'],
    [{ ...good, between: [1] }, 'between', 'expected two numbers: [lowest, highest]'],
    [[], '', 'expected an object'],
  ])('%j is refused at %j', (value, path, message) => {
    expect(faultsOf(value, schema)).toContainEqual({ path, message });
  });

  test('whatever is read is as described, or every fault has its place once', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 4 }), (value) => {
        const faults = faultsOf(value, schema);
        if (faults.length === 0) expect(schema.safeParse(value).success).toBe(true);
        expect(new Set(faults.map(({ path }) => path)).size).toBe(faults.length);
        expect(faults.length).toBeLessThanOrEqual(101);
      }),
    );
  });

  test('a list with more entries than are read is refused at once, wherever it lies', () => {
    const deep = { ...good, sides: [{ mm: { of: Array(20_001).fill(0) } }] };
    expect(faultsOf(deep, schema)).toEqual([
      { path: 'sides[0].mm.of', message: '20001 entries, at most 20000 are read; part it into several' },
    ]);
    const wide = Array.from({ length: 1100 }, () => Array(1000).fill(1));
    expect(faultsOf(wide, z.unknown())[0]!.message).toMatch(/^more than 1000000 values/);
  });

  test('texts have a length beyond which nobody reads them', () => {
    expect(faultsOf('x'.repeat(4001), text())).toHaveLength(1);
    expect(faultsOf('x'.repeat(301), nonEmpty())).toHaveLength(1);
    expect(faultsOf('x'.repeat(300), nonEmpty())).toEqual([]);
    for (const odd of ['../../etc', 'a b', '', 'ä', 'x'.repeat(65)]) expect(faultsOf(odd, id())).toHaveLength(1);
  });
});

test('paths are written as one would write them in the code', () => {
  expect(pathText(['surfaces', 2, 'shape', 'aMm'])).toBe('surfaces[2].shape.aMm');
  expect(pathText([0, 'id'])).toBe('[0].id');
  expect(pathText([])).toBe('');
});

test('text that is JSON comes back as it was written; what is not is told with its place', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.boolean(), (value, marked) => {
      expect(parseJson((marked ? '\uFEFF' : '') + JSON.stringify(value))).toEqual(JSON.parse(JSON.stringify(value)));
    }),
  );
  expect(() => parseJson('{\n  "a": 1,\n  b: 2 }')).toThrow(/line 3/);
});

test('the clocks of the workshop are followed only where an instant was told by them', () => {
  // An offset nobody here has: no summer time is guessed for it.
  const shift = clockShift('2027-03-26T16:00:00+13:45');
  expect([0, 5000, 500_000].map(shift)).toEqual([0, 0, 0]);
});

test('what is nested beyond sense is refused with its place, however deep it goes; what is not, is read', () => {
  const nested = (levels: number): unknown => {
    let value: unknown = 1;
    for (let level = 0; level < levels; level += 1) value = [value];
    return { list: value };
  };
  const faults = faultsOfReading(() => read(nested(40_000), z.unknown()));
  expect(faults).toEqual([{ path: `list${'[0]'.repeat(64)}`, message: 'more than 64 levels one inside another' }]);
  expect(read(nested(60), z.unknown())).toEqual(nested(60));
});
