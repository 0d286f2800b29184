/** Go or wait: limits, condensation, windows; the surface that lags the air; what would open a coat sooner. */
import fc from 'fast-check';
import { product } from '../../testing/samples';
import type { Air, AmbientSeries } from '#core/time/air';
import {
  bestStretch,
  followingAir,
  sunGainK,
  goAt,
  type GoCase,
  goIn,
  goStrip,
  SLOT_MIN,
  type WayToGo,
  waysToGo,
} from './index';

const still = (airC: number, rhPct = 50, airSpeed = 0.1): Air => ({ airC, rhPct, airSpeed });
const always = (air: Air): AmbientSeries => [{ atMin: 0, ...air }];
const COAT = product({ limits: { airC: [10, 28], rhPct: [35, 75], surfaceC: [10, 30] } });
const asked = (ambient: AmbientSeries, surfaceC?: number, more: Partial<GoCase> = {}): GoCase => ({
  product: COAT,
  substrate: 'clear-gloss',
  ambient,
  surface: followingAir(ambient, 70, surfaceC === undefined ? undefined : { atMin: 0, surfaceC }),
  matteSchool: 'fixed-early',
  guardSigma: 1.2816,
  ...more,
});
const causes = (air: Air, surfaceC?: number) =>
  goAt(asked(always(air), surfaceC), 0).reasons.map(({ cause, verdict }) => `${cause} ${verdict}`);

test('a surface lags the air: from 2 °C in 20 °C with 70 min it is at 15 °C after 89.67 min, and lags each step anew', () => {
  const track = followingAir(always(still(20)), 70, { atMin: 0, surfaceC: 2 });
  expect(track(89.67)).toBeCloseTo(15, 3);
  const cooling: AmbientSeries = [
    { atMin: 0, ...still(20) },
    { atMin: 100, ...still(10) },
  ];
  const stepped = followingAir(cooling, 70);
  expect(stepped(100)).toBeCloseTo(20, 9);
  expect(stepped(170)).toBeCloseTo(10 + 10 / Math.E, 9);
  // A reading in the middle goes on from there.
  expect(followingAir(cooling, 70, { atMin: 170, surfaceC: 16 })(240)).toBeCloseTo(10 + 6 / Math.E, 9);
});

test('what stands against it is named with its number, what is near a limit is minded', () => {
  expect(causes(still(20))).toEqual([]);
  expect(causes(still(9))).toEqual(['air-cold not', 'surface-cold not']);
  expect(causes(still(10.5))).toEqual(['air-cold marginal', 'surface-cold marginal']);
  expect(causes(still(20, 80))).toEqual(['air-damp not']);
  expect(causes(still(20, 30))).toEqual(['air-dry not']);
  expect(causes(still(20, 50, 1))).toEqual(['draught marginal']);
  // 20 °C, 60 %: dew point 12.0 °C.
  expect(causes(still(20, 60), 11)).toEqual(['dew not']);
  expect(causes(still(20, 60), 13.5)).toEqual(['dew marginal']);
  const { reasons } = goAt(asked(always(still(20, 60)), 11), 0);
  expect(reasons[0]!.value).toBeCloseTo(11 - 12, 0);
  // A window too short to work in is a no as well.
  const quick = {
    ...COAT,
    milestones: [
      { name: 'levelFrom', clock: 'flash', min: 2 },
      { name: 'levelBy', clock: 'flash', min: 2.2 },
    ],
  } as const;
  expect(goIn({ ...asked(always(still(20))), product: quick }, still(20), 20).reasons).toEqual([
    expect.objectContaining({ cause: 'window', verdict: 'not' }),
  ]);
});

test('the sun warms by tone and hour; what it makes of the panel is held against the sheet, and shade or rest beside it are the ways out', () => {
  expect(sunGainK('dark', 12 * 60)).toBeCloseTo(30, 9);
  expect(sunGainK('pale', 12 * 60)).toBeCloseTo(10, 9);
  expect(sunGainK(undefined, 9 * 60)).toBeCloseTo(20 * Math.SQRT1_2, 9);
  expect([sunGainK('dark', 5 * 60), sunGainK('dark', 18 * 60), sunGainK('dark', 24 * 60 + 12 * 60)]).toEqual([
    0, 0, 30,
  ]);
  const beside = (sunK: number, dusty = false) =>
    asked(always(still(14)), undefined, { around: () => ({ sunK, dusty }) });
  const told = (question: GoCase) => {
    const now = goAt(question, 0);
    return [now.reasons.map(({ cause, verdict }) => `${cause} ${verdict}`), waysToGo(question, now)] as const;
  };
  expect(told(beside(0))).toEqual([[], []]);
  // 24 °C in the sun is inside the sheet's 30, 34 °C is not; in the shade both are good.
  expect(told(beside(10))).toEqual([['sun marginal'], [{ kind: 'shade', verdict: 'good' }]]);
  expect(told(beside(20))).toEqual([['sun not'], [{ kind: 'shade', verdict: 'good' }]]);
  expect(told(beside(0, true))).toEqual([['dust marginal'], [{ kind: 'no-dust', verdict: 'good' }]]);
  // Shade alone leaves the dust to be minded.
  expect(told(beside(20, true))).toEqual([['sun not', 'dust marginal'], [{ kind: 'shade', verdict: 'marginal' }]]);
});

