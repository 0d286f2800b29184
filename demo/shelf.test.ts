import { SUBSTRATE_IDS } from '#core/item/substrates';
import { FAMILY_IDS } from '#core/products/families';
import { answerOf, judgeStack, RULE_IDS, rulingsOn, touchedBy } from '#core/layers/rules';
import { readProduct } from '#formats/shelf';
import { DEMO_SHELF } from './shelf';

const shelf = DEMO_SHELF.map(readProduct);

test('has what the first jobs need, each sheet dated, versioned and with its cautions', () => {
  const families = new Set(shelf.map(({ family }) => family));
  for (const family of [
    'paste-wax',
    'sealant',
    'spray-coating',
    'ceramic',
    'ceramic-base',
    'ceramic-top',
    'glass-coating',
    'trim-coating',
    'film',
  ] as const) {
    expect([family, families.has(family)]).toEqual([family, true]);
  }
  expect(new Set(shelf.map(({ id }) => id)).size).toBe(shelf.length);
  for (const { sheetVersion, sheetDate, hazards } of shelf) {
    expect(sheetVersion).toBeDefined();
    expect(sheetDate).toMatch(/^\d{4}-\d\d-\d\d$/);
    expect(hazards!.length).toBeGreaterThan(0);
  }
});

test('each pair of product and surface is answered, and each no says why', () => {
  for (const product of shelf) {
    for (const substrate of SUBSTRATE_IDS) {
      const rulings = rulingsOn({ product, substrate, below: { kind: 'bare' } });
      if (answerOf(rulings) === 'no') expect(rulings.every(({ reason }) => reason.length > 10)).toBe(true);
      // By the word of its sheet, or of a rule: never because nobody said anything.
      const said = product.substrates[substrate]?.use;
      const byWord = rulings.find(({ rule }) => rule === 'substrate')?.answer ?? 'yes';
      expect([product.id, substrate, byWord]).toEqual([product.id, substrate, said ?? 'no']);
      if (answerOf(rulings) === 'yes') expect(said).toBe('yes');
    }
  }
});

test('every refusal over every layer names a way out that works, or there is none on the shelf', () => {
  for (const lower of shelf) {
    for (const upper of shelf) {
      const stack = { substrate: 'clear-gloss' as const, existing: [], layers: [lower, upper] };
      const judged = judgeStack(stack, shelf)[1]!;
      if (judged.answer !== 'no') continue;
      for (const way of judged.waysOut) {
        if (way.kind === 'instead') {
          expect(judgeStack({ ...stack, layers: [lower, way.product] }, shelf)[1]!.answer).toBe(way.answer);
        }
        if (way.kind === 'beneath') {
          const layers = [lower, way.product, upper];
          expect(
            judgeStack({ ...stack, layers }, shelf)
              .slice(1)
              .map(({ answer }) => answer),
          ).not.toContain('no');
        }
        if (way.kind === 'strip') expect(judgeStack({ ...stack, layers: [upper] }, shelf)[0]!.answer).not.toBe('no');
      }
    }
  }
});

test('nothing that polishes or fills, and nothing with a gloss of its own, is plainly allowed on satin', () => {
  for (const product of shelf) {
    const [judged] = judgeStack({ substrate: 'clear-matte', existing: [], layers: [product] }, shelf);
    if (product.properties.includes('gloss-enhancer'))
      expect([product.id, judged!.answer]).not.toEqual([product.id, 'yes']);
  }
});

test('about forty sheets, every family among them, so that every rule has something to bite on', () => {
  expect(shelf.length).toBeGreaterThanOrEqual(40);
  expect(FAMILY_IDS.filter((family) => !shelf.some((sheet) => sheet.family === family))).toEqual([]);
  for (const rule of RULE_IDS) {
    expect([rule, touchedBy(rule, shelf, (id) => id).length > 0]).toEqual([rule, true]);
  }
});
