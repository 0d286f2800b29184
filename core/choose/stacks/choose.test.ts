import fc from 'fast-check';
import highsLoader from 'highs';
import { judgeStack } from '#core/layers/rules';
import type { Product } from '#core/products/sheets';
import { on, product } from '../../testing/shelf';
import { cheapestAlone } from './baseline';
import { type Choice, choiceOf } from './choice-of';
import { choose } from './choose';
import { frontier } from './frontier';
import { solveWith } from './highs';
import { bayAir, readyAfterMin } from './in-bay';
import { optionsFor } from './options';
import type { Solve } from './program';
import { type ChoiceSurface, validStacks } from './stacks';
import { USUAL_WISHES, type Wishes } from './wishes';
import { comparedInWords, honestWords, whyNot } from './words';

let solve: Solve;
beforeAll(async () => {
  solve = solveWith(await highsLoader());
});

const SHELF = [
  product('long', {
    ratedMonths: 72,
    packs: [{ size: 50, price: 9000 }],
    substrates: on('clear-gloss', 'gloss-black'),
  }),
  product('short', {
    ratedMonths: 24,
    packs: [{ size: 50, price: 3000 }],
    substrates: on('clear-gloss', 'gloss-black'),
  }),
  product('multi', {
    ratedMonths: 30,
    packs: [{ size: 100, price: 7000 }],
    substrates: on('clear-gloss', 'gloss-black', 'glass', 'wheel'),
  }),
  product('glass', { family: 'glass-coating', packs: [{ size: 30, price: 2500 }], substrates: on('glass') }),
  product('wheel', { family: 'wheel-coating', packs: [{ size: 50, price: 5000 }], substrates: on('wheel') }),
  product('wax', {
    family: 'paste-wax',
    ratedMonths: 3,
    packs: [{ size: 200, price: 1500 }],
    over: ['bare', 'self', 'ceramic'],
    substrates: on('clear-gloss', 'gloss-black', 'wheel'),
    properties: ['gloss-enhancer'],
    milestones: [{ name: 'levelBy', clock: 'flash', min: 25 }],
  }),
  product('topper', {
    family: 'topper',
    ratedMonths: 4,
    over: ['ceramic', 'wheel-coating'],
    substrates: on('clear-gloss', 'wheel'),
  }),
  product('shield', {
    family: 'film',
    unit: 'm2',
    coveragePerM2: 1.1,
    packs: [{ size: 7.6, price: 42000 }],
    ratedMonths: 96,
    clocks: { set: { mechanism: 'water' } },
  }),
];
const surface = (id: string, areaM2: number, changes: Partial<ChoiceSurface> = {}): ChoiceSurface => ({
  id,
  substrate: 'clear-gloss',
  areaM2,
  existing: [],
  hit: false,
  ...changes,
});
const CAR = [
  surface('bonnet', 1.6, { hit: true }),
  surface('roof', 2),
  surface('door', 1.2),
  surface('pillar', 0.2, { substrate: 'gloss-black' }),
  surface('window', 1.4, { substrate: 'glass' }),
  surface('wheels', 0.9, { substrate: 'wheel' }),
];
const wishes = (changes: Partial<Wishes> = {}): Wishes => ({ ...USUAL_WISHES, mostLayers: 2, ...changes });
const best = (how: Wishes, car = CAR, goal?: Parameters<typeof choose>[4], shelf = SHELF) =>
  choose(optionsFor(car, shelf, how), shelf, how, solve, goal);
const productsOf = ({ purchases }: Pick<Choice, 'purchases'>) => purchases.map((each) => each.product).sort();
const layersOn = ({ surfaces }: Choice, id: string) =>
  surfaces.find((each) => each.id === id)!.layers.map((l) => l.product);

test('the joint choice never costs more than the plain way, and shares its packs', () => {
  const how = wishes({ count: 'first' });
  const joint = best(how)!;
  const alone = cheapestAlone(optionsFor(CAR, SHELF, how), SHELF, how);
  expect(joint.firstMoney).toBeLessThan(alone.firstMoney);
  expect(joint.gap).toBeLessThanOrEqual(0.01);
  expect(joint.purchases.reduce((sum, { cost }) => sum + cost, 0)).toBe(joint.materialMoney);
});