const cold = (hours: number): AmbientSeries => [
  { atMin: 0, ...still(6, 60) },
  { atMin: hours * 60, ...still(20) },
];
test('the strip opens as the bay warms; the best stretch is long enough, good before marginal, and while somebody is there', () => {
  const strip = goStrip(asked(cold(4)), 0, 24 * 60);
  expect(strip).toHaveLength(48);
  expect(strip[0]!.verdict).toBe('not');
  const stretch = bestStretch([strip], 120)!;
  expect(stretch.verdict).toBe('good');
  expect(stretch.fromMin).toBeGreaterThan(4 * 60);
  // The panel follows the air with its lag: not at once when the heating comes on.
  expect(stretch.fromMin).toBeLessThan(7 * 60);
  const lateOnly = bestStretch([strip], 60, (tMin) => tMin >= 20 * 60)!;
  expect(lateOnly.fromMin).toBe(20 * 60);
  expect(bestStretch([strip], 60, () => false)).toBeUndefined();
  expect(bestStretch([strip], 48 * 60)).toBeUndefined();
  expect(bestStretch([], 60)).toBeUndefined();
  expect(stretch.toMin - strip[0]!.atMin).toBe(48 * SLOT_MIN);
});

const ways = (air: Air, surfaceC?: number) => {
  const question = asked(always(air), surfaceC);
  return waysToGo(question, goAt(question, 0));
};
const kind = (list: readonly WayToGo[], wanted: WayToGo['kind']) => list.find((way) => way.kind === wanted);

test('a cold item stands, a cold bay is heated, a damp one dried, a door closed; good needs nothing', () => {
  expect(ways(still(20))).toEqual([]);
  const stand = kind(ways(still(20, 60), 4), 'stand') as Extract<WayToGo, { kind: 'stand' }>;
  // 12 °C dew point and 3 K: from 4 °C to 15 °C with 70 min are 81.6.
  expect([stand.verdict, stand.min]).toEqual(['good', 85]);
  const heat = kind(ways(still(7, 75)), 'heat') as Extract<WayToGo, { kind: 'heat' }>;
  expect(heat).toMatchObject({ verdict: 'good' });
  expect(heat.toC).toBeGreaterThan(11);
  expect(heat.toC).toBeLessThan(16);
  expect(heat.min).toBeGreaterThan(30);
  expect(kind(ways(still(20, 80)), 'dry')).toEqual({ kind: 'dry', verdict: 'good', toRhPct: 72 });
  expect(kind(ways(still(20, 50, 1)), 'close-door')).toEqual({ kind: 'close-door', verdict: 'good' });
  expect(kind(ways(still(8, 70, 1)), 'close-door-and-heat')).toBeDefined();
  expect(kind(ways(still(31, 50)), 'cool')).toMatchObject({ verdict: 'good' });
});

test('law: a way that is told opens it, and the colder the item the longer it stands', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 34, noNaN: true }),
      fc.double({ min: 20, max: 95, noNaN: true }),
      fc.double({ min: -5, max: 34, noNaN: true }),
      (airC, rhPct, surfaceC) => {
        const air = still(airC, rhPct);
        for (const way of ways(air, surfaceC)) {
          if (way.kind === 'dry' || way.kind === 'damp')
            expect(goIn(asked(always(air)), { ...air, rhPct: way.toRhPct }, surfaceC).verdict).toBe(way.verdict);
          if (way.kind === 'stand') {
            const track = followingAir(always(air), 70, { atMin: 0, surfaceC });
            expect(goIn(asked(always(air)), air, track(way.min)).verdict).toBe(way.verdict);
          }
        }
      },
    ),
    { numRuns: 60 },
  );
  const waits = [12, 8, 4, 0].map((from) => (kind(ways(still(20, 60), from), 'stand') as { min: number }).min);
  expect(waits).toEqual(waits.toSorted((a, b) => a - b));
});
