import { FAMILY_IDS } from '#core/products/families';
import { vocOf, wornFor } from '.';

test('gloves for all, glasses and a mask for what reacts, a mask for vapour; a sheet’s own word goes before', () => {
  expect(wornFor({ family: 'ceramic-base', vocGPerL: 0 })).toEqual(['gloves', 'glasses', 'mask']);
  expect(wornFor({ family: 'paste-wax', vocGPerL: 90 })).toEqual(['gloves']);
  expect(wornFor({ family: 'paste-wax', vocGPerL: 100 })).toEqual(['gloves', 'mask']);
  expect(wornFor({ family: 'ceramic-base', vocGPerL: 700, wear: ['gloves'] })).toEqual(['gloves']);
});

test('vapour that nobody knows is not none: a mask is worn, and the room is counted with what is usual', () => {
  for (const family of FAMILY_IDS) {
    expect([family, wornFor({ family }).includes('mask')]).toEqual([family, family !== 'film']);
    expect([family, vocOf({ family }) > 0]).toEqual([family, family !== 'film']);
    expect(vocOf({ family, vocGPerL: 0 })).toBe(0);
  }
});