test('a bottle is not opened for one small pillar; one bottle for all is possible where a sheet serves all', () => {
  expect(productsOf(best(wishes({ mostProducts: 1 }))!)).toEqual(['multi']);
  expect(
    best(wishes({ mostProducts: 1 }), [...CAR, surface('seat', 1, { substrate: 'fabric' })])!.surfaces.at(-1)!.layers,
  ).toEqual([]);
  const two = best(wishes({ count: 'first' }))!;
  expect(layersOn(two, 'pillar').every((id) => layersOn(two, 'roof').includes(id) || productsOf(two).length <= 3)).toBe(
    true,
  );
});

test('over the years renewals count: what is dear and lasts beats what is cheap and is laid again and again', () => {
  const kept = best(wishes({ keptMonths: 60 }))!;
  const first = best(wishes({ keptMonths: 60, count: 'first' }))!;
  expect(kept.keptMoney).toBeLessThan(first.keptMoney);
  expect(first.firstMoney).toBeLessThan(kept.firstMoney);
  expect(kept.lifeMonths).toBeGreaterThan(first.lifeMonths);
  expect(kept.yearMoney).toBeCloseTo(kept.keptMoney / 5, 6);
});

test('film where stones hit, and nowhere else', () => {
  const filmed = best(wishes({ film: 'where-hit' }))!;
  expect(layersOn(filmed, 'bonnet')[0]).toBe('shield');
  expect(layersOn(filmed, 'roof')).not.toContain('shield');
  expect(productsOf(best(wishes())!)).not.toContain('shield');
});

test('what is in hand is used before anything is bought, and nothing is where nothing may be', () => {
  const stocked = SHELF.map((each) => (each.id === 'multi' ? { ...each, onHand: 200 } : each));
  const choice = best(wishes({ inHandOnly: true }), CAR, 'wishes', stocked)!;
  expect(choice.materialMoney).toBe(0);
  expect(productsOf(choice)).toEqual(['multi']);
  expect(best(wishes({ inHandOnly: true }))).toBeUndefined();
});

test('one panel changed by hand stays, and the rest is chosen around it', () => {
  const fixed = CAR.map((each) => (each.id === 'roof' ? { ...each, fixed: [{ product: 'wax', coats: 1 }] } : each));
  const choice = best(wishes({ keptMonths: 60 }), fixed)!;
  expect(layersOn(choice, 'roof')).toEqual(['wax']);
  expect(layersOn(choice, 'door')).not.toEqual(['wax']);
});

test('wishes that cannot be met together have no answer; those that can are met', () => {
  expect(best(wishes({ leastMonths: 48, mostMoney: 5000 }))).toBeUndefined();
  const quick = best(wishes({ mostHours: 1.4 }))!;
  expect(quick.minutes).toBeLessThanOrEqual(84 + 1e-6);
  expect(best(wishes({ leastMonths: 40, keptMonths: 60 }))!.lifeMonths).toBeGreaterThanOrEqual(40 - 1e-6);
});

test('gloss that is cared for is paid for, in money that is told', () => {
  const plain = best(wishes({ keptMonths: 12 }))!;
  const shown = best(wishes({ keptMonths: 12, concerns: { look: 3 } }))!;
  expect(layersOn(shown, 'roof')).toContain('wax');
  expect(layersOn(plain, 'roof')).not.toContain('wax');
});

test('the frontier: nothing on it is beaten, and what lies around the best is put into words', () => {
  const how = wishes({ keptMonths: 60 });
  const kinds = optionsFor(CAR, SHELF, how);
  const told: string[] = [];
  const points = frontier(kinds, SHELF, how, solve, ({ name }) => (told.push(name), false));
  expect(points[0]!.name).toBe('wishes');
  expect(told).toEqual(expect.arrayContaining(['wishes', 'cheapest', 'longest', 'quickest']));
  const cheapest = points.find(({ name }) => name === 'cheapest')!.choice;
  for (const { choice } of points) expect(choice.firstMoney).toBeGreaterThanOrEqual(cheapest.firstMoney * 0.98);
  for (const a of points)
    for (const b of points.filter((other) => other !== a && other.name !== 'wishes'))
      expect(
        a.choice.firstMoney < b.choice.firstMoney &&
          a.choice.keptMoney < b.choice.keptMoney &&
          a.choice.lifeMonths > b.choice.lifeMonths &&
          a.choice.minutes < b.choice.minutes,
      ).toBe(false);
  expect(comparedInWords(cheapest, points[0]!.choice)).toMatch(/cheaper now.*over the time it is kept.*less/);
  let stopped = 0;
  frontier(kinds, SHELF, how, solve, () => ++stopped === 2);
  expect(stopped).toBe(2);
});

