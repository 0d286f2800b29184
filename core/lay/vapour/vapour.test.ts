import fc from 'fast-check';
import { layOut } from '#core/lay/run-sheet';
import { job, surface } from '../../testing/samples';
import { type Release, releasesOf, roomVapour, vapourAt } from './vapour';

const ROOM = { volumeM3: 180, airChangesPerHour: 2 };
const release = (changes: Partial<Release> = {}): Release => ({
  atMin: 0,
  overMin: 60,
  grams: 90,
  limitMgPerM3: undefined,
  lowerExplosiveMgPerM3: 40_000,
  ...changes,
});

test('reference: 90 g over an hour in 180 m³ at two air changes', () => {
  expect(vapourAt([release()], ROOM, 60).mgPerM3).toBeCloseTo(216.2, 1);
  expect(vapourAt([release()], ROOM, 120).mgPerM3).toBeCloseTo(29.25, 1);
});

test('products together: each counts by its own limit', () => {
  const both = [release({ limitMgPerM3: 400 }), release({ limitMgPerM3: 200 })];
  expect(vapourAt(both, ROOM, 60).ofLimit).toBeCloseTo(216.2 / 400 + 216.2 / 200, 2);
  expect(vapourAt([release()], ROOM, 60).ofLimit).toBeUndefined();
});

test('over its limit: as many air changes as keep it under it, and when the room is clear', () => {
  const vapour = roomVapour([release({ limitMgPerM3: 100 })], ROOM)!;
  expect(vapour.peakMin).toBe(60);
  expect(vapour.peak.ofLimit).toBeCloseTo(2.162, 3);
  expect(vapour.clearMin).toBeCloseTo(60 + Math.log(2.162) * 30, 1);
  const enough = { ...ROOM, airChangesPerHour: vapour.neededPerHour! };
  expect(roomVapour([release({ limitMgPerM3: 100 })], enough)!.peak.ofLimit).toBeLessThanOrEqual(1);
  expect(enough.airChangesPerHour).toBeGreaterThan(4);
  expect(
    roomVapour([release({ limitMgPerM3: 100 })], { ...ROOM, airChangesPerHour: enough.airChangesPerHour - 0.2 })!.peak
      .ofLimit,
  ).toBeGreaterThan(1);
  expect(roomVapour([release({ limitMgPerM3: 100 })], { ...ROOM, airChangesPerHour: 0 })!.clearMin).toBeNull();
});

test('a small shut room: a tenth of what explodes is a limit of its own, breathable or not', () => {
  const closet = { volumeM3: 6, airChangesPerHour: 0.2 };
  const vapour = roomVapour([release({ limitMgPerM3: 1e6 })], closet)!;
  expect(vapour.peak.ofExplosive).toBeGreaterThan(0.1);
  expect(vapour.neededPerHour!).toBeGreaterThan(closet.airChangesPerHour);
  expect(roomVapour([release({ grams: 90_000 })], closet)!.neededPerHour).toBeNull();
  expect(roomVapour([], closet)).toBeUndefined();
});

test('a run sheet lets out what its products hold, patch by patch', () => {
  const planned = job({ surfaces: [surface({ id: 'a' }), surface({ id: 'b' })] });
  const { actions } = layOut(planned);
  const solvent = { ...planned.products[0]!, vocGPerL: 600, limitMgPerM3: 300 };
  const releases = releasesOf(actions, new Map([[solvent.id, solvent]]));
  const laidMl = actions.reduce((sum, { amount = 0 }) => sum + amount, 0);
  expect(releases.reduce((sum, { grams }) => sum + grams, 0)).toBeCloseTo(0.6 * laidMl, 6);
  expect(releases.every(({ limitMgPerM3 }) => limitMgPerM3 === 300)).toBe(true);
  expect(releasesOf(actions, new Map([[solvent.id, solvent]]), 50)[0]!.limitMgPerM3).toBe(50);
  expect(releasesOf(actions, new Map([[solvent.id, { ...solvent, vocGPerL: 0 }]]))).toEqual([]);
});

test('laws: more air changes, or a larger room, never make it worse; it never rises after the last release', () => {
  const some = fc.array(
    fc.record({
      atMin: fc.integer({ min: 0, max: 300 }),
      overMin: fc.integer({ min: 1, max: 90 }),
      grams: fc.integer({ min: 1, max: 200 }),
    }),
    { minLength: 1, maxLength: 12 },
  );
  fc.assert(
    fc.property(some, fc.double({ min: 0.1, max: 20, noNaN: true }), (parts, perHour) => {
      const releases = parts.map((part) => release({ ...part, limitMgPerM3: 500 }));
      const room = { volumeM3: 120, airChangesPerHour: perHour };
      const here = roomVapour(releases, room)!;
      for (const better of [
        { ...room, airChangesPerHour: perHour * 1.5 },
        { ...room, volumeM3: 200 },
      ])
        expect(roomVapour(releases, better)!.peak.ofLimit!).toBeLessThanOrEqual(here.peak.ofLimit! + 1e-9);
      // No moment is worse than the one that was found.
      for (let min = 0; min <= 400; min += 7)
        expect(vapourAt(releases, room, min).ofLimit ?? 0).toBeLessThanOrEqual(here.peak.ofLimit! + 1e-9);
      expect(vapourAt(releases, room, here.clearMin!).ofLimit).toBeLessThanOrEqual(1 + 1e-9);
    }),
    { numRuns: 60 },
  );
});
