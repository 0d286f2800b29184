import { layOut } from '#core/lay/run-sheet';
import { job, product, surface } from '../../testing/samples';
import { curingCoats, lampPlan, LAMPS, mustHold, curedIn } from '.';

const planned = job({ surfaces: [surface({ id: 'a' }), surface({ id: 'b' })], needsByMin: 24 * 60 });
const plan = layOut(planned).plan;
const coats = curingCoats(planned, plan);
const asked = { planned, plan, outFromMin: undefined, rain: [], airK: 1, nowMin: 0 };
const kind = <K extends string>(holds: readonly { kind: string }[], wanted: K) =>
  holds.find((hold): hold is Extract<typeof hold, { kind: K }> => hold.kind === wanted) as never;

test('what cures alike counts once, by the youngest of it, and cures as the plan says', () => {
  expect(coats).toHaveLength(1);
  expect(curedIn(planned, coats, 0)).toEqual({ waterSafeMin: plan.waterSafeMin, readyMin: plan.handoverMin });
});

test('warmer air is never later, colder never earlier; cold enough, it is never', () => {
  const ready = [-8, -4, 0, 4, 8].map((byK) => curedIn(planned, coats, byK).readyMin!);
  expect(ready).toEqual(ready.toSorted((a, b) => b - a));
  expect(new Set(ready).size).toBe(5);
});

test('how much colder the bay may be is where it is only just in time', () => {
  const { spareK, holds } = kind(mustHold(asked), 'air') as { spareK: number; holds: boolean };
  expect(curedIn(planned, coats, -spareK).readyMin!).toBeLessThanOrEqual(24 * 60);
  expect(curedIn(planned, coats, -spareK - 0.2).readyMin!).toBeGreaterThan(24 * 60);
  expect(holds).toBe(spareK >= 1.6449);
  expect(kind(mustHold({ ...asked, airK: 20 }), 'air')).toMatchObject({ holds: false });
});

test('too late as it is: so much warmer, or not at all', () => {
  const soon = { ...planned, needsByMin: plan.handoverMin! - 60 };
  const { spareK, warmerK } = kind(mustHold({ ...asked, planned: soon }), 'air') as { spareK: null; warmerK: number };
  expect(spareK).toBeNull();
  expect(curedIn(planned, coats, warmerK + 0.1).readyMin!).toBeLessThanOrEqual(soon.needsByMin);
  expect(curedIn(planned, coats, warmerK - 0.3).readyMin!).toBeGreaterThan(soon.needsByMin);
  expect(kind(mustHold({ ...asked, planned: { ...planned, needsByMin: 30 } }), 'air')).toMatchObject({ warmerK: null });
});

test('rain counts only while it is outside and not yet safe from water', () => {
  const safe = plan.waterSafeMin!;
  const dry = (outFromMin: number | undefined, rain: [number, number][]) =>
    kind(mustHold({ ...asked, outFromMin, rain }), 'dry') as { holds: boolean; rainMin?: number };
  expect(dry(undefined, [[0, safe]]).holds).toBe(true);
  expect(dry(safe - 60, [[safe - 120, safe - 90]]).holds).toBe(true);
  expect(dry(safe - 60, [[safe - 30, safe + 300]])).toMatchObject({ holds: false, rainMin: safe - 30 });
  expect(dry(safe - 60, [[safe - 120, safe]])).toMatchObject({ holds: false, rainMin: safe - 60 });
  // In danger first.
  expect(mustHold({ ...asked, outFromMin: 0, rain: [[0, safe]] })[0]!.kind).toBe('dry');
});

test('a coat that closes before the next is begun is told, one with hours to spare is not', () => {
  const closing = (min: number) =>
    product({
      over: ['bare', 'ceramic-base'],
      milestones: [
        { name: 'levelFrom', clock: 'flash', min: 2 },
        { name: 'levelBy', clock: 'flash', min: 8 },
        { name: 'recoatFrom', clock: 'set', min: 60 },
        { name: 'recoatBy', clock: 'set', min },
      ],
    });
  const twice = surface({ layers: [{ product: 'base', coats: 2, method: 'small-block' }] });
  const found = (min: number) => {
    const two = job({ surfaces: [twice], products: [closing(min)] });
    return mustHold({ ...asked, planned: two, plan: layOut(two).plan }).filter((hold) => hold.kind === 'recoat');
  };
  expect(found(90)).toMatchObject([{ holds: true, product: 'base' }]);
  expect(found(600)).toEqual([]);
});

describe('a lamp', () => {
  const [coat] = coats;
  const under = (changes: object = {}, lamp: (typeof LAMPS)[keyof typeof LAMPS] = LAMPS.stand) =>
    lampPlan({ ...coat!, areaM2: 0.9, fromMin: 0, ambient: planned.ambient, ...changes }, lamp);

  test('on one place beats waiting by hours; the minutes are the sheet’s over the rate at its heat', () => {
    const { placements, gainMin, readyMin, minutesEach, surfaceC } = under()!;
    expect([placements, surfaceC]).toEqual([1, 60]);
    expect(minutesEach).toBeGreaterThan(30);
    expect(minutesEach).toBeLessThan(240);
    expect(gainMin).toBeCloseTo(plan.waterSafeMin! - readyMin, 6);
    expect(gainMin!).toBeGreaterThan(180);
  });

  test('place after place: a whole car under a hand lamp is slower than waiting', () => {
    const { placements, gainMin } = under({ areaM2: 9 }, LAMPS.hand)!;
    expect(placements).toBe(36);
    expect(gainMin!).toBeLessThan(0);
    expect(under({ areaM2: 9 }, LAMPS.arch)!.gainMin!).toBeGreaterThan(gainMin!);
  });

  test('film and gelcoat take less heat, a window that crazes none', () => {
    expect(under({ substrate: 'film-gloss' })).toMatchObject({ surfaceC: 50, isCapped: true });
    expect(under({ substrate: 'gelcoat' })!.minutesEach).toBeGreaterThan(under()!.minutesEach);
    expect(under({ substrate: 'acrylic-window' })).toBeUndefined();
    expect(under({ product: product({ milestones: [] }) })).toBeUndefined();
  });

  test('begun later it has less left to do', () => {
    const [now, later] = [under()!, under({ fromMin: coat!.endMin + 300 })!];
    expect(later.minutesEach).toBeLessThan(now.minutesEach);
    expect(later.readyMin).toBeGreaterThan(now.readyMin);
  });
});