test('words: fractions, winters, evenings', () => {
  const point = (firstMoney: number, lifeMonths: number, hours: number) =>
    ({ firstMoney, keptMoney: firstMoney, lifeMonths, minutes: 60 * hours }) as Choice;
  const weekend = point(60000, 48, 14);
  expect(comparedInWords(point(40000, 24, 3), weekend)).toBe(
    'a third cheaper, lasts two winters less, an evening instead of a weekend',
  );
  expect(comparedInWords(point(60100, 47.5, 14.1), weekend)).toBe('much the same in money, life and hours');
});

test('honest: wax it, a respray is due, the brush wash costs so many months', () => {
  const how = wishes({ keptMonths: 60, exposure: { wash: 'brush' } });
  const said = (changes: Partial<Wishes>, failingShare = 0) =>
    honestWords({ ...how, ...changes }, { failingShare, choice: best(how), shelf: SHELF }).join(' ');
  expect(said({})).toMatch(/^Washing: brush wash costs \d+ months of long\.$/);
  expect(said({ keptMonths: 3 })).toMatch(/wax it/);
  expect(said({}, 0.5)).toMatch(/failing on 50 %.*respray is due/);
});

describe('the bay and the days', () => {
  const air = (airC: number, rhPct = 50) => [{ atMin: 0, airC, rhPct, airSpeed: 0.1 }] as const;
  const timed = (id: string, minutes: { recoatFrom?: number; waterSafe: number; handover?: number }, changes = {}) =>
    product(id, {
      substrates: on('clear-gloss'),
      clocks: { flash: { mechanism: 'solvent' }, set: { mechanism: 'moisture' } },
      milestones: [
        { name: 'levelFrom', clock: 'flash', min: 2 },
        { name: 'levelBy', clock: 'flash', min: 6 },
        ...Object.entries(minutes).map(([name, min]) => ({ name: name as 'waterSafe', clock: 'set' as const, min })),
      ],
      ...changes,
    });
  const quick = timed('quick', { waterSafe: 60, handover: 120 }, { ratedMonths: 12 });
  const slow = timed(
    'slow',
    { recoatFrom: 1440, waterSafe: 720, handover: 2880 },
    { ratedMonths: 60, over: ['bare', 'self'] },
  );
  const warm = timed('warm', { waterSafe: 60 }, { limits: { airC: [15, 30] }, ratedMonths: 90 });
  const shelf = [quick, slow, warm];
  const roof = [surface('roof', 2)];
  const chosen = (how: Wishes, ambient: ReturnType<typeof air>) => {
    const inBay = bayAir(shelf, ambient, 'fixed-early');
    const kinds = optionsFor(roof, shelf, how, inBay);
    const choice = choose(kinds, shelf, how, solve)!;
    const why = new Map(whyNot(kinds, choice, shelf, how, inBay).map((each) => [each.product, each]));
    return { layers: layersOn(choice, 'roof'), why, objective: choice.objective };
  };

  test('each coat waits for the one below, and all of them cure', () => {
    const inBay = bayAir(shelf, air(20), 'fixed-early');
    const after = (...layers: [Product, number][]) =>
      readyAfterMin(
        layers.map(([one, coats]) => ({ product: one, coats })),
        inBay,
      );
    expect(after([slow, 1])).toBeCloseTo(2880, 6);
    expect(after([slow, 2])).toBeCloseTo(1440 + 2880, 6);
    expect(after([slow, 1], [quick, 1])).toBeCloseTo(2880, 6);
    expect(after([warm, 1])).toBeCloseTo(60, 6);
    expect(after()).toBe(0);
    const dry = bayAir(shelf, air(20, 0), 'fixed-early');
    expect(dry.get('quick')).toMatchObject({ barred: 'never-cures', readyMin: Infinity });
  });

  test('outside its limits a product falls away and says so, unless the air will be changed for it', () => {
    const how = wishes({ keptMonths: 60 });
    expect(chosen(how, air(20)).layers).toEqual(['warm']);
    const cold = chosen(how, air(10));
    expect(cold.layers).not.toContain('warm');
    expect(cold.why.get('warm')).toEqual({ product: 'warm', why: 'not-in-bay', because: 'limits' });
    expect(chosen({ ...how, anyAir: true }, air(10)).layers).toEqual(['warm']);
  });

  test('what is not ready within the days falls away; a day more is never worse', () => {
    const how = wishes({ keptMonths: 60 });
    const within = (mostDays: number) => chosen({ ...how, mostDays }, air(10));
    expect(within(30).layers).toEqual(['slow']);
    const one = within(1);
    expect(one.layers).toEqual(['quick']);
    expect(one.why.get('slow')).toEqual({ product: 'slow', why: 'not-in-bay', because: 'days' });
    const costs = [1, 2, 4, 8, 30].map((days) => within(days).objective);
    expect([...costs].sort((a, b) => b - a)).toEqual(costs);
  });
});

