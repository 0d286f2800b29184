import fc from 'fast-check';
import { changedPaths } from './changed-paths';

const surface = (id: string, more: object = {}) => ({ id, name: id, layers: [], ...more });

describe('what has changed between two documents', () => {
  test('is told by path, entries of a list by their id and not by their place', () => {
    const before = { title: 'A', surfaces: [surface('roof'), surface('bonnet')] };
    const after = { title: 'B', surfaces: [surface('bonnet', { note: 'dent' }), surface('roof')] };
    expect(changedPaths(before, after)).toEqual(['title', 'surfaces[bonnet].note']);
  });

  test('names what came and what went', () => {
    const before = { surfaces: [surface('roof'), surface('bonnet')], owner: { parking: 'street' } };
    const after = { surfaces: [surface('roof'), surface('door')] };
    expect(changedPaths(before, after).sort()).toEqual(['owner', 'surfaces[bonnet]', 'surfaces[door]']);
  });

  test('tells plain lists and values whole', () => {
    expect(changedPaths({ readings: [1, 2] }, { readings: [1, 3] })).toEqual(['readings']);
    expect(changedPaths({ a: null }, { a: 1 })).toEqual(['a']);
    expect(changedPaths([surface('a')], [surface('b')])).toEqual(['[a]', '[b]']);
    expect(changedPaths({ list: [surface('a'), surface('b')] }, { list: [surface('b'), surface('a')] })).toEqual([
      'list',
    ]);
  });

  test('is nothing between a document and itself, and something between any two that differ', () => {
    const value = fc.jsonValue({ maxDepth: 4 });
    fc.assert(fc.property(value, (json) => expect(changedPaths(json, structuredClone(json))).toEqual([])));
    fc.assert(
      fc.property(fc.dictionary(fc.string(), value), fc.dictionary(fc.string(), value), (a, b) => {
        fc.pre(JSON.stringify(a) !== JSON.stringify(b));
        expect(changedPaths(a, b).length).toBeGreaterThan(0);
      }),
    );
  });
});
