import fc from 'fast-check';
import { shownDay, typedDay, typedTime } from './dates';

test.each([
  ['4 Mar 2027', '2027-03-04'],
  ['4 march 2027', '2027-03-04'],
  ['04.03.2027', '2027-03-04'],
  ['4/3/2027', '2027-03-04'],
  ['2027-03-04', '2027-03-04'],
  ['4.3.', '2026-03-04'],
  ['30 Feb 2027', undefined],
  ['soon', undefined],
  ['', undefined],
])('%j is typed for %s', (text, day) => {
  expect(typedDay(text, '2026-11-27')).toBe(day);
});

test('what is shown can be typed back', () => {
  fc.assert(
    fc.property(fc.date({ min: new Date('1990-01-01'), max: new Date('2090-12-31'), noInvalidDate: true }), (date) => {
      const day = date.toISOString().slice(0, 10);
      expect(typedDay(shownDay(day), '2026-01-01')).toBe(day);
    }),
  );
});

test.each([
  ['9', '09:00'],
  ['930', '09:30'],
  ['9.30', '09:30'],
  ['09:30', '09:30'],
  ['17h05', '17:05'],
  ['24', undefined],
  ['9:75', undefined],
  ['noon', undefined],
])('%j is %s', (text, time) => {
  expect(typedTime(text)).toBe(time);
});
