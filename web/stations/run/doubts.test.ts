import { tooEarly } from './doubts';

const asked = (levelFromMin: number | null, ageMin: number) =>
  tooEarly({ levelFromMin }, ageMin, () => undefined)?.says ?? 'not asked';

test('levelling is asked about before half of the wait is over, where more than half a minute of it is left', () => {
  expect(asked(3, 1)).toContain('opens in 2 min');
  expect([asked(3, 1.5), asked(3, 4), asked(0.6, 0.2), asked(null, 0), asked(0, 0)]).toEqual(
    Array.from({ length: 5 }, () => 'not asked'),
  );
});
