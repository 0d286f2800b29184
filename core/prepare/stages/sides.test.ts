import fc from 'fast-check';
import { takeSides } from '.';

const panel = (surface: string, side: string | undefined, minutes: number) => ({ surface, side, minutes });
const CAR = [
  panel('bonnet', 'top', 20),
  panel('wing-left', 'left', 10),
  panel('door-left', 'left', 15),
  panel('wing-right', 'right', 10),
  panel('door-right', 'right', 15),
  panel('roof', 'top', 18),
  panel('bumper-front', 'front', 12),
  panel('barrels', undefined, 8),
];
const names = (taken: ReturnType<typeof takeSides<(typeof CAR)[number]>>) =>
  taken.map((own) => own.map(({ surface }) => surface));

test('two people take a side each, and share what lies between so that both are through at about the same time', () => {
  const [one, two] = names(takeSides(CAR, 2));
  expect(one).toEqual(expect.arrayContaining(['wing-left', 'door-left']));
  expect(two).toEqual(expect.arrayContaining(['wing-right', 'door-right']));
  // 25 each; then bonnet, roof, bumper and barrels to whoever has least: 25 + 20 + 8 against 25 + 18 + 12.
  expect(one).toEqual(['bonnet', 'wing-left', 'door-left', 'barrels']);
  expect(two).toEqual(['wing-right', 'door-right', 'roof', 'bumper-front']);
  expect(names(takeSides(CAR, 1))).toEqual([CAR.map(({ surface }) => surface)]);
});

test('law: every panel is taken once, and nobody has more than the largest side or panel above what another has', () => {
  const anyPanels = fc.array(
    fc.record({
      surface: fc.uuid(),
      side: fc.constantFrom('left', 'right', 'top', 'front', 'rear', undefined),
      minutes: fc.integer({ min: 1, max: 60 }),
    }),
    { maxLength: 30 },
  );
  fc.assert(
    fc.property(anyPanels, fc.integer({ min: 1, max: 5 }), (panels, people) => {
      const taken = takeSides(panels, people);
      expect(taken).toHaveLength(people);
      expect(taken.flat().length).toBe(panels.length);
      expect(new Set(taken.flat()).size).toBe(panels.length);
      const loads = taken.map((own) => own.reduce((sum, { minutes }) => sum + minutes, 0));
      const bySide = new Map<string, number>();
      for (const { side = '', minutes } of panels) bySide.set(side, (bySide.get(side) ?? 0) + minutes);
      const largest = Math.max(0, ...panels.map(({ minutes }) => minutes), ...bySide.values());
      expect(Math.max(...loads) - Math.min(...loads)).toBeLessThanOrEqual(largest + 1e-9);
    }),
  );
});
