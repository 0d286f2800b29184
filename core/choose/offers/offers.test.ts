import fc from 'fast-check';
import { type ChoiceSurface, USUAL_WISHES } from '#core/choose/stacks';
import { answerOf, judgeStack } from '#core/layers/rules';
import { on, product } from '../../testing/shelf';
import { applyOffer, linesOf, type Offer, priceOffer, promisedMonths } from './offers';

const SHELF = [
  product('base', { family: 'ceramic-base', substrates: on('clear-gloss', 'wheel'), over: ['bare'] }),
  product('top', { family: 'ceramic-top', substrates: on('clear-gloss'), over: ['base'], ratedMonths: 60 }),
  product('pane', { family: 'glass-coating', substrates: on('glass') }),
];
const OFFER: Offer = {
  id: 'harbour',
  name: 'Harbour',
  says: 'Two layers on paint.',
  level: 'one-step',
  lines: [
    {
      on: ['clear-gloss', 'wheel'],
      layers: [
        { product: 'base', coats: 1 },
        { product: 'top', coats: 1 },
      ],
    },
    { on: ['glass', 'windscreen'], layers: [{ product: 'pane', coats: 1 }] },
  ],
  promised: [],
  notPromised: [],
  wastePct: 10,
  marginPct: 20,
  taxPct: 19,
};
const surface = (
  id: string,
  substrate: ChoiceSurface['substrate'],
  existing: ChoiceSurface['existing'] = [],
): ChoiceSurface => ({
  id,
  substrate,
  areaM2: 1,
  existing,
  hit: false,
});

test('each kind gets its stack, adapted by the rules with the reason; what no line names stays bare', () => {
  const applied = applyOffer(
    OFFER,
    [
      surface('bonnet', 'clear-gloss'),
      surface('rim', 'wheel'),
      surface('screen', 'windscreen'),
      surface('waxed', 'clear-gloss', ['paste-wax']),
      surface('seat', 'fabric'),
    ],
    SHELF,
  );
  expect(applied.map(({ id, layers }) => [id, layers.map((layer) => layer.product)])).toEqual([
    ['bonnet', ['base', 'top']],
    ['rim', ['base']],
    ['screen', []],
    ['waxed', []],
    ['seat', []],
  ]);
  expect(applied[0]!.adapted).toBeUndefined();
  expect(applied[1]!.adapted).toBe('the sheet of top does not name wheel');
  expect(applied[3]!.adapted).toMatch(/does not bond/);
  expect(applyOffer(OFFER, [surface('bonnet', 'clear-gloss')], SHELF.slice(0, 1))[0]!.adapted).toMatch(
    /no longer on the shelf/,
  );
});

test('material with waste, hours of preparation and laying, margin on both, tax on all', () => {
  const fixed = OFFER.lines[0]!.layers;
  const wishes = { ...USUAL_WISHES, hourRate: 6000 };
  const bonnet = [{ ...surface('bonnet', 'clear-gloss'), fixed }];
  const lifeMonths = promisedMonths(bonnet, SHELF, wishes.exposure);
  const price = priceOffer(OFFER, { materialMoney: 12000, workMin: 150, hourRate: 6000, lifeMonths });
  expect(price.materialMoney).toBe(12000);
  expect(price.wasteMoney).toBe(1200);
  expect(price.hours).toBe(2.5);
  expect(price.workMoney).toBeCloseTo(price.hours * 6000, 9);
  const net = (13200 + price.workMoney) * 1.2;
  expect(price.marginMoney).toBeCloseTo((13200 + price.workMoney) * 0.2, 9);
  // 33,840 net and 19 % are 40,269.60: asked as whole units, unless the shop wants it otherwise.
  expect([net, net * 1.19]).toEqual([expect.closeTo(33840, 9), expect.closeTo(40269.6, 6)]);
  const rounded = (roundToMoney: number | undefined) =>
    priceOffer({ ...OFFER, roundToMoney }, { materialMoney: 12000, workMin: 150, hourRate: 6000, lifeMonths });
  expect([undefined, 0, 5000].map((step) => rounded(step).totalMoney)).toEqual([40300, 40270, 40000]);
  for (const step of [undefined, 0, 5000]) {
    const { materialMoney, wasteMoney, workMoney, marginMoney, roundingMoney, taxMoney, totalMoney } = rounded(step);
    const netAsked = materialMoney + wasteMoney + workMoney + marginMoney + roundingMoney;
    expect(netAsked + taxMoney).toBeCloseTo(totalMoney, 6);
    expect(taxMoney).toBeCloseTo(0.19 * netAsked, 6);
  }
  const [from, to] = price.lifeMonths;
  expect(from).toBeLessThan(to);
  expect(to).toBeLessThanOrEqual(60 * 1.3);
  expect(
    priceOffer(OFFER, {
      materialMoney: 0,
      workMin: 0,
      hourRate: 6000,
      lifeMonths: promisedMonths([{ ...surface('seat', 'fabric'), fixed: [] }], SHELF, wishes.exposure),
    }),
  ).toMatchObject({
    totalMoney: 0,
    lifeMonths: [0, 0],
  });
});

test('the stacks of a job become lines: the one on most of the area, kinds that share it together', () => {
  const layers = [{ product: 'base', coats: 1 }];
  expect(
    linesOf([
      { substrate: 'clear-gloss', areaM2: 2, layers },
      { substrate: 'clear-gloss', areaM2: 1, layers: [{ product: 'top', coats: 1 }] },
      { substrate: 'wheel', areaM2: 1, layers },
      { substrate: 'glass', areaM2: 1, layers: [] },
    ]),
  ).toEqual([{ on: ['clear-gloss', 'wheel'], layers }]);
});

test('law: what an offer lays breaks no rule, whatever is found on the surface', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<ChoiceSurface['substrate'][]>(
        'clear-gloss',
        'wheel',
        'glass',
        'windscreen',
        'sensor',
        'clear-matte',
      ),
      fc.constantFrom<ChoiceSurface['existing'][]>([], ['paste-wax'], ['ceramic-base'], ['film']),
      (substrate, existing) => {
        const { layers } = applyOffer(OFFER, [surface('one', substrate, existing)], SHELF)[0]!;
        const stack = layers.map(({ product: id }) => SHELF.find((each) => each.id === id)!);
        for (const { rulings } of judgeStack({ substrate, existing, layers: stack }, []))
          expect(answerOf(rulings)).not.toBe('no');
      },
    ),
  );
});
