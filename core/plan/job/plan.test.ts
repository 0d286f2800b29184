import fc from 'fast-check';
import type { AmbientSeries } from '#core/time/air';
import { job, product, surface } from '../../testing/samples';
import type { FindingCode } from './findings';
import type { PlanInput } from './input';
import { planOneByOne } from './one-by-one';
import { productsThatFit } from './would-fit';

const codes = (planned: PlanInput) => planOneByOne(planned).findings.map(({ code, severity }) => `${severity} ${code}`);
const onlyCoat = (planned: PlanInput) => planOneByOne(planned).surfaces[0]!.coats[0]!;
const layer = (id: string, coats = 1) => ({ product: id, coats, method: 'small-block' as const });
const still = (airC: number, rhPct = 50): AmbientSeries => [{ atMin: 0, airC, rhPct, airSpeed: 0.1 }];

describe('one coat', () => {
  test('follows the surface while it is levelled and the air while it cures', () => {
    const laid = onlyCoat(job({ ambient: still(21, 45), surfaces: [surface({ surfaceC: 19 })] })).laid!;
    expect(laid.window.rates.flash).toBeCloseTo(0.948, 3);
    expect(laid.window.rates.set).toBeCloseTo(0.918, 3);
    expect(laid.window.levelFromMin).toBeCloseTo(2.11, 3);
    expect(laid.window.levelByMin).toBeCloseTo(5.274, 3);
    expect(laid.maxSectionM2).toBeCloseTo(1.837, 3);
    expect(laid.amount).toBeCloseTo(8.918, 3);
    expect(laid.endMin).toBeCloseTo(5.793, 3);
    const warmer = onlyCoat(job({ ambient: still(21, 45), surfaces: [surface()] })).laid!;
    const cures = (coat: typeof laid) => coat.milestones.waterSafe! - coat.endMin;
    expect(cures(warmer)).toBeCloseTo(cures(laid), 9);
  });

  test('what must be done in time counts from the first stroke, what must wait from the last', () => {
    const { milestones, endMin } = onlyCoat(job()).laid!;
    expect(milestones.rewetBy).toBeCloseTo(60, 9);
    expect(milestones.waterSafe).toBeCloseTo(endMin + 720, 9);
    expect(milestones.cue).toBeUndefined();
  });

  test('matte goes in one piece and is levelled early, by either school', () => {
    const satin = product({
      milestones: [
        { name: 'cue', clock: 'flash', min: 4 },
        { name: 'levelFrom', clock: 'flash', min: 2 },
        { name: 'levelBy', clock: 'flash', min: 5 },
      ],
      substrates: { 'clear-matte': { use: 'yes' } },
    });
    const planned = job({ products: [satin], surfaces: [surface({ substrate: 'clear-matte' })] });
    const early = onlyCoat(planned).laid!;
    expect([early.sectionsPerCopy, early.window.levelFromMin, early.window.levelByMin]).toEqual([1, 0, 1]);
    expect(early.amount).toBeCloseTo(1.372 * 6.5 * 1.4, 9);
    const wet = onlyCoat({ ...planned, matteSchool: 'keep-wet' }).laid!;
    expect(wet.window.levelByMin).toBeCloseTo(3.2, 9);
  });

  test('over a film it is timed and measured out on the film, and in one piece where that is matte', () => {
    const coat = product({
      family: 'ceramic',
      over: ['film'],
      substrates: { 'film-gloss': { use: 'yes' }, 'film-matte': { use: 'yes', coverage: 1.5 } },
    });
    const film = (finish: 'gloss' | 'matte') =>
      product({
        id: 'film',
        family: 'film',
        unit: 'm2',
        clocks: {},
        milestones: [],
        film: { thicknessUm: 200, finish, rollWidthsMm: [1524], stretchPct: 20, maxSurfaceC: 60 },
      });
    const over = (finish: 'gloss' | 'matte') =>
      planOneByOne(
        job({ products: [film(finish), coat], surfaces: [surface({ layers: [layer('film'), layer('base')] })] }),
      ).surfaces[0]!.coats[1]!.laid!;
    const found = onlyCoat(job({ products: [coat], surfaces: [surface({ existing: ['film'] })] })).laid!;
    for (const { window } of [over('gloss'), found]) {
      expect(window.levelFromMin).toBeCloseTo(2.6, 9);
      expect(window.levelByMin).toBeCloseTo(6.5, 9);
    }
    expect(found.amount).toBe(over('gloss').amount);
    expect(over('gloss').amount).toBeCloseTo(1.372 * 6.5 * 1.15, 9);
    expect([over('matte').sectionsPerCopy, over('matte').window.levelFromMin]).toEqual([1, 0]);
    expect(over('matte').amount).toBeCloseTo(1.372 * 6.5 * 1.5, 9);
  });

  test('copies share the sections of one and add up in time and product', () => {
    const one = onlyCoat(job()).laid!;
    const three = onlyCoat(job({ surfaces: [surface({ count: 3 })] })).laid!;
    expect(three.amount).toBeCloseTo(3 * one.amount, 9);
    expect(three.endMin).toBeCloseTo(3 * one.endMin, 9);
    expect(three.sectionsPerCopy).toBe(one.sectionsPerCopy);
  });
});

