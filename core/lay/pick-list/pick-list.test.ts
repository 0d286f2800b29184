import fc from 'fast-check';
import { towelsForCoat } from './towels';

const panel = (surface: string, areaM2: number) => ({ surface, areaM2 });

test('one of each role for 4 m² a coat, changed after the panel that fills them', () => {
  expect(towelsForCoat([panel('roof', 1.9), panel('bonnet', 1.3), panel('door', 0.9), panel('wing', 0.4)])).toEqual({
    each: 2,
    changesAfter: ['door'],
  });
  // Nothing is changed after the last panel, however full they are.
  expect(towelsForCoat([panel('side', 4)])).toEqual({ each: 1, changesAfter: [] });
  expect(towelsForCoat([panel('hull', 9), panel('deck', 3)])).toEqual({ each: 3, changesAfter: ['hull'] });
  expect(towelsForCoat([])).toEqual({ each: 0, changesAfter: [] });
});

test('law: never more changes than fresh towels of a role, and each on the way', () => {
  const areas = fc.array(fc.double({ min: 0.05, max: 6, noNaN: true }), { minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(areas, (sizes) => {
      const panels = sizes.map((areaM2, index) => panel(`p${index}`, areaM2));
      const { each, changesAfter } = towelsForCoat(panels);
      expect(changesAfter.length).toBeLessThanOrEqual(Math.max(0, each - 1));
      expect(changesAfter).not.toContain(panels.at(-1)!.surface);
      expect(each * 4).toBeGreaterThanOrEqual(sizes.reduce((sum, size) => sum + size, 0) - 1e-6);
    }),
  );
});
