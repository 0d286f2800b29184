/** Go or wait for a whole job: which panels ask together, which is told for a row, and the stretch that is offered. */
import fc from 'fast-check';
import { type GoVerdict, SLOT_MIN, waysToGo } from '#core/lay/go';
import { hoursOf, peopleOf } from '#core/plan/crew';
import type { AmbientSeries } from '#core/time/air';
import { foldLog, runSheet } from '#core/lay/run';
import type { PlanInput } from '#core/plan/job';
import { planInput } from '#job/plan';
import { yardThatMorning } from '../../demo/that-morning';
import { goView, type LaidAt, waysFor } from '.';

const yard = yardThatMorning();
const DAY_MIN = 24 * 60;

/** A sample job in this air, with panels as warm as said; nothing of it is laid yet. */
function asked(id: string, air: Partial<{ airC: number; rhPct: number; airSpeed: number }>, coldC?: number) {
  const document = yard.jobs.find((job) => job.id === id)!.draft.document;
  const planned = planInput(document);
  const ambient: AmbientSeries = [{ atMin: 0, airC: 19, rhPct: 50, airSpeed: 0.1, ...air }];
  const [cold] = planned.surfaces;
  const inThatAir: PlanInput = {
    ...planned,
    ambient,
    surfaces: planned.surfaces.map(({ surfaceC: _, ...surface }) =>
      coldC !== undefined && surface.id === cold!.id ? { ...surface, surfaceC: coldC } : surface,
    ),
  };
  const { plan } = runSheet(inThatAir, foldLog([]), 0);
  return { planned: inThatAir, plan, cold: cold!.id, hours: peopleOf(planned.crew).flatMap(hoursOf) };
}
const RANK: Readonly<Record<GoVerdict, number>> = { good: 0, marginal: 1, not: 2 };
const JOBS = ['teal-hatchback', 'satin-tourer', 'marrow-launch'];

test.each(JOBS)(
  'every coat of the %s that is still to lie is asked for once, and a row says the worst of its panels',
  (id) => {
    const { planned, plan } = asked(id, {});
    const view = goView(planned, plan, 0, DAY_MIN);
    const toLay = plan.surfaces.flatMap(({ id: surface, coats }) =>
      coats.filter(({ laid }) => laid).map(({ product }) => `${surface} ${product}`),
    );
    const inGroups = view.groups.flatMap(({ product, surfaces }) =>
      surfaces.map((surface) => `${surface} ${product.id}`),
    );
    expect(new Set(inGroups)).toEqual(new Set(toLay));
    for (const { id: surface, coats } of plan.surfaces) {
      const first = coats.find(({ laid }) => laid);
      expect(view.nextOf.get(surface)?.product.id).toBe(first?.product);
    }
    expect(view.slots).toBe(DAY_MIN / SLOT_MIN);
    for (const { product, verdicts } of view.rows) {
      const own = view.groups.filter((group) => group.product === product);
      verdicts.forEach((verdict, slot) =>
        expect(RANK[verdict]).toBe(Math.max(...own.map(({ strip }) => RANK[strip[slot]!.verdict]))),
      );
    }
    // What is laid already is asked for no more: nothing is left of it.
    expect(goView(planned, plan, 0, DAY_MIN, undefined, undefined, () => true)).toMatchObject({
      groups: [],
      rows: [],
      best: undefined,
    });
  },
);

test.each(JOBS)(
  'the stretch offered for the %s is good, or at least not refused, on all its panels, and somebody is there',
  (id) => {
    const { planned, plan, hours } = asked(id, { airC: 18 });
    const view = goView(planned, plan, 0, 2 * DAY_MIN);
    const { best } = view;
    expect(best).toBeDefined();
    const first = view.groups[0]!.product;
    for (let slot = 0; slot < view.slots; slot += 1) {
      const tMin = slot * SLOT_MIN;
      if (tMin < best!.fromMin || tMin >= best!.toMin) continue;
      expect(hours.some(([from, to]) => from <= tMin && tMin < to)).toBe(true);
      for (const { product, strip } of view.groups) if (product === first) expect(strip[slot]!.verdict).not.toBe('not');
    }
  },
);

test('one panel that came in cold asks by itself, waits alone, and standing opens it; the others go meanwhile', () => {
  const { planned, plan, cold } = asked('teal-hatchback', { airC: 20, rhPct: 55 }, 3);
  const view = goView(planned, plan, 0, DAY_MIN);
  const own = view.nextOf.get(cold)!;
  expect(own.surfaces).toEqual([cold]);
  expect(own.strip[0]!.verdict).toBe('not');
  const [other] = [...view.nextOf].find(([surface, group]) => surface !== cold && group.product === own.product)!;
  expect(view.nextOf.get(other)!.strip[0]!.verdict).not.toBe('not');
  const stand = waysFor(own, 0).find(({ kind }) => kind === 'stand')!;
  expect(stand).toBeDefined();
  const opens = own.strip.findIndex(({ verdict }) => verdict !== 'not');
  expect(opens).toBeGreaterThan(0);
  expect((stand as { min: number }).min).toBeLessThanOrEqual(opens * SLOT_MIN + SLOT_MIN);
  expect(waysFor(own, opens)).toEqual(waysToGo(own.asked, own.strip[opens]!));
});

test('law: sun and dust never make it better, and who keeps out of both is told the same as with neither', () => {
  const { planned, plan } = asked('teal-hatchback', {});
  const verdictsOf = (laidAt?: LaidAt) =>
    goView(planned, plan, 0, DAY_MIN, undefined, laidAt).rows.map(
      ({ product, verdicts }) => [product.id, verdicts] as const,
    );
  const alone = new Map(verdictsOf());
  expect(new Map(verdictsOf({ shade: true, startMinuteOfDay: 600, dust: [] }))).toEqual(alone);
  fc.assert(
    fc.property(
      fc.boolean(),
      fc.integer({ min: 0, max: DAY_MIN - 1 }),
      fc.integer({ min: 0, max: DAY_MIN }),
      fc.integer({ min: 0, max: 300 }),
      (shade, startMinuteOfDay, from, lasts) => {
        for (const [product, verdicts] of verdictsOf({ shade, startMinuteOfDay, dust: [[from, from + lasts]] }))
          verdicts.forEach((verdict, slot) => {
            expect(RANK[verdict]).toBeGreaterThanOrEqual(RANK[alone.get(product)![slot]!]);
            const tMin = slot * SLOT_MIN;
            if (from <= tMin && tMin < from + lasts) expect(verdict).not.toBe('good');
          });
      },
    ),
    { numRuns: 8 },
  );
});
