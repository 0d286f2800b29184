/** A passport from one empty database to another: layers, dates and ledger arrive as they left. */
import fc from 'fast-check';
import { clearOnSurfaces, standingSurfaces, topOf } from '#core/care/upkeep';
import { MS_PER_MIN } from '#core/measures';
import { foldLog } from '#core/lay/run';
import type { JobRecord } from '#formats/job';
import type { PassportFile } from '#formats/passport';
import { planInput } from '#job/plan';
import { yardThatMorning } from '../demo/that-morning';
import { startServer } from './testing/client';

const NOW = '2027-03-02T10:40:00+01:00';
/** The same instant, whatever zone it is written in, to the minute. */
const SAME_MIN = 1;

test('whatever was laid of whichever sample, and however far: the same layers, dates and ledger at the other shop', async () => {
  const worked = yardThatMorning().jobs.filter(({ log }) => log.some(({ entry }) => entry.type === 'level-end'));
  const [from, to] = await Promise.all([startServer(() => new Date(NOW)), startServer(() => new Date(NOW))]);
  let trips = 0;
  let compared = 0;
  const aTrip = fc.record({
    job: fc.constantFrom(...worked),
    share: fc.double({ min: 0.3, max: 1, noNaN: true }),
    took: fc.integer({ min: 0, max: 9 }),
    clearUm: fc.integer({ min: 60, max: 140 }),
  });
  await fc.assert(
    fc.asyncProperty(aTrip, async ({ job: { draft, log }, share, took, clearUm }) => {
      trips += 1;
      const id = `trip-${trips}`;
      const { document } = draft;
      const sent = {
        ...document,
        item: { ...(document.item ?? { name: document.title }), id },
        surfaces: document.surfaces.map((surface) => ({
          ...surface,
          readingsUm: [],
          readingsAt: undefined,
          readingsFrom: undefined,
          clearUm,
          clearBefore: { um: clearUm, on: '2026-01-05', takenUm: took },
        })),
      };
      const added = await from.call('PUT', `/api/jobs/${id}`, { bayId: null, airSource: 'typed', document: sent }, 0);
      expect(added.status).toBe(200);
      for (const { id: entryId, at, entry } of log.slice(0, Math.ceil(log.length * share)))
        await from.call('POST', `/api/jobs/${id}/log`, { id: `${id}-${entryId}`, at, entry });
      const { body: file } = await from.call<PassportFile>('GET', `/api/jobs/${id}/passport.json`);
      const taken = await to.call<JobRecord>('POST', '/api/passports/take', file);
      expect(taken.status).toBe(201);
      const there = taken.body.document;
      const planned = planInput(there);
      const standing = standingSurfaces(planned, foldLog([]), there.owner ?? {});
      const clear = clearOnSurfaces(planned.surfaces);
      for (const panel of file.passport.panels) {
        const nth = there.surfaces.findIndex(({ id: own }) => own === panel.surface);
        const [surface, is] = [there.surfaces[nth]!, standing[nth]!];
        // All that lies on it, bottom first, by name and by when it was done.
        expect(surface.existing).toEqual([...panel.found, ...panel.layers.map(({ family }) => family)]);
        const told = surface.existingTold!.slice(panel.found.length);
        expect(told.map((each) => each!.name)).toEqual(panel.layers.map(({ product }) => product));
        for (const [index, { endAt }] of panel.layers.entries())
          expect(Math.abs(Date.parse(told[index]!.since!) - Date.parse(endAt))).toBeLessThan(SAME_MIN * MS_PER_MIN);
        // It wears out on the same day there.
        const last = panel.layers.at(-1);
        if (last) {
          const renews = Date.parse(there.startAt) + topOf(is)!.renewMin * MS_PER_MIN;
          expect(Math.abs(renews - Date.parse(last.renew.about))).toBeLessThan(SAME_MIN * MS_PER_MIN);
          compared += 1;
        }
        // The ledger goes on from what was left, and from what was taken over the years.
        expect(clear[nth]!).toBeCloseTo(panel.clearUm!, 1);
        expect(surface.clearBefore!.takenUm).toBeGreaterThanOrEqual(took);
      }
    }),
    { numRuns: 6, seed: 17, endOnFailure: true },
  );
  expect(compared).toBeGreaterThan(0);
  await from.stop();
  await to.stop();
});
