import { USUAL_WEEK } from '#core/schedule/hours';
/** The yard's offers on the yard's items: every price the sum of its parts, every stack one the rules allow. */
import { answerOf, judgeStack } from '#core/layers/rules';
import { LEVELS, prepareItem } from '#core/prepare/stages';
import { kitOf } from '#formats/shelf';
import { choiceSurfaces } from '#job/choose';
import { laidInWords, lifeInWords, panelsInWords, quoted, type Quoted, stackInWords, toPlan } from '#job/offers';
import { panelCases, prepareSettings } from '#job/prepare';
import { yardThatMorning } from './that-morning';

// Generous: the machine may be busy with a browser.

const yard = yardThatMorning();
const kit = kitOf(yard.kit);
const documents = yard.jobs.map(({ id, draft }) => [id, draft.document] as const);
const settingsOf = (document: (typeof documents)[number][1]) => prepareSettings(document, undefined, kit);
const quotesOf = (document: (typeof documents)[number][1]): Quoted[] =>
  yard.offers.map((offer) =>
    quoted(offer, { document, shelf: yard.shelf, settings: settingsOf(document), week: USUAL_WEEK }),
  );

describe.each(documents)('%s', (_, document) => {
  const quotes = quotesOf(document);

  test('the price is the sum of its parts: material, waste, work, margin, tax', () => {
    for (const { offer, price } of quotes) {
      const { materialMoney, wasteMoney, workMoney, marginMoney, roundingMoney, taxMoney, totalMoney } = price;
      expect(wasteMoney).toBeCloseTo((materialMoney * offer.wastePct) / 100, 6);
      const cost = materialMoney + wasteMoney + workMoney;
      expect(marginMoney).toBeCloseTo((cost * offer.marginPct) / 100, 6);
      expect(taxMoney).toBeCloseTo(((cost + marginMoney + roundingMoney) * offer.taxPct) / 100, 6);
      expect(totalMoney).toBeCloseTo(cost + marginMoney + roundingMoney + taxMoney, 6);
      expect([totalMoney % 100, Math.abs(roundingMoney) <= 50]).toEqual([0, true]);
    }
  });

  test('its hours hold the preparation at its own level, whatever level the job is planned at', () => {
    for (const [nth, { offer, applied, price }] of quotes.entries()) {
      const stacks = toPlan(applied, yard.shelf);
      const laid = {
        ...document,
        products: [...yard.shelf],
        surfaces: document.surfaces.map((surface) => ({ ...surface, layers: [...(stacks.get(surface.id) ?? [])] })),
      };
      const settings = { ...settingsOf(document), level: offer.level };
      expect(price.hours * 60).toBeGreaterThanOrEqual(prepareItem(panelCases(laid), settings).minutes - 1e-6);
      // Each offer beside another level: over the items every one of them is met.
      const level = LEVELS[(nth + document.surfaces.length) % LEVELS.length]!;
      const again = quoted(offer, {
        document,
        shelf: yard.shelf,
        settings: { ...settingsOf(document), level },
        week: USUAL_WEEK,
      });
      expect(again.price).toEqual(price);
    }
  });

  test('what a job plans itself moves no quote, and what an offer lays is allowed on its panel', () => {
    const bare = { ...document, surfaces: document.surfaces.map((surface) => ({ ...surface, layers: [] })) };
    expect(quotesOf(bare).map(({ applied, price }) => [applied, price])).toEqual(
      quotes.map(({ applied, price }) => [applied, price]),
    );
    const grounds = new Map(choiceSurfaces(bare).map((ground) => [ground.id, ground]));
    const sheets = new Map(yard.shelf.map((sheet) => [sheet.id, sheet]));
    for (const { id, layers } of quotes.flatMap(({ applied }) => applied)) {
      const coats = layers.flatMap(({ product, coats: count }) =>
        Array.from({ length: count }, () => sheets.get(product)!),
      );
      for (const { rulings } of judgeStack({ ...grounds.get(id)!, layers: coats }, [])) {
        expect([id, answerOf(rulings) === 'no']).toEqual([id, false]);
      }
    }
  });

  test('every panel that may be laid on is said once, in whole words; a life is promised only where something is laid', () => {
    for (const quote of quotes) {
      const lines = laidInWords(quote, document.surfaces, yard.shelf);
      const told = lines.map((line) => /: (\d+) panels$/.exec(line)?.[1] ?? line.split(': ')[1]!.split('; ').length);
      expect(told.reduce((sum: number, count) => sum + Number(count), 0)).toBe(quote.applied.length);
      for (const { id } of yard.shelf) expect(lines.join('\n')).not.toContain(`${id}:`);
      const lays = quote.applied.some(({ layers }) => layers.length > 0);
      expect(lifeInWords(quote)).toMatch(
        lays
          ? /^Plan for \d+ to \d+ months\.$/
          : /^Nothing is laid: .+\. (The rules allow .+|Nothing on the shelf .+)\.$/,
      );
    }
  });
});

test('a stack is read out from the bottom, coats as a number; a few panels by name, more by their number', () => {
  const name = (id: string) => id.toUpperCase();
  expect(stackInWords([], name)).toBe('stays bare');
  expect(
    stackInWords(
      [
        { product: 'a', coats: 1 },
        { product: 'b', coats: 2 },
      ],
      name,
    ),
  ).toBe('A, then B × 2');
  expect(panelsInWords(['roof', 'bonnet'])).toBe('roof; bonnet');
  expect(panelsInWords(['roof', 'bonnet', 'wing', 'door'])).toBe('4 panels');
});

test('what is laid already is planned no more, and each layer goes the way its family is usually laid', () => {
  const stacks = [
    { id: 'roof', layers: [{ product: yard.shelf[0]!.id, coats: 1 }] },
    { id: 'door', layers: [{ product: 'gone', coats: 2 }] },
  ];
  const plan = toPlan(stacks, yard.shelf, new Set(['roof']));
  expect([...plan.keys()]).toEqual(['door']);
  expect(plan.get('door')).toEqual([{ product: 'gone', coats: 2, method: 'small-block' }]);
});
