import { DateTime, Settings } from 'luxon';
import type { Move } from '#core/schedule/calendar';
import { weekAxis } from './week-axis';
import { movesTogether } from './words';

// Wherever the tests run: a zone whose clocks are changed.
beforeAll(() => void (Settings.defaultZone = 'Europe/Berlin'));
afterAll(() => void (Settings.defaultZone = 'system'));

test('a place across the week is a moment and back, nights left out, through the week of summer time', () => {
  for (const monday of ['2027-03-01', '2027-03-22']) {
    const start = DateTime.fromISO(monday).startOf('week');
    const axis = weekAxis(start);
    for (let share = 0.001; share < 1; share += 0.013) {
      const instant = axis.instantAt(share);
      // To the five minutes it is told in.
      expect(Math.abs(axis.at(instant) - share)).toBeLessThan(5 / (13 * 60) / 7);
    }
    const iso = (day: number, hour: number) => start.plus({ days: day }).set({ hour }).toISO()!;
    expect(axis.at(iso(0, 3))).toBe(0);
    expect(axis.at(iso(1, 3))).toBeCloseTo(1 / 7, 9);
    expect(axis.at(iso(0, 23))).toBeCloseTo(1 / 7, 9);
    expect(axis.shown(iso(-2, 9), iso(-1, 9))).toBeUndefined();
    expect(axis.shown(iso(-1, 9), iso(8, 9))).toEqual({ left: 0, width: 1 });
    expect(axis.shown(iso(2, 9), iso(2, 9))).toBeUndefined();
  }
});

test('what only follows another step of its job is told with it', () => {
  const place = { id: '', fromMin: 0, toMin: 0, uses: [] };
  const move = (id: string, why: Move['why']): Move => ({ id, was: place, is: place, why });
  const moves = [
    move('a/wash', { code: 'closed', uses: ['bay:1'] }),
    move('a/lay', { code: 'waits', task: 'a/wash' }),
    move('b/wash', { code: 'taken', task: 'a/lay', resource: 'person:x' }),
    move('a/check', { code: 'waits', task: 'a/lay' }),
    move('b/lay', { code: 'together', task: 'b/cure' }),
  ];
  const steps = new Map(moves.map(({ id }) => [id, { job: { id: id[0] } }]));
  const told = movesTogether(moves, { shop: { steps } } as never);
  expect(told.map(({ move: { id }, along }) => [id, along.map((each) => each.id)])).toEqual([
    ['a/wash', ['a/lay', 'a/check']],
    ['b/wash', []],
    ['b/lay', []],
  ]);
});
