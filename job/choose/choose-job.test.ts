import highsLoader from 'highs';
import { type Solve, solveWith } from '#core/choose/stacks';
import { judgeStack } from '#core/layers/rules';
import type { ChoiceFile } from '#formats/choice';
import type { Job } from '#formats/job';
import { readProduct } from '#formats/shelf';
import { choiceSurfaces, chooseFile, jobToChoose } from '#job/choose';
import { isAircraft } from '#job/plan';
import { DEMO_SHELF } from '../../demo/shelf';
import { yardThatMorning } from '../../demo/that-morning';
import { wishesSchema } from '../../formats/job/wishes';

const shelf = DEMO_SHELF.map(readProduct);
const products = new Map(shelf.map((product) => [product.id, product]));
const yard = yardThatMorning();
const jobOf = (id: string): Job => jobToChoose(yard.jobs.find((job) => job.id === id)!.draft.document, shelf);
// Small items, so that the whole frontier is found in little time; two layers show all that four would.
const wishes = (changes: Partial<Parameters<typeof wishesSchema.parse>[0] & object> = {}) =>
  wishesSchema.parse({ mostLayers: 2, ...changes });

let solve: Solve;
beforeAll(async () => {
  solve = solveWith(await highsLoader());
});

const SHUTTLE = 'hotel-shuttle';
const TOURER = 'satin-tourer';
const LAUNCH = 'marrow-launch';

describe.each([TOURER, LAUNCH])('what to lay on the %s', (id) => {
  const job = jobOf(id);
  let answer: ChoiceFile;
  beforeAll(() => {
    answer = chooseFile({ job, wishes: wishes({ anyAir: true }) }, solve);
  });

  test('every point names every surface once, and no stack of it breaks a rule', () => {
    const wanted = choiceSurfaces(job);
    expect(answer.points.length).toBeGreaterThan(0);
    for (const { surfaces } of answer.points) {
      expect(surfaces.map((surface) => surface.id).sort()).toEqual(wanted.map((surface) => surface.id).sort());
      for (const { id: surface, layers } of surfaces) {
        const ground = wanted.find((each) => each.id === surface)!;
        const coats = layers.flatMap(({ product, coats: count }) =>
          Array.from({ length: count }, () => products.get(product)!),
        );
        const judged = judgeStack({ ...ground, aircraft: isAircraft(job), layers: coats }, []);
        expect(judged.map(({ rulings }) => rulings)).toEqual(coats.map(() => []));
      }
    }
  });

  test('what is bought covers what is laid, costs what its packs cost, and is laid somewhere', () => {
    for (const { surfaces, purchases, materialMoney, firstMoney } of answer.points) {
      const laid = new Set(surfaces.flatMap(({ layers }) => layers.map(({ product }) => product)));
      expect(purchases.map(({ product }) => product).sort()).toEqual([...laid].sort());
      for (const { product, order, packs, cost, leftover } of purchases) {
        const bought = packs.reduce((sum, { size, count }) => sum + size * count, 0);
        expect(bought + products.get(product)!.onHand).toBeCloseTo(order + leftover, 6);
        expect(leftover).toBeGreaterThanOrEqual(-1e-9);
        const prices = new Map(products.get(product)!.packs.map(({ size, price }) => [size, price]));
        expect(packs.reduce((sum, { size, count }) => sum + count * prices.get(size)!, 0)).toBe(cost);
      }
      expect(purchases.reduce((sum, { cost }) => sum + cost, 0)).toBe(materialMoney);
      expect(firstMoney).toBeGreaterThanOrEqual(materialMoney);
    }
  });

  test('each product of the shelf is in the best choice or has its reason, never both', () => {
    const bought = answer.points[0]!.purchases.map(({ product }) => product);
    const told = answer.fellAway.map(({ product }) => product);
    expect([...bought, ...told].sort()).toEqual([...products.keys()].sort());
  });

  test('left and right are alike where they are of one kind', () => {
    const wanted = choiceSurfaces(job);
    for (const { surfaces } of answer.points) {
      for (const { id: surface, layers } of surfaces.filter((each) => each.id.endsWith('-left'))) {
        const twin = surface.replace(/-left$/, '-right');
        const kind = (which: string) => {
          const { areaM2, id: own, pair, ...rest } = wanted.find((each) => each.id === which) ?? { areaM2: 0, id: '' };
          return JSON.stringify(rest);
        };
        if (kind(surface) === kind(twin)) expect(surfaces.find((each) => each.id === twin)!.layers).toEqual(layers);
      }
    }
  });
});

test('fewer days, less money or fewer products are kept to, and never make it longer-lived or cheaper in all', () => {
  const job = jobOf(SHUTTLE);
  const best = (changes: Parameters<typeof wishes>[0] = {}) =>
    chooseFile({ job, wishes: wishes(changes) }, solve, () => true).points[0];
  const free = best()!;
  const within = best({ mostDays: 0.5 })!;
  expect(within.readyHours!).toBeLessThanOrEqual(12 + 1e-6);
  expect(within.keptMoney).toBeGreaterThanOrEqual(free.keptMoney * (1 - free.gap));
  const cheap = best({ mostMoney: Math.round(free.firstMoney * 0.8) });
  if (cheap) expect(cheap.firstMoney).toBeLessThanOrEqual(free.firstMoney * 0.8 + 1);
  const two = best({ mostProducts: 2 })!;
  expect(two.purchases.length).toBeLessThanOrEqual(2);
  expect(best({ mostMoney: 1 })).toBeUndefined();
});

test('an aircraft: nothing that is not approved for it, on its windows neither', () => {
  const job = jobOf('two-seater');
  const few = { ...job, surfaces: job.surfaces.filter(({ id }) => /^(wing-upper|door-window|windscreen)/.test(id)) };
  expect(isAircraft(few)).toBe(true);
  const { points, bare } = chooseFile({ job: few, wishes: wishes({ anyAir: true }) }, solve, () => true);
  const laid = points[0]!.surfaces.flatMap(({ layers }) => layers.map(({ product }) => products.get(product)!));
  expect(laid.length).toBeGreaterThan(0);
  for (const { properties } of laid) expect(properties).toContain('aviation-approved');
  // Fresh paint breathes; every window gets what is approved.
  expect(bare).toEqual(['wing-upper-right']);
});
