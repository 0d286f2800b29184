import fc from 'fast-check';
import { job, product, surface } from '../../testing/samples';
import { type Finding, FINDING_CODES, onceEach, SEVERITIES } from './findings';
import { planOneByOne } from './one-by-one';

const codesOf = (changes: Parameters<typeof job>[0]) =>
  planOneByOne(job(changes)).findings.map(({ severity, code }) => `${severity} ${code}`);
const textOf = (changes: Parameters<typeof job>[0], code: string) =>
  planOneByOne(job(changes)).findings.find((finding) => finding.code === code)!.text;
const air = (airC: number, rhPct: number) => [{ atMin: 0, airC, rhPct, airSpeed: 0.1 }] as const;

describe('each matter is told once', () => {
  const finding = fc.record({
    severity: fc.constantFrom(...SEVERITIES),
    code: fc.constantFrom(...FINDING_CODES.slice(0, 4)),
    surface: fc.constantFrom('roof', 'bonnet'),
    product: fc.constantFrom('base', 'top'),
    text: fc.string(),
  });

  test('at its gravest, where it first came up, and none is lost', () => {
    fc.assert(
      fc.property(fc.array(finding, { maxLength: 30 }), (findings) => {
        const kept = onceEach(findings);
        const key = (f: Finding) => [f.code, f.surface, f.product].join('/');
        expect(kept.map(key)).toEqual([...new Set(findings.map(key))]);
        for (const one of kept) {
          const same = findings.filter((other) => key(other) === key(one));
          const gravest = Math.min(...same.map(({ severity }) => SEVERITIES.indexOf(severity)));
          expect(SEVERITIES.indexOf(one.severity)).toBe(gravest);
        }
      }),
    );
  });
});

describe('each finding comes up when it should, says by how much, and what to do', () => {
  test('water on a cold surface', () => {
    const wet = { ambient: air(20, 50), surfaces: [surface({ surfaceC: 8 })] };
    expect(codesOf(wet)).toContain('stop condensation');
    expect(textOf(wet, 'condensation')).toMatch(/8\.0 °C is 1\.3 K below the dew point of 9\.3 °C.*warm up/);
    const close = { ambient: air(20, 50), surfaces: [surface({ surfaceC: 11 })] };
    expect(codesOf(close)).toContain('warn condensation');
    expect(codesOf({ ambient: air(20, 50), surfaces: [surface({ surfaceC: 14 })] }).join()).not.toMatch(/condensation/);
  });

  test('air outside the sheet, named with both ends', () => {
    const limited = product({ limits: { airC: [10, 30], rhPct: [30, 70], surfaceC: [10, 32] } });
    const cold = { products: [limited], ambient: air(6, 85) };
    expect(codesOf(cold)).toContain('warn out-of-limits');
    expect(textOf(cold, 'out-of-limits')).toMatch(
      /air 6\.0 °C \(sheet: 10 to 30\), humidity 85\.0 % \(sheet: 30 to 70\)/,
    );
    expect(codesOf({ products: [limited], ambient: air(20, 50) })).toEqual([]);
  });

  test('a window narrow, or closed: then nothing is laid, counted or bought', () => {
    const window = (from: number, by: number) =>
      product({
        milestones: [
          { name: 'levelFrom', clock: 'flash', min: from },
          { name: 'levelBy', clock: 'flash', min: by },
        ],
      });
    expect(codesOf({ products: [window(2, 2.9)] })).toEqual(['warn narrow-window']);
    const closed = planOneByOne(job({ products: [window(2, 2.2)] }));
    expect(closed.findings.map(({ code }) => code)).toEqual(['window-closed']);
    expect(closed.purchases).toEqual([]);
    expect(closed.handoverMin).toBeNull();
  });

  test('a cure that never comes, and an upper coat that can never follow', () => {
    const dry = air(20, 0);
    expect(codesOf({ ambient: dry })).toContain('stop never-cures');
    const twice = {
      ambient: dry,
      products: [product({ over: ['bare', 'self'] })],
      surfaces: [surface({ layers: [{ product: 'base', coats: 2, method: 'small-block' }] })],
    };
    expect(codesOf(twice)).toContain('stop recoat-window');
    expect(planOneByOne(job(twice)).surfaces[0]!.coats.map(({ laid }) => laid !== undefined)).toEqual([true, false]);
  });

  test('fresh paint, with the days still to go; the numbers are shown all the same', () => {
    const fresh = { surfaces: [surface({ refinishedAtMin: -20 * 1440 })] };
    expect(codesOf(fresh)).toContain('stop fresh-paint');
    expect(textOf(fresh, 'fresh-paint')).toMatch(/40 more days.*asks for 60/);
    expect(planOneByOne(job(fresh)).surfaces[0]!.coats[0]!.laid).toBeDefined();
    expect(codesOf({ surfaces: [surface({ refinishedAtMin: -61 * 1440 })] })).toEqual([]);
  });

  test('vapour over the limit, only where a room and a limit are told', () => {
    const smelly = product({ vocGPerL: 800 });
    const room = { volumeM3: 30, airChangesPerHour: 0.5, limitMgPerM3: 50 };
    expect(codesOf({ products: [smelly], room })).toContain('warn vapour');
    expect(textOf({ products: [smelly], room }, 'vapour')).toMatch(/mask.*safety sheet/);
    expect(codesOf({ products: [smelly], room: { volumeM3: 30, airChangesPerHour: 0.5 } })).toEqual([]);
    expect(codesOf({ products: [smelly] })).toEqual([]);
  });

  test('a promise that does not hold', () => {
    const late = planOneByOne(job({ needsByMin: 60 }));
    expect(late).toMatchObject({ meetsNeed: false });
    expect(late.findings.map(({ code }) => code)).toContain('misses-deadline');
    expect(planOneByOne(job({ needsByMin: 5000 }))).toMatchObject({ meetsNeed: true, findings: [] });
    expect('meetsNeed' in planOneByOne(job())).toBe(false);
    // A care visit applies nothing: no date is kept or missed by it.
    const nothing = planOneByOne(job({ needsByMin: 60, surfaces: [surface({ layers: [] })] }));
    expect('meetsNeed' in nothing).toBe(false);
    expect(nothing.findings.map(({ code }) => code)).not.toContain('misses-deadline');
  });

  test('what the readings say, of surfaces a gauge can read', () => {
    const read = (readingsUm: number[], substrate: 'clear-gloss' | 'gelcoat' = 'clear-gloss') => ({
      surfaces: [surface({ readingsUm, substrate, layers: [] })],
      products: [],
    });
    expect(codesOf(read([70, 72]))).toEqual(['warn thin-paint']);
    expect(codesOf(read([220, 230]))).toEqual(['warn refinished']);
    expect(codesOf(read([520, 610]))).toEqual(['warn filler']);
    expect(codesOf(read([520, 610], 'gelcoat'))).toEqual(['note not-readable']);
    expect(codesOf(read([110, 115]))).toEqual([]);
  });
});

