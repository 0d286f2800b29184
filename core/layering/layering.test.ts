import type { FamilyId } from '../families';
import type { Product } from '../products';
import type { SubstrateId } from '../substrates';
import { product } from '../testing/samples';
import { judgeStack, LAYERING_RULES, mayOverrule, type RuleId, touchedBy } from '.';

const everywhere = (use: 'yes' | 'test' | 'no', ...ids: SubstrateId[]) =>
  Object.fromEntries(ids.map((id) => [id, { use }]));
const base = product({ ratedMonths: 60 });
const top = product({ id: 'top', name: 'Top', family: 'ceramic-top', over: ['base'], ratedMonths: 60 });
const wax = product({ id: 'wax', name: 'Wax', family: 'paste-wax', over: ['bare', 'ceramic-base'], ratedMonths: 3 });
const satin = product({
  id: 'satin',
  name: 'Satin',
  family: 'ceramic',
  substrates: everywhere('yes', 'clear-matte'),
  ratedMonths: 36,
});
const shelf = [base, top, wax, satin];

const judge = (
  layers: Product[],
  changes: { substrate?: SubstrateId; existing?: FamilyId[]; refinishedAgoMin?: number } = {},
) => judgeStack({ substrate: 'clear-gloss', existing: [], ...changes, layers }, shelf);

describe('each rule, against and for', () => {
  test.each<[RuleId, Product, SubstrateId, Product, SubstrateId]>([
    ['substrate', base, 'glass', base, 'clear-gloss'],
    ['bond', top, 'clear-gloss', base, 'clear-gloss'],
    [
      'keep-clear',
      product({ substrates: everywhere('yes', 'sensor', 'wheel') }),
      'sensor',
      product({ substrates: everywhere('yes', 'sensor', 'wheel') }),
      'wheel',
    ],
    ['matte-no-abrasive', { ...satin, properties: ['abrasive'] }, 'clear-matte', satin, 'clear-matte'],
    ['matte-gloss-enhancer', { ...satin, properties: ['gloss-enhancer'] }, 'clear-matte', satin, 'clear-matte'],
    [
      'acrylic-solvent',
      product({ substrates: everywhere('yes', 'acrylic-window'), properties: ['strong-solvent'] }),
      'acrylic-window',
      product({ substrates: everywhere('yes', 'acrylic-window') }),
      'acrylic-window',
    ],
    [
      'windscreen-wipers',
      product({ substrates: everywhere('yes', 'windscreen'), properties: ['not-for-wipers'] }),
      'windscreen',
      product({ substrates: everywhere('yes', 'windscreen') }),
      'windscreen',
    ],
    [
      'aircraft-approval',
      product({ substrates: everywhere('yes', 'aircraft-paint') }),
      'aircraft-paint',
      product({ substrates: everywhere('yes', 'aircraft-paint'), properties: ['aviation-approved'] }),
      'aircraft-paint',
    ],
  ])('%s', (rule, bad, badOn, good, goodOn) => {
    expect(judge([bad], { substrate: badOn })[0]!.rulings.map((r) => r.rule)).toEqual([rule]);
    expect(judge([good], { substrate: goodOn })[0]).toMatchObject({ answer: 'yes', rulings: [] });
  });

  test('fresh-paint', () => {
    expect(judge([base], { refinishedAgoMin: 10 * 1440 })[0]).toMatchObject({
      answer: 'no',
      rulings: [{ rule: 'fresh-paint' }],
    });
    expect(judge([base], { refinishedAgoMin: 60 * 1440 })[0]!.answer).toBe('yes');
  });

  test('no rule is without a case above', () => {
    const told: RuleId[] = [
      'substrate',
      'keep-clear',
      'bond',
      'fresh-paint',
      'matte-no-abrasive',
      'matte-gloss-enhancer',
      'acrylic-solvent',
      'windscreen-wipers',
      'aircraft-approval',
    ];
    expect(Object.keys(LAYERING_RULES).sort()).toEqual([...told].sort());
  });
});

describe('ways out of a refusal', () => {
  test('a top without its base: the base beneath, or something else that bonds', () => {
    const [{ waysOut }] = judge([top]) as [ReturnType<typeof judge>[number]];
    expect(waysOut).toContainEqual({ kind: 'beneath', product: base });
    expect(waysOut.some((way) => way.kind === 'instead' && way.product.id === 'base')).toBe(true);
  });

  test('a coating over old wax: strip the wax', () => {
    const [{ waysOut }] = judge([base], { existing: ['paste-wax'] }) as [ReturnType<typeof judge>[number]];
    expect(waysOut).toContainEqual({ kind: 'strip', what: 'paste wax' });
  });

  test('a gloss coating on matte: the satin one; fresh paint: wait so many days', () => {
    expect(judge([base], { substrate: 'clear-matte' })[0]!.waysOut[0]).toMatchObject({
      kind: 'instead',
      product: { id: 'satin' },
    });
    expect(judge([base], { refinishedAgoMin: 10 * 1440 })[0]!.waysOut).toContainEqual({ kind: 'wait', days: 50 });
  });

  test('every way out named is really allowed', () => {
    for (const layers of [[top], [wax, base], [satin]]) {
      for (const { waysOut, answer } of judge(layers)) {
        if (answer !== 'no') expect(waysOut).toEqual([]);
        for (const way of waysOut) if (way.kind === 'instead') expect(way.answer).not.toBe('no');
      }
    }
  });
});

describe('rules set aside by hand', () => {
  const overruled = (rule: RuleId) => ({ [rule]: 'the owner asked for it in writing' });

  test('a refusal that is set aside becomes a test spot and keeps both reasons; others stand', () => {
    const [layer] = judgeStack(
      { substrate: 'clear-gloss', existing: [], layers: [top], overruled: [overruled('bond')] },
      shelf,
    );
    expect(layer).toMatchObject({
      answer: 'test',
      rulings: [{ rule: 'bond', answer: 'test', overruled: 'the owner asked for it in writing' }],
      waysOut: [],
    });
    const [glass] = judgeStack(
      { substrate: 'glass', existing: [], layers: [top], overruled: [overruled('bond')] },
      shelf,
    );
    expect(glass!.answer).toBe('no');
  });

  test('a matter of safety is never set aside', () => {
    const disc = product({ substrates: everywhere('yes', 'brake-disc') });
    for (const rule of Object.keys(LAYERING_RULES) as RuleId[]) {
      const [layer] = judgeStack(
        { substrate: 'brake-disc', existing: [], layers: [disc], overruled: [overruled(rule)] },
        [],
      );
      expect(layer!.answer).toBe('no');
    }
    expect(mayOverrule('keep-clear')).toBe(false);
    expect(mayOverrule('aircraft-approval')).toBe(false);
    expect(mayOverrule('bond')).toBe(true);
  });

  test('every rule says itself, its reason and whose word it is, and tells what it touches', () => {
    for (const [rule, { says, because, reference }] of Object.entries(LAYERING_RULES)) {
      expect([rule, says.endsWith('.'), because.endsWith('.'), reference.length > 3]).toEqual([rule, true, true, true]);
    }
    const touched = touchedBy('bond', shelf, (id) => id);
    expect(touched.find(({ product: id }) => id === 'top')!.on).toContain('bare surface');
    expect(touchedBy('substrate', [base], (id) => id)[0]!.on).toContain('glass');
    expect(touchedBy('fresh-paint', [base], (id) => id)[0]!.answer).toBe('no');
  });
});
