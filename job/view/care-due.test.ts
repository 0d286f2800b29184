/** What items in care are due for. */
import { careDue } from './care-due';

const NOW = Date.parse('2027-03-02T10:40:00+01:00');
const of = (more: object = {}, nowMs = NOW) =>
  careDue(
    {
      handover: '2027-03-01T17:00:00+01:00',
      firstWash: '2027-03-09T09:00:00+01:00',
      renew: '2028-06-01T09:00:00+02:00',
      reminders: [],
      careDays: { wash: 21, inspection: 365 },
      ...more,
    },
    nowMs,
  );

test('first wash, the look of the year, the renewal and what was left out, the soonest first', () => {
  expect(of({ reminders: [{ what: 'coat the top case', on: '2027-03-20' }] }).map(({ what }) => what)).toEqual([
    'first-wash',
    'reminder',
    'wash',
    'look',
    'renew',
  ]);
});

test('a gentle wash comes round every few weeks from the first one, a topper every few washes where it looks after something', () => {
  const after = (days: number, more: object = {}) =>
    of({ careDays: { wash: 21, topper: 84, inspection: 365 }, ...more }, NOW + days * 86_400_000).map(
      ({ what, at }) => `${what} ${at.slice(0, 10)}`,
    );
  // First wash on the 9th; three weeks on, and three more.
  expect(after(0)).toEqual(expect.arrayContaining(['wash 2027-03-30', 'topper 2027-06-01']));
  expect(after(29)).toEqual(expect.arrayContaining(['wash 2027-04-20', 'topper 2027-06-01']));
  expect(after(95)).toEqual(expect.arrayContaining(['topper 2027-08-24']));
  expect(after(0, { careDays: { wash: 21 } }).some((line) => line.startsWith('topper'))).toBe(false);
  // As often as agreed, or as its sheets say: a maker's booster counts from the hand-over.
  expect(after(0, { careDays: { wash: 14, topper: 30, booster: 180 } })).toEqual(
    expect.arrayContaining(['wash 2027-03-23', 'topper 2027-04-08', 'booster 2027-08-28']),
  );
  // A visit that laid nothing counts from its own end.
  expect(after(0, { firstWash: null })).toEqual(expect.arrayContaining(['wash 2027-03-22']));
});

test('the yearly look moves on year by year, and stays due for two months; what is long over is gone', () => {
  const yearsLater = (days: number) => of({}, NOW + days * 86_400_000);
  const look = (days: number) =>
    yearsLater(days)
      .find(({ what }) => what === 'look')!
      .at.slice(0, 7);
  expect([look(0), look(370), look(430), look(780)]).toEqual(['2028-02', '2028-02', '2029-02', '2029-02']);
  expect(yearsLater(430).map(({ what }) => what)).not.toContain('first-wash');
});

test('what is not handed over, never sets or never wears is due for nothing', () => {
  expect(of({ handover: null, firstWash: null, renew: null })).toEqual([]);
});
