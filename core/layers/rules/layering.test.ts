import { SUBSTRATE_IDS, type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { FAMILY_IDS, type FamilyId, type FoundId } from '#core/products/families';
import type { Product } from '#core/products/sheets';
import { product } from '../../testing/samples';
import {
  type Interval,
  intervalRulingsOn,
  LAYERING_RULES,
  mayOverrule,
  RULE_IDS,
  type RuleId,
  rulingsOn,
  withOverruled,
} from './rules';
import { judgeStack, seenSubstrate, withIntervals } from './stack';
import { touchedBy } from './touches';

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
const glossFilm = { thicknessUm: 200, finish: 'gloss', rollWidthsMm: [1524], stretchPct: 30, maxSurfaceC: 60 } as const;

const judge = (
  layers: Product[],
  changes: { substrate?: SubstrateId; existing?: FoundId[]; refinishedAgoMin?: number } = {},
) => judgeStack({ substrate: 'clear-gloss', existing: [], ...changes, layers }, shelf);

describe('each rule, against and for', () => {
  const ON_SURFACES: [RuleId, Product, SubstrateId, Product, SubstrateId][] = [
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
    [
      'film-finish',
      product({ substrates: everywhere('yes', 'clear-matte'), film: glossFilm }),
      'clear-matte',
      product({ film: glossFilm }),
      'clear-gloss',
    ],
  ];
  test.each(ON_SURFACES)('%s', (rule, bad, badOn, good, goodOn) => {
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

  test('aircraft-approval holds for the windows of an aircraft, and not for a caravan’s', () => {
    const window = product({ substrates: everywhere('yes', 'acrylic-window') });
    const on = (aircraft: boolean) =>
      judgeStack({ substrate: 'acrylic-window', existing: [], aircraft, layers: [window] }, [])[0]!;
    expect(on(true)).toMatchObject({ answer: 'no', rulings: [{ rule: 'aircraft-approval' }] });
    expect(on(false).answer).toBe('yes');
  });

  test('film-first: over a coating or wax it is refused by its own rule alone, and the way out is to strip', () => {
    const film = product({
      id: 'film',
      name: 'Film',
      family: 'film',
      over: ['bare', 'film'],
      substrates: everywhere('yes', 'clear-gloss', 'film-gloss'),
      film: glossFilm,
    });
    for (const existing of [['paste-wax'], ['ceramic']] as FamilyId[][]) {
      const [judged] = judge([film], { existing });
      expect(judged!.rulings.map(({ rule }) => rule)).toEqual(['film-first']);
      expect(judged!.waysOut.map(({ kind }) => kind)).toContain('strip');
    }
    expect(judge([film], { existing: ['film'] })[0]!.answer).toBe('yes');
    expect(judge([base, film])[1]!.rulings.map(({ rule }) => rule)).toEqual(['film-first']);
  });

  test('unknown-below: what bonds to a coating wants a test patch over something unknown, all else is refused', () => {
    const over = { ...base, over: ['bare', 'ceramic'] };
    expect(judge([over], { existing: ['unknown'] })[0]).toMatchObject({
      answer: 'test',
      rulings: [{ rule: 'unknown-below' }],
    });
    expect(judge([base], { existing: ['unknown'] })[0]).toMatchObject({ answer: 'no', rulings: [{ rule: 'bond' }] });
    expect(judge([base], { existing: ['unknown'] })[0]!.waysOut[0]).toMatchObject({ kind: 'strip' });
    expect(judge([over], { existing: ['ceramic'] })[0]!.answer).toBe('yes');
  });

  const over = (under: Product, interval: Interval, substrate: SubstrateId = 'clear-gloss') =>
    intervalRulingsOn({ product: top, substrate, below: { kind: 'product', product: under }, interval });

  test('recoat-early: before the lower layer has set, or where it never does; at the moment itself it may', () => {
    const answers = (startMin: number, recoatFromMin: number | null | undefined) =>
      over(base, { startMin, recoatFromMin }).map(({ rule }) => rule);
    expect(answers(59, 60)).toEqual(['recoat-early']);
    expect(answers(0, null)).toEqual(['recoat-early']);
    for (const fine of [answers(60, 60), answers(0, undefined)]) expect(fine).toEqual([]);
    // Of a wait of two hours, twelve minutes are within what the clock knows.
    const waited = (startMin: number) => over(base, { startMin, belowEndMin: 40, recoatFromMin: 160 }).length;
    expect([waited(147), waited(149)]).toEqual([1, 0]);
  });

  test('recoat-late: what then depends on what has closed and on what it lies', () => {
    const late = { startMin: 500, recoatByMin: 480 };
    const said = (family: FamilyId, substrate?: SubstrateId) =>
      over(product({ family, name: 'Lower' }), late, substrate).map(({ reason }) => reason);
    expect(said('ceramic-base')).toEqual([
      'Lower would be laid over 20 min after it has closed: abrade it first, lightly and evenly, or change the order so that it is reached sooner',
    ]);
    expect(said('ceramic-base', 'clear-matte')[0]).toContain('strip it and lay it anew');
    expect(said('spray-coating')[0]).toContain('strip it and lay it anew');
    expect(said('ceramic-primer')[0]).toContain('polish it on again');
    expect(over(base, { startMin: 480, recoatByMin: 480 })).toEqual([]);
    expect(over(base, { startMin: 480, recoatByMin: null })).toEqual([]);
  });

  test('with what comes late goes its way out, before the ways the kind of surface leaves', () => {
    const [first] = over(base, { startMin: 500, recoatByMin: 480 });
    const judged = withIntervals({ answer: 'yes', rulings: [], waysOut: [] }, [first!], base, 'clear-gloss');
    expect(judged).toMatchObject({ answer: 'no', waysOut: [{ kind: 'first', do: 'abrade', what: base.name }] });
    const done = withOverruled([first!], { 'recoat-late': 'abraded before it' });
    expect(withIntervals({ answer: 'yes', rulings: [], waysOut: [] }, done, base, 'clear-gloss')).toMatchObject({
      answer: 'test',
      waysOut: [],
    });
  });

  test('no rule is without a case here', () => {
    const ofTheirOwn: RuleId[] = [
      'fresh-paint',
      'film-first',
      'recoat-early',
      'recoat-late',
      'primer-wipe',
      'unknown-below',
      'worn-paint',
    ];
    expect([...ON_SURFACES.map(([rule]) => rule), ...ofTheirOwn].sort()).toEqual([...RULE_IDS].sort());
  });

  test('worn-paint: nothing holds on it, neither what is chosen nor what is added by hand', () => {
    const [judged] = judgeStack({ substrate: 'clear-gloss', existing: [], layers: [base], worn: true }, shelf);
    expect(judged).toMatchObject({ answer: 'no', waysOut: [{ kind: 'repaint' }] });
    expect(judged!.rulings.map(({ rule }) => rule)).toEqual(['worn-paint']);
    expect(judge([base])[0]!.answer).toBe('yes');
    // Whoever goes on all the same has said why, and is to try it hidden.
    const overruled = [{ 'worn-paint': 'sold next month' }];
    expect(
      judgeStack({ substrate: 'clear-gloss', existing: [], layers: [base], worn: true, overruled }, [])[0]!.answer,
    ).toBe('test');
  });

  test('primer-wipe: a wipe takes a priming polish off, and nothing else', () => {
    const primer = product({ family: 'ceramic-primer', name: 'Primer' });
    const wipedOver = (under: Product, wiped: boolean) =>
      rulingsOn({ product: base, substrate: 'clear-gloss', below: { kind: 'product', product: under }, wiped })
        .map(({ rule }) => rule)
        .filter((rule) => rule === 'primer-wipe');
    expect(wipedOver(primer, true)).toEqual(['primer-wipe']);
    expect([...wipedOver(primer, false), ...wipedOver(base, true)]).toEqual([]);
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

describe('what is on top is the surface', () => {
  const film = (finish: 'gloss' | 'matte') =>
    product({
      id: 'film',
      family: 'film',
      film: { ...glossFilm, finish },
      substrates: everywhere('yes', ...SUBSTRATE_IDS),
      over: ['bare'],
    });
  const coating = (...on: SubstrateId[]) =>
    product({ id: 'coat', family: 'ceramic', substrates: everywhere('yes', ...on), over: ['bare', 'film'] });

  test.each(SUBSTRATE_IDS.filter((id) => !SUBSTRATES[id].keepClear))(
    'over a film on %s the film alone decides whether a sheet allows it',
    (own) => {
      for (const finish of ['gloss', 'matte'] as const) {
        const seen: SubstrateId = `film-${finish}`;
        const aircraft = own === 'aircraft-paint';
        for (const on of SUBSTRATE_IDS) {
          const judged = judge([film(finish), coating(on)], { substrate: own })[1]!;
          const allowed = on === seen && !aircraft;
          expect([own, finish, on, judged.answer === 'yes']).toEqual([own, finish, on, allowed]);
        }
      }
    },
  );

  test('a film found is gloss where the surface does not say that it is matte', () => {
    for (const own of SUBSTRATE_IDS.filter((id) => !SUBSTRATES[id].keepClear)) {
      expect(seenSubstrate(own, ['film'], [])).toBe(own === 'film-matte' ? 'film-matte' : 'film-gloss');
      expect(seenSubstrate(own, ['film', 'paste-wax'], [film('matte')])).toBe('film-matte');
    }
  });

  test('nothing but film changes what a layer sees, and what stays clear stays so under film', () => {
    for (const family of FAMILY_IDS.filter((id) => id !== 'film'))
      expect(seenSubstrate('clear-matte', [family, 'unknown'], [product({ family })])).toBe('clear-matte');
    for (const own of ['sensor', 'brake-disc', 'grip'] as const) {
      expect(seenSubstrate(own, ['film'], [film('gloss')])).toBe(own);
      const coat = coating(own, 'film-gloss');
      expect(judge([coat], { substrate: own, existing: ['film'] })[0]!.answer).toBe('no');
    }
  });
});

describe('over what is found of its own kind', () => {
  const of = (family: FamilyId, more: Partial<Product> = {}) =>
    product({ id: family, name: `Our ${family}`, family, over: ['bare', 'self'], milestones: [], ...more });
  const over = (laid: Product, existing: FoundId[], names: (string | null)[] = []) =>
    judgeStack(
      {
        substrate: 'clear-gloss',
        existing,
        existingTold: names.map((name) => (name === null ? null : { name })),
        layers: [laid],
      },
      [],
    )[0]!;

  test('waxes, sealants, sprays, toppers and dressings are renewed over what is left of their kind, whoever made it', () => {
    for (const family of ['paste-wax', 'liquid-wax', 'sealant', 'spray-coating', 'topper', 'dressing'] as const) {
      expect([family, over(of(family), [family]).answer]).toEqual([family, 'yes']);
      expect([family, over(of(family), ['ceramic', family], [null, 'Another']).answer]).toEqual([family, 'yes']);
      // Only where its own sheet has it lie on itself.
      expect([family, over(of(family, { over: ['bare'] }), [family]).answer]).toEqual([family, 'no']);
    }
    // The classic pair, laid in one go or a season apart; a sealant finds nothing to hold on to over either.
    expect(over(of('paste-wax'), ['cleaner-wax']).answer).toBe('yes');
    expect(judge([of('cleaner-wax'), of('paste-wax')]).map(({ answer }) => answer)).toEqual(['yes', 'yes']);
    expect(over(of('sealant'), ['paste-wax']).answer).toBe('no');
  });

  test('a coating goes over itself by its sheet: known by name, tried where nobody knows which, never over another', () => {
    const trim = of('glass-coating');
    expect(over(trim, ['glass-coating'], ['Our glass-coating']).answer).toBe('yes');
    expect(over(trim, ['glass-coating']).answer).toBe('test');
    expect(over(trim, ['glass-coating'], ['Another']).answer).toBe('no');
  });

  test('what has closed is abraded first where it can be, else it comes off', () => {
    const closing = of('ceramic', { milestones: [{ name: 'recoatBy', clock: 'set', min: 240 }] });
    const judged = over(closing, ['ceramic'], ['Our ceramic']);
    expect([judged.answer, judged.rulings.map(({ rule }) => rule)]).toEqual(['no', ['recoat-late']]);
    expect(judged.waysOut[0]).toEqual({ kind: 'first', do: 'abrade', what: 'ceramic coating' });
    const [matte] = judgeStack(
      {
        substrate: 'clear-matte',
        existing: ['ceramic'],
        layers: [{ ...closing, substrates: everywhere('yes', 'clear-matte') }],
      },
      [],
    );
    expect(matte!.waysOut[0]).toEqual({ kind: 'first', do: 'strip', what: 'ceramic coating' });
  });
});
