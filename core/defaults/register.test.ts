import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { STEP_KINDS } from '#core/work/steps';
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

/** Lines of the core that name the same figure of statistics or of time by its digits. */
function written(figure: RegExp): string[] {
  const files = readdirSync('core', { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.ts') && !file.includes('.test.') && !file.includes(`nets${path.sep}`),
  );
  return files.filter((file) => figure.test(readFileSync(path.join('core', file), 'utf8')));
}

test('minutes of a day and the sigmas of a tenth are written once', () => {
  expect(written(/\b1\.2816\b/)).toEqual([path.join('measures', 'spread.ts'), path.join('testing', 'samples.ts')]);
  expect(written(/\b1440\b/)).toEqual([]);
});
