import fc from 'fast-check';
import { type ComparedPanel, foundByWater, twinDifferences, twinOf, whatFollows } from './evidence';
import { MARK_KIND_IDS, MARK_KINDS, MARK_SEVERITIES, worstSeverity } from './marks';
import { seenSeverity } from './tone';

const kind = fc.constantFrom(...MARK_KIND_IDS);

describe('marks', () => {
  test('signs on the map are told apart', () => {
    expect(new Set(MARK_KIND_IDS.map((id) => MARK_KINDS[id].sign)).size).toBe(MARK_KIND_IDS.length);
  });

  test('the gravest speaks for a panel', () => {
    expect(worstSeverity([])).toBeUndefined();
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...MARK_SEVERITIES), { minLength: 1 }), (severities) => {
        const worst = worstSeverity(severities.map((severity) => ({ severity })))!;
        expect(severities).toContain(worst);
        for (const each of severities) {
          expect(MARK_SEVERITIES.indexOf(each)).toBeLessThanOrEqual(MARK_SEVERITIES.indexOf(worst));
        }
      }),
    );
  });
});

describe('left against right', () => {
  const panel = (id: string, kinds: readonly (typeof MARK_KIND_IDS)[number][], medianUm?: number): ComparedPanel => ({
    id,
    existing: [],
    marks: kinds.map((each) => ({ kind: each })),
    medianUm,
  });

  test('a fault on one side only, and a repainted side, are told; likeness is not', () => {
    expect(
      twinDifferences([
        panel('door-left', ['swirls', 'stain'], 118),
        panel('door-right', ['swirls'], 236),
        panel('wing-left', ['swirls'], 110),
        panel('wing-right', ['swirls'], 118),
        panel('roof', ['etching']),
        panel('lamp-left', ['transit-film']),
      ]),
    ).toEqual([{ left: 'door-left', right: 'door-right', onlyLeft: ['stain'], onlyRight: [], gapUm: -118 }]);
  });

  test('seen from either side the differences are the same, turned round', () => {
    const kinds = fc.uniqueArray(kind, { maxLength: 4 });
    const um = fc.option(fc.integer({ min: 60, max: 400 }), { nil: undefined });
    fc.assert(
      fc.property(kinds, kinds, um, um, (a, b, umA, umB) => {
        const [one] = twinDifferences([panel('x-left', a, umA), panel('x-right', b, umB)]);
        const [other] = twinDifferences([panel('x-left', b, umB), panel('x-right', a, umA)]);
        expect(other?.onlyLeft ?? []).toEqual(one?.onlyRight ?? []);
        expect(other?.onlyRight ?? []).toEqual(one?.onlyLeft ?? []);
        expect((other?.gapUm ?? 0) + (one?.gapUm ?? 0)).toBe(0);
      }),
    );
    expect(twinOf(twinOf('front-door-left')!)).toBe('front-door-left');
    expect(twinOf('bonnet')).toBeUndefined();
  });
});

test('touch, iron and water lead to what has to be done, and only where they were tried', () => {
  expect(whatFollows({ existing: [] })).toEqual([]);
  expect(whatFollows({ touch: 'smooth', iron: 'clear', water: 'sheets', existing: [] })).toEqual([]);
  expect(whatFollows({ touch: 'rough', iron: 'bleeds', water: 'beads', existing: [] })).toHaveLength(3);
  expect(whatFollows({ water: 'beads', existing: ['paste-wax'] })).toEqual([]);
  expect(whatFollows({ water: 'sheets', existing: ['paste-wax'] })[0]).toMatch(/gone or dying/);
});

test('fine marks show more on dark paint and less on pale, what was found stays found; a chip is a chip', () => {
  expect(seenSeverity({ kind: 'swirls', severity: 'light' }, 'dark')).toBe('medium');
  expect(seenSeverity({ kind: 'swirls', severity: 'heavy' }, 'dark')).toBe('heavy');
  expect(seenSeverity({ kind: 'holograms', severity: 'medium' }, 'pale')).toBe('light');
  expect(seenSeverity({ kind: 'chip', severity: 'medium' }, 'dark')).toBe('medium');
  expect(seenSeverity({ kind: 'swirls', severity: 'medium' }, undefined)).toBe('medium');
});

test('water is evidence: what beads with nothing noted is something unknown; what sheets leaves nothing unknown', () => {
  expect(foundByWater({ existing: [], water: 'beads' })).toEqual(['unknown']);
  expect(foundByWater({ existing: [], water: 'sheets' })).toEqual([]);
  expect(foundByWater({ existing: ['unknown', 'paste-wax'], water: 'sheets' })).toEqual(['paste-wax']);
  expect(foundByWater({ existing: ['unknown'], water: 'beads' })).toEqual(['unknown']);
  expect(foundByWater({ existing: ['unknown'] })).toEqual(['unknown']);
});