describe('rounds', () => {
  const top = product({ id: 'top', family: 'ceramic-top', over: ['base'] });
  const stack = [layer('base'), layer('top')];

  test('first coats of all, then second coats, waiting where the one below is not ready', () => {
    const planned = job({
      products: [product(), top],
      surfaces: [surface({ id: 'a', layers: stack }), surface({ id: 'b', layers: stack })],
    });
    const [a, b] = planOneByOne(planned).surfaces.map(({ coats }) => coats.map(({ laid }) => laid!));
    expect(b![0]!.startMin).toBe(a![0]!.endMin);
    expect(a![1]!.startMin).toBeCloseTo(a![0]!.endMin + 120, 9);
    expect(b![1]!.startMin).toBeCloseTo(Math.max(a![1]!.endMin, b![0]!.endMin + 120), 9);
  });

  test('a coat of itself needs the sheet’s word, and a refused layer is taken as there for the next', () => {
    const twice = (over: string[]) =>
      codes(job({ products: [product({ over })], surfaces: [surface({ layers: [layer('base', 2)] })] }));
    expect(twice(['bare'])).toEqual(['stop bond']);
    for (const word of ['self', 'base', 'ceramic-base']) expect(twice(['bare', word])).toEqual([]);
    const onWax = job({ products: [product(), top], surfaces: [surface({ existing: ['paste-wax'], layers: stack })] });
    const plan = planOneByOne(onWax);
    expect(plan.surfaces[0]!.coats.map(({ answer }) => answer)).toEqual(['no', 'yes']);
    expect(plan.purchases.map(({ product: id }) => id)).toEqual(['top']);
  });

  test('too late over it is a warning, never ready for it a stop that leaves the upper coat out', () => {
    const hasty = product({ milestones: [{ name: 'recoatBy', clock: 'set', min: 3 }] });
    const late = job({ products: [hasty, top], surfaces: [surface({ layers: stack })] });
    expect(codes(late)).toEqual(['warn recoat-window']);
    const dry = planOneByOne(
      job({ ambient: still(20, 0), products: [product(), top], surfaces: [surface({ layers: stack })] }),
    );
    expect(dry.surfaces[0]!.coats.map(({ answer }) => answer)).toEqual(['yes', 'no']);
    expect(dry.findings.map(({ code }) => code)).toEqual(
      expect.arrayContaining<FindingCode>(['never-cures', 'recoat-window']),
    );
    expect(dry.waterSafeMin).toBeNull();
  });
});

