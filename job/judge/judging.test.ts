import fc from 'fast-check';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { judgeStack, mayOverrule } from '#core/layers/rules';
import type { Job } from '#formats/job';
import { readProduct } from '#formats/shelf';
import { planInput } from '#job/plan';
import { DEMO_SHELF } from '../../demo/shelf';
import { yardThatMorning } from '../../demo/that-morning';
import { judgeLayers, productsOf } from '.';

const shelf = DEMO_SHELF.map(readProduct);
const ground = fc.record({
  substrate: fc.constantFrom(...SUBSTRATE_IDS),
  existing: fc.constant([]),
});
const layer = fc.record({
  product: fc.constantFrom(...shelf.map(({ id }) => id)),
  coats: fc.integer({ min: 1, max: 3 }),
});
const STRICTNESS = ['yes', 'test', 'no'];

test('a layer of several coats is judged by its strictest, and as many layers are answered as were asked', () => {
  fc.assert(
    fc.property(ground, fc.array(layer, { minLength: 1, maxLength: 3 }), (on, layers) => {
      const judged = judgeLayers(on, layers, shelf);
      expect(judged).toHaveLength(layers.length);
      const products = layers.flatMap(({ product, coats }) =>
        Array.from({ length: coats }, () => shelf.find(({ id }) => id === product)!),
      );
      const each = judgeStack({ ...on, layers: products }, shelf).map(({ answer }) => STRICTNESS.indexOf(answer));
      let from = 0;
      for (const [index, { coats }] of layers.entries()) {
        const own = Math.max(...each.slice(from, from + coats));
        expect(judged[index]!.answer).toBe(STRICTNESS[own]);
        from += coats;
      }
    }),
    { numRuns: 60 },
  );
});

test('what is set aside by hand never makes an answer stricter, and never a matter of safety lighter', () => {
  fc.assert(
    fc.property(ground, layer, (on, one) => {
      const [plain] = judgeLayers(on, [one], shelf);
      const overruled = Object.fromEntries(plain!.rulings.map(({ rule }) => [rule, 'tried low at the rear']));
      const [aside] = judgeLayers(on, [{ ...one, overruled }], shelf);
      expect(STRICTNESS.indexOf(aside!.answer)).toBeLessThanOrEqual(STRICTNESS.indexOf(plain!.answer));
      if (plain!.rulings.some(({ rule, answer }) => answer === 'no' && !mayOverrule(rule))) {
        expect(aside!.answer).toBe('no');
      }
    }),
    { numRuns: 60 },
  );
});

test('a job’s own copy of a sheet stands before the shelf’s', () => {
  const own = { ...shelf[0]!, name: 'As it was' };
  expect(productsOf([own], shelf)[0]).toBe(own);
  expect(productsOf([own], shelf)).toHaveLength(shelf.length);
});

test('a coat added by hand on crazed paint is refused as the choice refuses it, and its way out is a painter', () => {
  const yard = yardThatMorning();
  const { document } = yard.jobs.find(({ id }) => id === 'teal-hatchback')!.draft;
  const crazed: Job = {
    ...document,
    surfaces: document.surfaces.map((surface) =>
      surface.id === 'roof'
        ? { ...surface, marks: [{ id: 'z', kind: 'crazing', severity: 'light', at: [0.2, 0.7] }] }
        : surface,
    ),
  };
  const onRoof = (job: Job) =>
    judgeLayers(
      planInput(job).surfaces.find(({ id }) => id === 'roof')!,
      [{ product: 'ledger-base', coats: 1 }],
      job.products,
    )[0]!;
  expect(onRoof(document).answer).toBe('yes');
  expect(onRoof(crazed)).toMatchObject({
    answer: 'no',
    rulings: [{ rule: 'worn-paint' }],
    waysOut: [{ kind: 'repaint' }],
  });
});
