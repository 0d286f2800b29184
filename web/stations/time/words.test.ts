/** What Time says in sentences: what stands against laying, what would open it, and what is otherwise than agreed. */
import fc from 'fast-check';
import { goIn, type GoReason, waysToGo } from '#core/lay/go';
import { dayChanges } from '#core/schedule/days';
import { planInput } from '#job/plan';
import { yardThatMorning } from '../../../demo/that-morning';
import type { JobView } from '../../job/useJobView';
import { changesInWords } from '../../hours/day-words';
import { reasonInWords, wayInWords } from './go-words';

const { products, matteSchool, crew } = planInput(
  yardThatMorning().jobs.find(({ id }) => id === 'teal-hatchback')!.draft.document,
);
const anyCase = fc.record({
  product: fc.constantFrom(...products),
  air: fc.record({
    airC: fc.double({ min: -5, max: 45, noNaN: true }),
    rhPct: fc.double({ min: 5, max: 98, noNaN: true }),
    airSpeed: fc.constantFrom(0.1, 0.4, 1.2),
  }),
  warmerK: fc.double({ min: -20, max: 20, noNaN: true }),
  around: fc.record({ sunK: fc.constantFrom(0, 8, 25), dusty: fc.boolean() }),
});
function answered({ product, air, warmerK, around }: typeof anyCase extends fc.Arbitrary<infer T> ? T : never) {
  const asked = { product, substrate: 'clear-gloss', matteSchool, guardSigma: crew.guardSigma } as const;
  const now = goIn(asked, air, air.airC + warmerK, around);
  return { now, ways: waysToGo(asked, now) };
}
const LIMITED: readonly GoReason['cause'][] = [
  'air-cold',
  'air-hot',
  'air-dry',
  'air-damp',
  'surface-cold',
  'surface-hot',
];

test('every reason is a sentence of its own with its numbers, and none contradicts itself', () => {
  const seen = new Map<string, GoReason>();
  fc.assert(
    fc.property(anyCase, (each) => {
      const { now, ways } = answered(each);
      for (const reason of now.reasons) {
        const says = reasonInWords(reason);
        seen.set(`${reason.cause} ${reason.verdict}`, reason);
        expect(says).toMatch(/^[A-Z].*[^.]$/);
        expect(says).not.toMatch(/NaN|undefined|Infinity|-0(\.0+)?(?![\d.])/);
        if (says.includes('over the ')) expect(reason.value).toBeGreaterThan(reason.limit);
        if (!LIMITED.includes(reason.cause) || reason.verdict !== 'not') continue;
        // Beyond a limit, the two numbers told are not the same.
        const [value, limit] = [...says.matchAll(/-?\d+(?:\.\d+)?(?= (?:°C|%))/g)].map(Number);
        const isOver = ['air-hot', 'air-damp', 'surface-hot'].includes(reason.cause);
        expect(isOver ? value! - limit! : limit! - value!).toBeGreaterThan(0);
      }
      for (const way of ways)
        expect(wayInWords(way)).toMatch(/^(Let|Heat|Cool|Dry|Damp|Put|Close) ((?!NaN|undefined).)+$/);
    }),
    { numRuns: 400 },
  );
  const told = [...seen.values()].map((reason) => reasonInWords(reason).replace(/[\d.-]+/g, ''));
  expect(new Set([...seen.values()].map(({ cause }) => cause)).size).toBeGreaterThanOrEqual(10);
  expect(new Set(told).size).toBeGreaterThanOrEqual(10);
});

describe('what is otherwise than agreed', () => {
  const START = '2027-03-02T08:00:00+01:00';
  const job = {
    productName: (id: string) => `Product ${id}`,
    at: (minutes: number) => new Date(Date.parse(START) + minutes * 60_000).toISOString().replace('.000Z', '+00:00'),
  } as unknown as JobView;
  const block = (key: string, fromMin: number, lasts = 30) => ({ key, fromMin, untilMin: fromMin + lasts });
  const before = [
    block('clean', 0),
    ...[1, 2, 3, 4].map((coat) => block(`lay/base/${coat}`, 60 * coat)),
    block('cure', 300, 600),
    block('hand-over', 900),
  ];
  const moved = (byMin: (key: string) => number) =>
    before.map(({ key, fromMin, untilMin }) => ({
      key,
      fromMin: fromMin + byMin(key),
      untilMin: untilMin + byMin(key),
    }));

  test('nothing moved is nothing told; the hand-over comes first, what moves together is one sentence', () => {
    expect(changesInWords(dayChanges(before, before), job)).toEqual([]);
    const [first, second, ...rest] = changesInWords(
      dayChanges(
        before,
        moved(() => 120),
      ),
      job,
    );
    expect(first).toMatch(/^Hand-over: 2 h later, until .* instead of /);
    expect(second).toMatch(/^Wash and decontaminate and 4 more: 2 h later, until /);
    expect(rest).toEqual([]);
  });

  test('law: every step that moved is told once, by itself or among so many more', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(0, 60, 120, -60), { minLength: 7, maxLength: 7 }), (shifts) => {
        const changes = dayChanges(
          before,
          moved((key) => shifts[before.findIndex((each) => each.key === key)]!),
        );
        const told = changesInWords(changes, job);
        const steps = told.reduce((sum, says) => sum + 1 + Number(/ and (\d+) more:/.exec(says)?.[1] ?? 0), 0);
        expect(steps).toBe(changes.filter(({ key }) => key !== 'cure').length);
        if (changes.some(({ key }) => key === 'hand-over')) expect(told[0]).toMatch(/^Hand-over/);
        for (const says of told) expect(says).not.toMatch(/NaN|undefined|Invalid/);
      }),
    );
  });

  test('what is new and what is gone is said so, with the coat by its product', () => {
    const without = before.filter(({ key }) => key !== 'lay/base/4');
    expect(changesInWords(dayChanges(without, before), job)).toEqual([
      expect.stringMatching(/^Product base, coat 4 is new: /),
    ]);
    expect(changesInWords(dayChanges(before, without), job)).toEqual([
      'Product base, coat 4 is done, or no longer needed.',
    ]);
  });
});
