import fc from 'fast-check';
import { mergeThree } from './merge';

const panel = (id: string, more: object = {}) => ({ id, name: id, ...more });
const base = { title: 'Tourer', surfaces: [panel('tank'), panel('seat'), panel('screen')], notes: ['a'] };

describe('two edits of one document', () => {
  test('are put together panel by panel where they touch different facts', () => {
    const mine = { ...base, surfaces: [panel('tank', { marks: [panel('m1')] }), panel('seat'), panel('screen')] };
    const theirs = {
      ...base,
      title: 'Satin tourer',
      surfaces: [panel('tank'), panel('seat', { count: 2 }), panel('screen')],
    };
    expect(mergeThree(base, mine, theirs)).toEqual({
      merged: {
        title: 'Satin tourer',
        surfaces: [panel('tank', { marks: [panel('m1')] }), panel('seat', { count: 2 }), panel('screen')],
        notes: ['a'],
      },
      clashes: [],
    });
  });

  test('both marks of one panel stay, and what one removed is gone where the other left it alone', () => {
    const mine = { ...base, surfaces: [panel('tank', { marks: [panel('m1')] }), panel('screen')] };
    const theirs = { ...base, surfaces: [panel('tank', { marks: [panel('m2')] }), panel('seat'), panel('screen')] };
    const { merged, clashes } = mergeThree<unknown>(base, mine, theirs);
    expect(merged).toEqual({
      ...base,
      surfaces: [panel('tank', { marks: [panel('m1'), panel('m2')] }), panel('screen')],
    });
    expect(clashes).toEqual([]);
  });

  test('clash where they touch the same fact: theirs is taken unless mine is asked for, and both are told', () => {
    const mine = { ...base, title: 'Mine', surfaces: [panel('tank', { count: 2 }), panel('seat'), panel('screen')] };
    const theirs = { ...base, title: 'Theirs', surfaces: [panel('seat'), panel('screen')] };
    const { merged, clashes } = mergeThree<unknown>(base, mine, theirs);
    expect(merged).toEqual({ ...base, title: 'Theirs', surfaces: [panel('seat'), panel('screen')] });
    expect(clashes).toEqual([
      { path: 'title', mine: 'Mine', theirs: 'Theirs' },
      { path: 'surfaces[tank]', mine: panel('tank', { count: 2 }), theirs: undefined },
    ]);
    const chosen = mergeThree<unknown>(base, mine, theirs, new Set(['surfaces[tank]'])).merged;
    expect(chosen).toMatchObject({ title: 'Theirs', surfaces: expect.arrayContaining([panel('tank', { count: 2 })]) });
  });

  test('one who moved a panel keeps the order, with what the other added behind', () => {
    const mine = { ...base, surfaces: [panel('screen'), panel('tank'), panel('seat')] };
    const theirs = { ...base, surfaces: [...base.surfaces, panel('case')] };
    const { merged } = mergeThree(base, mine, theirs);
    expect(merged.surfaces.map(({ id }) => id)).toEqual(['screen', 'tank', 'seat', 'case']);
  });

  const json = fc.dictionary(fc.stringMatching(/^[a-e]$/), fc.jsonValue({ maxDepth: 3 }));
  test('law: who changed nothing has no say, and both alike is as both have it', () => {
    fc.assert(
      fc.property(json, json, (from, changed) => {
        expect(mergeThree(from, changed, from)).toEqual({ merged: changed, clashes: [] });
        expect(mergeThree(from, from, changed)).toEqual({ merged: changed, clashes: [] });
        expect(mergeThree(from, changed, changed)).toEqual({ merged: changed, clashes: [] });
      }),
    );
  });

  test('law: facts of different places are put together whichever came first; clashes are the same ones, sides changed', () => {
    fc.assert(
      fc.property(json, json, json, (from, mine, theirs) => {
        const [one, other] = [mergeThree(from, mine, theirs), mergeThree(from, theirs, mine)];
        expect(other.clashes.map(({ path }) => path).sort()).toEqual(one.clashes.map(({ path }) => path).sort());
        if (one.clashes.length === 0) expect(other.merged).toEqual(one.merged);
        const all = mergeThree(from, mine, theirs, new Set(one.clashes.map(({ path }) => path)));
        expect(all.merged).toEqual(other.merged);
      }),
    );
  });

  test('law: where nobody knows what they were made of nothing either has is passed over', () => {
    fc.assert(
      fc.property(json, json, (mine, theirs) => {
        const { merged } = mergeThree(undefined, mine, theirs);
        expect(Object.keys(merged).sort()).toEqual([...new Set([...Object.keys(mine), ...Object.keys(theirs)])].sort());
      }),
    );
    expect(mergeThree(undefined, { title: 'a' }, { title: 'b' }).clashes).toHaveLength(1);
  });
});