describe('findings', () => {
  test.each<[string, Partial<PlanInput>, string[]]>([
    ['a cold surface under the dew point', { surfaces: [surface({ surfaceC: 8 })] }, ['stop condensation']],
    ['a surface close to it', { surfaces: [surface({ surfaceC: 11 })] }, ['warn condensation']],
    ['a substrate not on the sheet', { surfaces: [surface({ substrate: 'glass' })] }, ['stop not-allowed']],
    ['fresh paint', { surfaces: [surface({ refinishedAtMin: -1440 * 59 })] }, ['stop fresh-paint']],
    ['paint that has breathed', { surfaces: [surface({ refinishedAtMin: -1440 * 60 })] }, []],
    [
      'one piece too large for one',
      { surfaces: [surface({ onePiece: true, shape: { kind: 'area', areaM2: 4 } })] },
      ['stop too-large-solo'],
    ],
    ['outside the sheet', { products: [product({ limits: { airC: [22, 30] } })] }, ['warn out-of-limits']],
    ['a tight deadline', { needsByMin: 60 }, ['warn misses-deadline']],
    [
      'readings nobody can make',
      { surfaces: [surface({ substrate: 'gelcoat', readingsUm: [300], layers: [] })] },
      ['note not-readable'],
    ],
    [
      'vapour over the limit',
      { products: [product({ vocGPerL: 700 })], room: { volumeM3: 30, airChangesPerHour: 1, limitMgPerM3: 100 } },
      ['warn vapour'],
    ],
  ])('%s', (_name, changes, expected) => {
    expect(codes(job(changes))).toEqual(expected);
  });

  test('a window too narrow warns, a closed one leaves the coat out', () => {
    const window = (width: number) =>
      product({
        milestones: [
          { name: 'levelFrom', clock: 'flash', min: 2 },
          { name: 'levelBy', clock: 'flash', min: 2 + width },
        ],
      });
    expect(codes(job({ products: [window(0.9)] }))).toEqual(['warn narrow-window']);
    const closed = planOneByOne(job({ products: [window(0.2)] }));
    expect(closed.findings.map(({ code }) => code)).toEqual(['window-closed']);
    expect(closed.surfaces[0]!.coats[0]).toMatchObject({ answer: 'no' });
    expect(closed.handoverMin).toBeNull();
  });

  test('each matter once, at its gravest', () => {
    const self = product({ over: ['bare', 'self'] });
    const twoCoats = job({ products: [self], surfaces: [surface({ surfaceC: 11, layers: [layer('base', 2)] })] });
    expect(codes(twoCoats)).toEqual(['warn condensation']);
  });
});

describe('laws', () => {
  const sizes = fc.array(fc.double({ min: 0.05, max: 6, noNaN: true }), { minLength: 1, maxLength: 8 });
  const panels = (areas: number[]) =>
    areas.map((areaM2, index) => surface({ id: `p${index}`, shape: { kind: 'area', areaM2 } }));

  test('packs always cover the order, sections always fit, and ends follow starts', () => {
    fc.assert(
      fc.property(
        sizes,
        fc.double({ min: 5, max: 33, noNaN: true }),
        fc.double({ min: 20, max: 90, noNaN: true }),
        (areas, airC, rh) => {
          const plan = planOneByOne(job({ surfaces: panels(areas), ambient: still(airC, rh) }));
          for (const { packs, order, leftover } of plan.purchases) {
            const bought = packs.reduce((sum, { size, count }) => sum + size * count, 0);
            expect(bought).toBeGreaterThanOrEqual(order - 1e-6);
            expect(leftover).toBeCloseTo(bought - order, 6);
          }
          for (const { coats } of plan.surfaces) {
            for (const { laid } of coats) {
              if (!laid) continue;
              if (laid.maxSectionM2 !== null)
                expect(laid.sectionM2).toBeLessThanOrEqual(laid.maxSectionM2 * (1 + 1e-9));
              expect(laid.endMin).toBeGreaterThan(laid.startMin);
              expect(laid.milestones.waterSafe!).toBeGreaterThan(laid.endMin);
            }
          }
        },
      ),
    );
  });
});

describe('what from the shelf would go in one piece', () => {
  const quick = product({ id: 'quick' });
  const slow = product({
    id: 'slow',
    milestones: quick.milestones.map((milestone) =>
      milestone.name === 'levelBy' ? { ...milestone, min: 60 } : milestone,
    ),
  });
  const top = surface({ layers: [{ product: 'quick', coats: 1, method: 'small-block' }] });
  const planned = job({ surfaces: [top], products: [quick] });
  const asked = {
    surface: top,
    layer: 0,
    substrate: 'clear-gloss',
    method: 'small-block',
    areaM2: 4,
    startMin: 0,
  } as const;
  const found = (...shelf: ReturnType<typeof product>[]) =>
    productsThatFit(planned, asked, shelf).map(({ product: { id } }) => id);

  test('of the same family, with a window long enough, and nothing the rules refuse', () => {
    expect(found(quick, slow)).toEqual(['slow']);
    expect(found({ ...slow, id: 'as-short', milestones: quick.milestones })).toEqual([]);
    expect(found({ ...slow, family: 'paste-wax' })).toEqual([]);
    expect(found({ ...slow, substrates: { 'clear-gloss': { use: 'no' } } })).toEqual([]);
    // The longer the window, the more room, the sooner it is named.
    const slower = {
      ...slow,
      id: 'slower',
      milestones: slow.milestones.map((milestone) =>
        milestone.name === 'levelBy' ? { ...milestone, min: 200 } : milestone,
      ),
    };
    expect(found(slow, slower)).toEqual(['slower', 'slow']);
  });
});
