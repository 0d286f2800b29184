import { STEP_KINDS } from '#core/prepare/steps';
import { DEFAULT_GROUPS } from './index';

test('every default is a figure with its reason, and none stands twice in its group', () => {
  for (const { name, why, overriddenBy, defaults } of DEFAULT_GROUPS) {
    expect([name, why.length > 20, overriddenBy.length > 5]).toEqual([name, true, true]);
    expect(new Set(defaults.map((each) => each.name)).size).toBe(defaults.length);
    expect(defaults.filter(({ value }) => !Number.isFinite(value))).toEqual([]);
  }
});

test('the register shows what the models compute with', () => {
  const of = (group: string, name: string) =>
    DEFAULT_GROUPS.find((each) => each.name.startsWith(group))!.defaults.find((each) => each.name === name)!.value;
  expect(of('Work of preparation', 'Cutting')).toBe(STEP_KINDS.cutting.pace.min);
  expect(of('Clocks', 'Activation energy, moisture')).toBe(45);
  expect(of('Air', 'Surface above the dew point')).toBe(3);
});
