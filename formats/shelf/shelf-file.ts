import Papa from 'papaparse';
import { z } from 'zod';
import { FAMILY_IDS, type FamilyId } from '#core/products/families';
import { type Fault, FaultsError, list, object, read } from '#formats/values';
import { productSchema, type ProductSheet, type ProductSheetInput } from './product';
import { productSenseFaults } from './product-sense';
import { usualSheet } from './usual-sheet';

export const SHELF_FORMAT = 'glaphyra.shelf/1';

/** A shelf of product sheets as it travels between workshops. */
export const shelfFileSchema = object({
  format: z.literal(SHELF_FORMAT, { error: `expected "${SHELF_FORMAT}"` }),
  products: list(productSchema),
});
export type ShelfFile = z.output<typeof shelfFileSchema>;

/** Faults of sense of all its sheets, and ids that stand twice. */
export function shelfSenseFaults(raw: unknown): Fault[] {
  const products = typeof raw === 'object' && raw !== null && 'products' in raw ? raw.products : undefined;
  if (!Array.isArray(products)) return [];
  const seen = new Set<unknown>();
  return products.flatMap((product: unknown, index): Fault[] => {
    if (typeof product !== 'object' || product === null) return [];
    const { id } = product as { id?: unknown };
    const twice = id !== undefined && seen.has(id);
    seen.add(id);
    return [
      ...(twice
        ? [{ path: `products[${index}].id`, message: `"${String(id)}" is used twice; give each its own` }]
        : []),
      ...productSenseFaults(product, ['products', index]),
    ];
  });
}

/** Columns of the table: what one fills in by hand; the rest of a new sheet is usual for its family. */
const COLUMNS = [
  'id',
  'name',
  'family',
  'unit',
  'coveragePerM2',
  'ratedMonths',
  'onHand',
  'packs',
  'over',
  'sheetVersion',
  'sheetDate',
] as const;
const NUMBERS = ['coveragePerM2', 'ratedMonths', 'onHand'] as const;

/** The shelf as a table: packs as `size x price`, several parted by `|`; prices in minor units. */
export function shelfCsv(products: readonly ProductSheet[]): string {
  const rows = products.map((product) => ({
    ...product,
    packs: product.packs.map(({ size, price }) => `${size} x ${price}`).join(' | '),
    over: product.over.join(' | '),
  }));
  return Papa.unparse(
    { fields: [...COLUMNS], data: rows.map((row) => COLUMNS.map((column) => row[column] ?? '')) },
    // A cell another program would take for a formula is written behind a mark.
    { escapeFormulae: true },
  );
}

/**
 * Reads a table of sheets, commas or semicolons between, decimal commas where they part nothing. What a line leaves
 * empty is what stands on the shelf, or else usual for the family and marked as assumed.
 * @throws FaultsError with every fault and its line
 */
export function readShelfCsv(text: string, standing: readonly ProductSheet[] = []): ShelfFile {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (heading) => heading.trim(),
    transform: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
  });
  const missing = (['id', 'name', 'family'] as const).filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0) {
    throw new FaultsError([
      { path: 'line 1', message: `no column ${missing.join(', ')}; the columns are ${COLUMNS.join(', ')}` },
    ]);
  }
  const known = new Map(standing.map((sheet) => [sheet.id, sheet]));
  const faults: Fault[] = [];
  const products = data.flatMap((row, index): ProductSheet[] => {
    const line = `line ${index + 2}`;
    try {
      return [read(sheetOf(row, known), productSchema, productSenseFaults as never)];
    } catch (error) {
      if (!(error instanceof FaultsError)) throw error;
      faults.push(...error.faults.map(({ path, message }) => ({ path: path ? `${line}, ${path}` : line, message })));
      return [];
    }
  });
  if (faults.length > 0) throw new FaultsError(faults);
  return read({ format: SHELF_FORMAT, products }, shelfFileSchema, shelfSenseFaults);
}

function sheetOf(row: Readonly<Record<string, string>>, known: ReadonlyMap<string, ProductSheet>): ProductSheetInput {
  const said = Object.entries(row)
    .map(([key, cell]) => [key, cell.trim()] as const)
    .filter(([key, cell]) => cell !== '' && (COLUMNS as readonly string[]).includes(key));
  const cells = Object.fromEntries(said.map(([key, cell]) => [key, valueOf(key, cell)]));
  const id = String(cells.id ?? '');
  const family = String(cells.family ?? '');
  const start = known.get(id) ?? (FAMILY_IDS.includes(family as FamilyId) ? usualSheet(family as FamilyId) : {});
  return { ...start, ...cells } as ProductSheetInput;
}

function valueOf(column: string, cell: string): unknown {
  if ((NUMBERS as readonly string[]).includes(column)) {
    const number = Number(cell.replace(',', '.'));
    return Number.isNaN(number) ? cell : number;
  }
  if (column === 'over') return parts(cell);
  if (column !== 'packs') return cell;
  return parts(cell).map((pack) => {
    const [size, price] = pack.split(/x|×/).map((part) => Number(part.trim().replace(',', '.')));
    return { size, price };
  });
}

const parts = (cell: string) =>
  cell
    .split('|')
    .map((part) => part.trim())
    .filter((part) => part !== '');
