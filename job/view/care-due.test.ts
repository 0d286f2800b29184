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
      ...more,
    },
    nowMs,
  );

test('first wash, the look of the year, the renewal and what was left out, the soonest first', () => {
  expect(of({ reminders: [{ what: 'coat the top case', on: '2027-03-20' }] }).map(({ what }) => what)).toEqual([
    'first-wash',
    'reminder',
    'look',
    'renew',
  ]);
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