test('why the rest fell away: no rule lets it, or so much dearer, its own pack included', () => {
  const how = wishes({ keptMonths: 60 });
  const kinds = optionsFor(CAR, SHELF, how);
  const shelf = [...SHELF, product('boots', { family: 'dressing', substrates: on('rubber') })];
  const why = new Map(whyNot(kinds, best(how)!, shelf, how).map((each) => [each.product, each]));
  expect(why.get('boots')).toEqual({ product: 'boots', why: 'not-allowed' });
  expect(why.get('shield')).toEqual({ product: 'shield', why: 'not-wished' });
  const dearer = [...why.values()].filter((each) => each.why === 'dearer');
  expect(dearer.length).toBeGreaterThan(0);
  for (const each of dearer) if (each.why === 'dearer') expect(each.by).toBeGreaterThanOrEqual(0);
});

describe('laws', () => {
  const anySurface = fc.record({
    substrate: fc.constantFrom('clear-gloss' as const, 'gloss-black' as const, 'glass' as const, 'wheel' as const),
    areaM2: fc.double({ min: 0.05, max: 6, noNaN: true }),
    hit: fc.boolean(),
    existing: fc.constantFrom<ChoiceSurface['existing'][]>([], ['paste-wax'], ['ceramic']),
  });
  const anyCar = fc
    .array(anySurface, { minLength: 1, maxLength: 6 })
    .map((all) => all.map((each, index) => ({ ...each, id: `s${index}` })));

  test('no chosen stack breaks a rule', () => {
    fc.assert(
      fc.property(anyCar, fc.constantFrom('nowhere' as const, 'if-worth-it' as const), (car, film) => {
        const choice = best(wishes({ film }), car);
        const byId = new Map(SHELF.map((each) => [each.id, each]));
        for (const { id, layers } of choice?.surfaces ?? []) {
          const { substrate, existing } = car.find((each) => each.id === id)!;
          const coats = layers.flatMap((layer) => Array.from({ length: layer.coats }, () => byId.get(layer.product)!));
          for (const { answer } of judgeStack({ substrate, existing, layers: coats }, SHELF))
            expect(answer).toBe('yes');
        }
      }),
      { numRuns: 25 },
    );
  });

  test('a small item: within a hundredth of the best of all combinations, tried one by one', () => {
    const few = fc.array(anySurface, { minLength: 1, maxLength: 3 });
    fc.assert(
      fc.property(few, (some) => {
        const car = some.map((each, index) => ({ ...each, id: `s${index}` }));
        const how = wishes({ mostLayers: 1 });
        const kinds = optionsFor(car, SHELF, how);
        const choice = choose(kinds, SHELF, how, solve)!;
        const each = car.flatMap(({ id }) => {
          const { options } = kinds.find(({ surfaces }) => surfaces.some((surface) => surface.id === id))!;
          return options.length > 0 ? [{ id, options }] : [];
        });
        let least = Infinity;
        const combine = (at: number, picked: ReadonlyMap<string, (typeof kinds)[number]['options'][number]>) => {
          const next = each[at];
          if (!next) least = Math.min(least, choiceOf(kinds, picked, SHELF, how).keptMoney);
          else for (const option of next.options) combine(at + 1, new Map([...picked, [next.id, option]]));
        };
        combine(0, new Map());
        // Never told nearer than it is, and never better than the best.
        expect(choice.keptMoney).toBeGreaterThanOrEqual(least * (1 - 1e-9));
        expect(choice.keptMoney * (1 - choice.gap)).toBeLessThanOrEqual(least * (1 + 1e-6));
        expect(choice.keptMoney).toBeLessThanOrEqual(least * 1.0101);
      }),
      { numRuns: 25 },
    );
  });

  test('a constraint less never makes the best answer worse', () => {
    fc.assert(
      fc.property(
        anyCar,
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 0, max: 30 }),
        (car, mostProducts, leastMonths) => {
          const bound = best(wishes({ mostProducts, leastMonths }), car);
          const free = best(wishes(), car);
          if (bound && free) expect(free.objective * (1 - free.gap)).toBeLessThanOrEqual(bound.objective * (1 + 1e-9));
        },
      ),
      { numRuns: 20 },
    );
  });

  test('twins of a kind get the same, and letting them differ is never worse', () => {
    fc.assert(
      fc.property(anyCar, fc.integer({ min: 0, max: 30 }), (car, leastMonths) => {
        const paired = car.map((each, index) => ({ ...each, pair: `p${index % 3}` }));
        const how = wishes({ leastMonths, mostMoney: 100_000 });
        const alike = best(how, paired);
        const apart = best({ ...how, twinsAlike: false }, paired);
        for (const [index, one] of paired.entries())
          for (const other of paired.slice(index + 1)) {
            const { id, areaM2, ...kind } = one;
            const { id: otherId, areaM2: otherM2, ...otherKind } = other;
            if (JSON.stringify(kind) === JSON.stringify(otherKind) && alike)
              expect(layersOn(alike, otherId)).toEqual(layersOn(alike, id));
          }
        if (alike && apart) expect(apart.objective * (1 - apart.gap)).toBeLessThanOrEqual(alike.objective * (1 + 1e-9));
      }),
      { numRuns: 20 },
    );
  });

  test('every valid stack is allowed from the bottom up, and a wider shelf or more layers only add to them', () => {
    fc.assert(
      fc.property(anySurface, fc.integer({ min: 1, max: 3 }), fc.nat(SHELF.length), (subject, mostLayers, some) => {
        const how = { testSpots: true, mostLayers };
        const all = validStacks(subject, SHELF, how).length;
        expect(validStacks(subject, SHELF.slice(0, some), how).length).toBeLessThanOrEqual(all);
        expect(validStacks(subject, SHELF, { ...how, mostLayers: mostLayers + 1 }).length).toBeGreaterThanOrEqual(all);
      }),
      { numRuns: 40 },
    );
  });
});

