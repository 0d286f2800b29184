import { keepSearch, searchFor } from './kept-place';

test('a station is entered as it was left, with the panel that is chosen now', () => {
  keepSearch('hatchback', 'survey', '?lens=thickness&panel=bonnet');
  keepSearch('hatchback', 'layer', '?view=offers');
  expect(searchFor('hatchback', 'survey', '?panel=roof')).toBe('?lens=thickness&panel=roof');
  expect(searchFor('hatchback', 'layer', '?lens=thickness&panel=roof')).toBe('?view=offers&panel=roof');
  expect(searchFor('hatchback', 'survey', '')).toBe('?lens=thickness');
  expect(searchFor('hatchback', 'time', '')).toBe('');
  expect(searchFor('launch', 'survey', '?panel=hull')).toBe('?panel=hull');
});
