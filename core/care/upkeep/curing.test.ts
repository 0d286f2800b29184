import { product } from '../../testing/samples';
import { firstWashOf, hardOf, latestDated } from '.';

const DAY = 1440;
/** The sheet says five days to the first wash and ten to full hardness at 20 °C. */
const coating = product({
  milestones: [
    { name: 'waterSafe', clock: 'set', min: 600 },
    { name: 'handover', clock: 'set', min: 900 },
    { name: 'washOk', clock: 'set', min: 5 * DAY },
    { name: 'fullCure', clock: 'set', min: 10 * DAY },
  ],
});
/** Laid in the cold, where all of it takes twice as long. */
const cold = {
  product: coating,
  endMin: 100,
  milestones: { handover: 1900, washOk: 100 + 10 * DAY, fullCure: 100 + 20 * DAY },
};

test('the maker’s time is counted in the air, or kept exactly, and each says which', () => {
  expect(firstWashOf(cold, {})).toEqual({ atMin: 100 + 10 * DAY, by: 'sheet' });
  expect(hardOf(cold, { makersDays: 'by-air' })).toEqual({ atMin: 100 + 20 * DAY, by: 'sheet' });
  expect(firstWashOf(cold, { makersDays: 'exact' })).toEqual({ atMin: 100 + 5 * DAY, by: 'sheet-days' });
  expect(hardOf(cold, { makersDays: 'exact' })).toEqual({ atMin: 100 + 10 * DAY, by: 'sheet-days' });
});

test('the workshop’s own days only where they are later than the sheet, or it says nothing', () => {
  expect(firstWashOf(cold, { firstWashDays: 14 })).toEqual({ atMin: 1900 + 14 * DAY, by: 'workshop' });
  expect(firstWashOf(cold, { firstWashDays: 3 })).toEqual({ atMin: 100 + 10 * DAY, by: 'sheet' });
  const silent = { ...cold, milestones: { handover: 1900 } };
  expect(firstWashOf(silent, { firstWashDays: 3 })).toEqual({ atMin: 1900 + 3 * DAY, by: 'workshop' });
});

test('where the sheet says nothing: the family’s days after hand-over, else after it may get wet, else after laying; hard after two weeks', () => {
  const said = (milestones: Parameters<typeof firstWashOf>[0]['milestones']) =>
    firstWashOf({ ...cold, milestones }, {});
  expect(said({ handover: 300, waterSafe: 50 })).toEqual({ atMin: 300 + 7 * DAY, by: 'family' });
  expect(said({ waterSafe: 250 })).toEqual({ atMin: 250 + 7 * DAY, by: 'family' });
  expect(said({})).toEqual({ atMin: 100 + 7 * DAY, by: 'family' });
  expect(hardOf({ ...cold, milestones: {} }, { makersDays: 'exact' })).toEqual({ atMin: 100 + 14 * DAY, by: 'usual' });
});

test('what never cures in this air has no date, however its days are kept, and the item has none with it', () => {
  const never = { ...cold, milestones: { washOk: null, fullCure: null } };
  for (const makersDays of ['by-air', 'exact'] as const) {
    expect(firstWashOf(never, { makersDays }).atMin).toBeNull();
    expect(hardOf(never, { makersDays }).atMin).toBeNull();
  }
  const [early, late] = [firstWashOf(cold, { makersDays: 'exact' }), firstWashOf(cold, {})];
  expect(latestDated([early, late])).toBe(late);
  expect(latestDated([late, early])).toBe(late);
  expect(latestDated([late, firstWashOf(never, {}), early])?.atMin).toBeNull();
  expect(latestDated([])).toBeUndefined();
});
