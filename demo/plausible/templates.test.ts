/** What a practitioner would expect of whole items: hours of preparation, areas, what it uses; in ranges, by template. */
import { type ItemTemplate, type Sizes, templateById, TEMPLATES } from '#core/item/nets';
import { SUBSTRATES } from '#core/item/substrates';
import { type Level, LEVELS, prepareItem } from '#core/prepare/stages';
import { takesPolish } from '#core/prepare/steps';
import type { JobInput } from '#formats/job';
import { firstSurfaces } from '#job/edit';
import { panelCases, prepareSettings } from '#job/prepare';
import { plainJob } from '../../job/testing/plain-job';

type Marked = 'light' | 'medium' | 'heavy';
const paint = [...Array(3).keys()].map((nth) => 129 + nth);

/** An item of a template whose paint is measured and swirled all over, prepared to a level. */
function prepared(id: string, level: Level, severity: Marked = 'medium', sizes: Sizes = {}) {
  const template = templateById(id)!;
  const surfaces = firstSurfaces(template, { ...template.usual, ...sizes }).map((surface) =>
    takesPolish(surface.substrate)
      ? {
          ...surface,
          readingsUm: paint,
          marks: [{ id: 'm', kind: 'swirls' as const, severity, at: [0.5, 0.5] as const }],
        }
      : surface,
  ) as NonNullable<JobInput['surfaces']>;
  const { document } = plainJob({ surfaces, prepare: { level } });
  return prepareItem(panelCases(document), prepareSettings(document));
}
const hours = (...of: Parameters<typeof prepared>) => prepared(...of).minutes / 60;

/** Hours of preparation by level: from washing and claying alone to a full correction, two hands. */
const EXPECTED: Readonly<Record<string, Readonly<Partial<Record<Level, readonly [number, number]>>>>> = {
  hatchback: { none: [1.5, 3], 'one-step': [3, 6], 'two-step': [6, 12], full: [8, 18] },
  saloon: { none: [1.5, 3.5], 'one-step': [3.5, 7], 'two-step': [6.5, 13], full: [10, 20] },
  'high-van': { none: [2.5, 5], 'one-step': [6, 12], 'two-step': [12, 24], full: [20, 40] },
  motorcycle: { none: [0.5, 1.5], 'one-step': [1, 3], 'two-step': [1.5, 4], full: [2, 6] },
  launch: { none: [2, 5], 'one-step': [6, 12] },
};

test.each(
  Object.entries(EXPECTED).flatMap(([id, levels]) =>
    Object.entries(levels).map(([level, range]) => [id, level as Level, ...range] as const),
  ),
)('a %s, %s: between %d and %d hours', (id, level, least, most) => {
  const taken = hours(id, level);
  expect(taken).toBeGreaterThanOrEqual(least);
  expect(taken).toBeLessThanOrEqual(most);
});

describe.each(TEMPLATES.map((template): [string, ItemTemplate] => [template.id, template]))('%s', (id) => {
  test('more is longer: each level than the one before, heavier marks than lighter', () => {
    const byLevel = LEVELS.map((level) => hours(id, level));
    expect(byLevel).toEqual(byLevel.toSorted((a, b) => a - b));
    const bySeverity = (['light', 'medium', 'heavy'] as const).map((severity) => hours(id, 'one-step', severity));
    expect(bySeverity).toEqual(bySeverity.toSorted((a, b) => a - b));
  });

  test('no satin panel, no glass and no trim is polished at any level', () => {
    const { surfaces } = plainJob({ surfaces: firstSurfaces(templateById(id)!, templateById(id)!.usual) }).document;
    const substrates = new Map(surfaces.map(({ id: panel, substrate }) => [panel, substrate]));
    for (const panel of prepared(id, 'full').panels) {
      const clear = panel.steps.filter(({ clearUm: [, most], kind }) => most > 0 && kind !== 'clay');
      const substrate = substrates.get(panel.id)!;
      if (!takesPolish(substrate))
        expect([panel.id, SUBSTRATES[substrate].name, clear]).toEqual([panel.id, SUBSTRATES[substrate].name, []]);
    }
  });

  test('what it uses is whole: every amount positive, its unit said, nothing twice', () => {
    for (const { steps } of prepared(id, 'two-step').panels) {
      for (const { uses, minutes } of steps) {
        expect(minutes).toBeGreaterThan(0);
        for (const use of uses) expect([use.what, use.amount > 0]).toEqual([use.what, true]);
        expect(new Set(uses.map(({ what }) => what)).size).toBe(uses.length);
      }
    }
  });
});

test('a tenth longer hatchback takes longer to prepare, by less than a tenth and a half', () => {
  const { lengthMm } = templateById('hatchback')!.usual;
  const ratio =
    hours('hatchback', 'two-step', 'medium', { lengthMm: lengthMm! * 1.1 }) / hours('hatchback', 'two-step');
  expect(ratio).toBeGreaterThan(1);
  expect(ratio).toBeLessThan(1.15);
});
