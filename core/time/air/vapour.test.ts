import { clearAfterMin, concentrationMgPerM3, peakMgPerM3 } from './vapour';

const release = { grams: 90, overMin: 60, volumeM3: 180, airChangesPerHour: 2 };

test('90 g over an hour in 180 m³ at two changes: 216.2 mg/m³ at its end, 29.25 an hour later', () => {
  expect(concentrationMgPerM3(release, 60)).toBeCloseTo(216.2, 1);
  expect(concentrationMgPerM3(release, 120)).toBeCloseTo(29.25, 2);
  expect(peakMgPerM3(release)).toBe(concentrationMgPerM3(release, 60));
});

test('the minutes until clear lead to the limit, and a closed room never clears', () => {
  const after = clearAfterMin(release, 50)!;
  expect(concentrationMgPerM3(release, 60 + after)).toBeCloseTo(50, 9);
  expect(clearAfterMin(release, 500)).toBe(0);
  const closed = { ...release, airChangesPerHour: 0 };
  expect(peakMgPerM3(closed)).toBeCloseTo(500, 9);
  expect(clearAfterMin(closed, 50)).toBeNull();
});
