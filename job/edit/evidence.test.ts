import { SUBSTRATES } from '#core/item/substrates';
import { yardThatMorning } from '../../demo/that-morning';
import { enterEvidence, evidenceScopes, gives } from '.';

const { draft } = yardThatMorning().jobs.find(({ id }) => id === 'teal-hatchback')!;
const { surfaces } = draft.document;
const ids = surfaces.map(({ id }) => id);

test('one entry holds for the whole item, a side or a material, and for nothing else', () => {
  for (const scope of evidenceScopes(surfaces)) {
    const meant = new Set(scope.surfaces.map(({ id }) => id));
    const rough = enterEvidence([...meant], { touch: 'rough' })(draft).document.surfaces;
    for (const [nth, surface] of rough.entries())
      expect([scope.id, surface.id, surface.touch]).toEqual([
        scope.id,
        surface.id,
        meant.has(surface.id) ? 'rough' : surfaces[nth]!.touch,
      ]);
  }
});

test('sides are twins, materials are all of one, and every scope but the whole is a part of it', () => {
  const scopes = new Map(evidenceScopes(surfaces).map(({ id, surfaces: own }) => [id, own.map((each) => each.id)]));
  expect(scopes.get('all')).toEqual(ids);
  expect(
    scopes
      .get('left')!
      .map((id) => id.replace('left', 'right'))
      .sort(),
  ).toEqual([...scopes.get('right')!].sort());
  expect(scopes.get('left')).toContain('front-door-left');
  expect(scopes.get('left')).not.toContain('bonnet');
  for (const [id, own] of scopes) if (id !== 'all') expect(own.length).toBeLessThan(ids.length);
});

test('what only paint can give is not entered for glass, rubber or trim; unknown history is, for all of them', () => {
  const hard = enterEvidence(ids, { hardness: { grade: 'hard', by: 'told' } })(draft).document.surfaces;
  for (const surface of hard) {
    expect([surface.id, surface.hardness?.grade === 'hard']).toEqual([surface.id, gives(surface, 'hardness')]);
    if (SUBSTRATES[surface.substrate].polishable !== true && !SUBSTRATES[surface.substrate].gaugeReads)
      expect(surface.hardness?.grade).not.toBe('hard');
  }
  expect(hard.some(({ hardness }) => hardness?.grade === 'hard')).toBe(true);
  const unknown = enterEvidence(ids, { existing: ['unknown'] })(draft).document.surfaces;
  expect(unknown.map(({ existing }) => existing)).toEqual(ids.map(() => ['unknown']));
});