test('time that is up is told as such and not as wishes that cannot be met; around the best it is passed over', () => {
  const how = wishes();
  const kinds = optionsFor(CAR, SHELF, how);
  const tooSlow: Solve = () => ({ values: undefined, objective: Infinity, gap: Infinity, ranOut: true });
  expect(() => choose(kinds, SHELF, how, tooSlow)).toThrow(/within 20 s/);
  // Only the points around the best are given little time.
  const slowAround: Solve = (program, options) =>
    options.seconds < 10 ? tooSlow(program, options) : solve(program, options);
  expect(frontier(kinds, SHELF, how, slowAround).map(({ name }) => name)).toEqual(['wishes']);
});

test('a limit that only a split can meet with the opened products is met with others', () => {
  // The last word is a whole program: what a divided kind promised, single surfaces keep by another product.
  for (const leastMonths of [26, 31, 37, 44]) {
    const choice = best(wishes({ leastMonths, keptMonths: 72 }));
    expect(choice!.lifeMonths).toBeGreaterThanOrEqual(leastMonths - 1e-6);
  }
});

test('a sprayed product is weighed as it is laid: quicker, and with more of it', () => {
  const one = (family: 'ceramic' | 'spray-coating') =>
    optionsFor([surface('panel', 2)], [product('only', { family })], wishes({ mostLayers: 1 }))[0]!.options[0]!.value;
  expect(one('spray-coating').minutes).toBeLessThan(one('ceramic').minutes);
  const laidOf = (value: { amounts: ReadonlyMap<string, number> }) => value.amounts.get('only')! - 1 / 4;
  expect(laidOf(one('spray-coating')) / laidOf(one('ceramic'))).toBeCloseTo(1.2, 9);
});
