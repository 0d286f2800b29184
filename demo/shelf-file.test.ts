import fc from 'fast-check';
import { FAMILY_IDS } from '#core/products/families';
import {
  readProduct,
  readShelfCsv,
  SHELF_FORMAT,
  shelfCsv,
  shelfFileSchema,
  shelfSenseFaults,
  usualSheet,
} from '#formats/shelf';
import { FaultsError, read } from '#formats/values';
import { DEMO_SHELF } from './shelf';

const shelf = DEMO_SHELF.map(readProduct);

test('what is usual for a family is a whole sheet, each figure of it marked as assumed', () => {
  for (const family of FAMILY_IDS) {
    const sheet = readProduct({ id: 'new', name: 'New', ...usualSheet(family) });
    expect(sheet.family).toBe(family);
    expect(Object.values(sheet.sources!).every((source) => source === 'assumed')).toBe(true);
  }
});

test('a shelf goes out and comes back the same, as JSON and as a table beside what stands', () => {
  const file = JSON.parse(JSON.stringify({ format: SHELF_FORMAT, products: shelf })) as unknown;
  expect(read(file, shelfFileSchema, shelfSenseFaults).products).toEqual(shelf);
  expect(readShelfCsv(shelfCsv(shelf), shelf).products).toEqual(shelf);
});

test('a table by hand: semicolons, decimal commas, packs; the rest is usual for the family', () => {
  const { products } = readShelfCsv(
    'id;name;family;coveragePerM2;packs\nspray;Spray;spray-coating;11,5;250 x 3900 | 500 x 6900\n',
  );
  expect(products[0]).toMatchObject({
    id: 'spray',
    coveragePerM2: 11.5,
    packs: [
      { size: 250, price: 3900 },
      { size: 500, price: 6900 },
    ],
    sources: { milestones: 'assumed' },
  });
});

test.each([
  ['id,name\na,A\n', /line 1: no column family/],
  ['id,name,family\na,A,soap\n', /line 2, family: expected one of/],
  [
    'id,name,family,coveragePerM2\na,A,ceramic,much\nb,B,ceramic,-3\n',
    /line 2, coveragePerM2.*\n.*line 3, coveragePerM2/s,
  ],
  ['id,name,family,packs\na,A,ceramic,fifty\n', /line 2, packs\[0\]/],
  ['id,name,family\na,A,ceramic\na,A,ceramic\n', /products\[1\]\.id: "a" is used twice/],
])('%j is refused with its place', (text, says) => {
  try {
    readShelfCsv(text);
    throw new Error('nothing was refused');
  } catch (error) {
    expect(error).toBeInstanceOf(FaultsError);
    expect((error as FaultsError).faults.map(({ path, message }) => `${path}: ${message}`).join('\n')).toMatch(says);
  }
});

test('law: any text is read, or refused with faults; nothing else is thrown', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.string().map((text) => `id,name,family\n${text}`),
      ),
      (text) => {
        try {
          readShelfCsv(text);
        } catch (error) {
          expect(error).toBeInstanceOf(FaultsError);
        }
      },
    ),
  );
});
