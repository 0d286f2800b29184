import { slowness } from './slowness';

const FILM = { family: 'film', layPace: 0.08, levelPace: 0.12 } as const;
/** Minutes one person at the usual pace is busy with film on a panel. */
const minutes = (make: Parameters<typeof slowness>[0], areaM2: number) =>
  slowness(make, areaM2, FILM) * areaM2 * (1 / (0.45 * FILM.layPace) + 1 / (0.5 * FILM.levelPace));

test('a coat: small shaped parts by the piece, awkward ones by their handling, a flat as its size', () => {
  expect(slowness({}, 1)).toBe(1);
  expect(slowness({ handling: 2.5 }, 1)).toBe(2.5);
  expect(slowness({ piece: 'mirror' }, 0.05) * 0.05 * (1 / 0.45 + 1 / 0.5)).toBeCloseTo(5, 9);
  // A part larger than its piece's time allows goes by its size.
  expect(slowness({ piece: 'badge' }, 2)).toBe(1);
  expect(slowness({ curvature: 1.3 }, 1)).toBe(1);
});
test.each([
  ['bonnet', { curvature: 1.02 }, 1.35, [50, 95]],
  ['front bumper', { curvature: 1.12 }, 0.55, [45, 90]],
  ['front wing', { curvature: 1.06 }, 0.32, [18, 40]],
  ['door', { curvature: 1.03 }, 0.75, [30, 60]],
  ['mirror cap', { piece: 'mirror' as const, curvature: 1.5 }, 0.05, [15, 30]],
  ['lamp', { piece: 'lamp' as const, curvature: 1.08 }, 0.06, [12, 25]],
] as const)('film on a %s takes what a fitter would say', (_, make, areaM2, [from, to]) => {
  expect(minutes(make, areaM2)).toBeGreaterThan(from);
  expect(minutes(make, areaM2)).toBeLessThan(to);
});
