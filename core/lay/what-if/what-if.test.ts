/** The what-if bench: windows, sections, minutes and risk of a panel in other air. */
import fc from 'fast-check';
import { seeded } from '#core/measures';
import { product } from '../../testing/samples';
import type { Air } from '#core/time/air';
import { type BenchCase, MAP_C, MAP_RH, whatIf, workingRegion } from './index';
import { normalBelow } from './what-if';

const BENCH: BenchCase = {
  product: product({ limits: { airC: [8, 30], rhPct: [30, 80] } }),
  substrate: 'clear-gloss',
  matteSchool: 'fixed-early',
  guardSigma: 0,
  areaM2: 1.372,
  onePiece: false,
  pace: { layM2PerMin: 0.25, levelM2PerMin: 0.2 },
};
const still = (airC: number, rhPct = 50, airSpeed = 0.1): Air => ({ airC, rhPct, airSpeed });

test('the reference section: 1.00 m² alone, 3.00 m² for two, no less for three; the panel in two sections', () => {
  const { largestM2, sections, timing, panelMin, works } = whatIf(BENCH, still(20), 20);
  expect(largestM2[0]).toBeCloseTo(1, 9);
  expect(largestM2[1]).toBeCloseTo(3, 9);
  expect(largestM2[2]).toBeGreaterThanOrEqual(largestM2[1]!);
  expect(sections).toBe(2);
  expect(panelMin).toBeCloseTo(2 * timing.totalMin, 9);
  expect(works).toBe('good');
  // In one go it does not fit, whatever the air allows.
  expect(whatIf({ ...BENCH, onePiece: true }, still(20), 20).works).toBe('not');
});

test('risk: the share of flashes for which the window is too short, as drawn from the same spread', () => {
  const { timing, window, risk } = whatIf({ ...BENCH, onePiece: true, areaM2: 0.9 }, still(20), 20);
  const random = seeded(5);
  let late = 0;
  for (let n = 0; n < 20_000; n++) {
    const factor = Math.exp(0.2 * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random()));
    const [from, by] = [window.levelFromMin! * factor, window.levelByMin! * factor];
    const waitMin = Math.max(0, from - Math.min(timing.layMin, timing.levelMin));
    const oldest = Math.max(timing.layMin, timing.levelMin) + waitMin;
    if (oldest > by) late += 1;
  }
  expect(risk).toBeCloseTo(late / 20_000, 2);
  expect(normalBelow(0)).toBeCloseTo(0.5, 6);
  expect(normalBelow(1.2816)).toBeCloseTo(0.9, 4);
  expect(normalBelow(-1.2816)).toBeCloseTo(0.1, 4);
});

test('law: moving air and a warmer panel shorten a solvent window, and a shorter one is never the safer', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 10, max: 28, noNaN: true }),
      fc.double({ min: 0, max: 8, noNaN: true }),
      fc.double({ min: 0, max: 2, noNaN: true }),
      (airC, warmer, faster) => {
        const at = (k: number, v: number) => whatIf({ ...BENCH, onePiece: true }, still(airC, 50, 0.1 + v), airC + k);
        const [before, after] = [at(0, 0), at(warmer, faster)];
        expect(after.window.levelByMin!).toBeLessThanOrEqual(before.window.levelByMin! + 1e-9);
        expect(after.risk).toBeGreaterThanOrEqual(before.risk - 1e-6);
        expect(after.largestM2[1] ?? Infinity).toBeLessThanOrEqual((before.largestM2[1] ?? Infinity) + 1e-9);
      },
    ),
  );
});

test('the region is the sheet’s limits where nothing else speaks, and what is refused there is refused on the bench', () => {
  const region = workingRegion({ ...BENCH, areaM2: 0.2 }, 0.1, 0);
  MAP_RH.forEach((rhPct, row) =>
    MAP_C.forEach((airC, column) => {
      const inside = airC >= 8 && airC <= 30 && rhPct >= 30 && rhPct <= 80;
      if (!inside) expect([airC, rhPct, region[row]![column]]).toEqual([airC, rhPct, 'not']);
      expect(region[row]![column]).toBe(whatIf({ ...BENCH, areaM2: 0.2 }, still(airC, rhPct), airC).works);
    }),
  );
  expect(region[MAP_RH.indexOf(50)]![MAP_C.indexOf(20)]).toBe('good');
});
