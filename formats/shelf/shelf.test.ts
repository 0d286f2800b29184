import fc from 'fast-check';
import { FAMILY_IDS } from '#core/products/families';
import { PROPERTY_IDS } from '#core/products/sheets';
import { FaultsError } from '#formats/values';
import { DEMO_SHELF } from '../../demo/shelf';
import { demoKit } from '../../demo/kit';
import {
  kitEntrySchema,
  kitOf,
  kitSenseFaults,
  makerSheetSchema,
  parted,
  productSenseFaults,
  readProduct,
  readShelfCsv,
  shelfCsv,
  stocked,
  usualSheet,
} from '.';

const shelf = DEMO_SHELF.map(readProduct);

test.each(FAMILY_IDS)('a new sheet of family %s begins with figures that make sense', (family) => {
  const sheet = readProduct({ id: 'new', name: 'New', ...usualSheet(family) });
  expect(productSenseFaults(sheet)).toEqual([]);
  const assumed = Object.values(sheet.sources ?? {});
  expect(assumed.length).toBeGreaterThan(5);
  expect(new Set(assumed)).toEqual(new Set(['assumed']));
});

test('a product parts into its maker’s sheet and the shop’s figures, and comes together again', () => {
  const figures = fc.record({
    onHand: fc.double({ min: 0, max: 500, noNaN: true }),
    flashFactor: fc.double({ min: 0.3, max: 3, noNaN: true }),
    flashSigma: fc.double({ min: 0, max: 1, noNaN: true }),
    usageFactor: fc.double({ min: 0.3, max: 3, noNaN: true }),
    usageSigma: fc.double({ min: 0, max: 1, noNaN: true }),
    batch: fc.option(fc.string({ maxLength: 12 }), { nil: undefined }),
  });
  fc.assert(
    fc.property(fc.constantFrom(...shelf), figures, (sheet, { batch, ...shop }) => {
      const product = { ...sheet, ...shop, ...(batch !== undefined && { batch }) };
      const { sheet: makers, shop: own } = parted(product);
      expect(makerSheetSchema.parse(makers)).toEqual(makers);
      expect(stocked({ sheet: makers, shop: own })).toEqual(product);
      // Another shop's figures make no other sheet.
      expect(parted({ ...product, onHand: 1, flashFactor: 2 }).sheet).toEqual(makers);
    }),
  );
});

test('a shelf goes out as a table and comes back the same', () => {
  const back = readShelfCsv(shelfCsv(shelf), shelf);
  expect(back.products).toEqual(shelf);
});

test('what another program would take for a formula is written behind a mark, and comes back without it', () => {
  const [first, ...others] = shelf;
  const named = [{ ...first!, name: '=HYPERLINK("x")' }, ...others];
  const text = shelfCsv(named);
  expect(text).toContain(`"'=HYPERLINK(""x"")"`);
  expect(readShelfCsv(text, named).products[0]!.name).toBe('=HYPERLINK("x")');
});

test('whatever a table holds, it is read whole or refused with its lines', () => {
  const cell = fc.oneof(
    fc.constantFrom('', '12', '12,5', 'film', 'paste-wax', '30 x 4200', '30 x 4200 | 50 × 6100', 'bare | self', '-1'),
    fc.string({ maxLength: 12 }),
  );
  const header = ['id', 'name', 'family', 'coveragePerM2', 'packs', 'over', 'onHand'];
  fc.assert(
    fc.property(
      fc.array(fc.tuple(...header.map(() => cell)), { maxLength: 5 }),
      fc.constantFrom(',', ';', '\t'),
      (rows, comma) => {
        const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;
        const table = [header, ...rows].map((row) => row.map(quoted).join(comma)).join('\n');
        try {
          for (const product of readShelfCsv(table).products) expect(productSenseFaults(product)).toEqual([]);
        } catch (error) {
          if (!(error instanceof FaultsError)) throw error;
          expect(error.faults.length).toBeGreaterThan(0);
          for (const { path } of error.faults) expect(path).toMatch(/^line \d+|^products/);
        }
      },
    ),
    { numRuns: 200 },
  );
});

test.each(PROPERTY_IDS)('the property %s is read, and a slip in it refused', (property) => {
  const [sheet] = DEMO_SHELF;
  expect(readProduct({ ...sheet, properties: [property] }).properties).toEqual([property]);
  expect(() => readProduct({ ...sheet, properties: [`${property}s`] })).toThrow(FaultsError);
});

describe('the shelf of preparation', () => {
  const entries = demoKit('2027-03-02T10:40:00+01:00');

  test('every entry is read as it was written, and none contradicts itself', () => {
    for (const entry of entries) {
      expect(kitEntrySchema.parse(entry)).toEqual(entry);
      expect(kitSenseFaults(entry)).toEqual([]);
    }
  });

  test('sheets and things come apart for the core, moments as numbers', () => {
    const { sheets, things } = kitOf(entries);
    expect(sheets.length + things.length).toBe(entries.length);
    for (const thing of things) if (thing.kind === 'pad-in-use') expect(Number.isFinite(thing.sinceMs)).toBe(true);
  });

  test.each([
    [
      { kind: 'machine', action: 'dual', throwMm: 15, plateMm: 125, speedFrom: 5, speedTo: 2, drive: 'cable' },
      'speedTo',
    ],
    [
      { kind: 'machine', action: 'rotary', throwMm: 15, plateMm: 150, speedFrom: 1, speedTo: 6, drive: 'cable' },
      'throwMm',
    ],
    [{ kind: 'liquid', grade: 'cutting', mlPerDot: 0.5, dotsFirst: 3, dotsLoaded: 5 }, 'dotsLoaded'],
  ] as const)('%j is told where it makes no sense', (parts, path) => {
    const entry = kitEntrySchema.parse({ id: 'x', name: 'X', ...parts });
    expect(kitSenseFaults(entry).map((fault) => fault.path)).toEqual([path]);
  });
});