describe('laws of a whole plan', () => {
  const area = fc.double({ min: 0.05, max: 6, noNaN: true });
  const areas = fc.array(area, { minLength: 1, maxLength: 8 });
  const planned = (parts: readonly number[], more: Parameters<typeof job>[0] = {}) =>
    planOneByOne(
      job({
        surfaces: parts.map((areaM2, index) => surface({ id: `s${index}`, shape: { kind: 'area', areaM2 } })),
        ...more,
      }),
    );

  test('coats follow one another without a gap or an overlap, in the order of the surfaces', () => {
    fc.assert(
      fc.property(areas, (parts) => {
        const coats = planned(parts).surfaces.map(({ coats: own }) => own[0]!.laid!);
        for (const [index, coat] of coats.entries()) {
          expect(coat.startMin).toBeCloseTo(index === 0 ? 0 : coats[index - 1]!.endMin, 9);
          expect(coat.endMin).toBeGreaterThan(coat.startMin);
        }
      }),
    );
  });

  test('more to lay never takes less product, money or time', () => {
    fc.assert(
      fc.property(areas, area, (parts, one) => {
        const [less, more] = [planned(parts), planned([...parts, one])];
        expect(more.purchases[0]!.need).toBeGreaterThan(less.purchases[0]!.need);
        expect(more.purchases[0]!.cost).toBeGreaterThanOrEqual(less.purchases[0]!.cost);
        expect(more.handoverMin!).toBeGreaterThan(less.handoverMin!);
      }),
    );
  });

  test('warmer air of the same dryness brings hand-over forward, and makes sections no larger', () => {
    fc.assert(
      fc.property(areas, fc.double({ min: 8, max: 24, noNaN: true }), (parts, airC) => {
        const [cool, warm] = [
          planned(parts, { ambient: air(airC, 50) }),
          planned(parts, { ambient: air(airC + 5, 50) }),
        ];
        const largest = (plan: typeof cool) => plan.surfaces[0]!.coats[0]!.laid!.maxSectionM2!;
        const cure = (plan: typeof cool) => {
          const last = plan.surfaces.at(-1)!.coats[0]!.laid!;
          return last.milestones.waterSafe! - last.endMin;
        };
        expect(cure(warm)).toBeLessThan(cure(cool));
        expect(largest(warm)).toBeLessThanOrEqual(largest(cool));
      }),
    );
  });
});
