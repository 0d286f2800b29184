import Papa from 'papaparse';
import { type Fault, FaultsError, read } from '#formats/values';
import { MOST_AT_ONCE, type StockRow, type TakenIn, takenInSchema } from './stock';

const COLUMNS = [
  'id',
  'kind',
  'of',
  'size',
  'unit',
  'batch',
  'remaining',
  'place',
  'paid',
  'boughtAt',
  'openedAt',
  'useBy',
  'emptyG',
  'rollMm',
  'offcutOf',
] as const;
type Column = (typeof COLUMNS)[number];
const NUMBERS: ReadonlySet<string> = new Set<Column>(['size', 'remaining', 'paid', 'emptyG', 'rollMm']);
const NEEDED = ['id', 'kind', 'of', 'size'] as const satisfies readonly Column[];

/** A cell that a table program would take for a formula is quoted as text. */
const inert = (cell: string) => (/^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);

/** What is in stock as a table, one thing a line; money in minor units, moments with their offset. */
export function stockCsv(rows: readonly StockRow[]): string {
  const cells = rows.map((row) => {
    const own: Readonly<Partial<Record<Column, string | number | undefined>>> = row;
    return COLUMNS.map((column) => {
      const cell = own[column] ?? '';
      return typeof cell === 'string' ? inert(cell) : cell;
    });
  });
  return Papa.unparse({ fields: [...COLUMNS], data: cells });
}

/**
 * Reads a table of things that were bought, one a line, commas or semicolons between.
 * @throws FaultsError with every fault and its line; then nothing of it is to be taken in
 */
export function readStockCsv(text: string): TakenIn {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (heading) => heading.trim(),
  });
  const missing = NEEDED.filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0) {
    const message = `no column ${missing.join(', ')}; the columns are ${COLUMNS.join(', ')}`;
    throw new FaultsError([{ path: 'line 1', message }]);
  }
  if (data.length > MOST_AT_ONCE) {
    throw new FaultsError([
      { path: '', message: `${data.length} lines, at most ${MOST_AT_ONCE} are read; part it into several` },
    ]);
  }
  try {
    return read({ things: data.map(cellsOf) }, takenInSchema, idsTwice);
  } catch (error) {
    if (!(error instanceof FaultsError)) throw error;
    throw new FaultsError(error.faults.map(onItsLine));
  }
}

const cellsOf = (row: Readonly<Record<string, string>>): Record<string, unknown> => ({
  unit: '',
  ...Object.fromEntries(
    COLUMNS.flatMap((column) => {
      const cell = row[column]?.trim().replace(/^'(?=[=+\-@])/, '') ?? '';
      if (cell === '') return [];
      const number = NUMBERS.has(column) ? Number(cell.replace(',', '.')) : NaN;
      return [[column, Number.isNaN(number) ? cell : number]];
    }),
  ),
});

/** Ids that stand twice in one file. */
export function idsTwice(value: unknown): Fault[] {
  const things = typeof value === 'object' && value !== null && 'things' in value ? value.things : undefined;
  if (!Array.isArray(things)) return [];
  const seen = new Set<unknown>();
  return things.flatMap((thing: unknown, index): Fault[] => {
    const own = typeof thing === 'object' && thing !== null && 'id' in thing ? thing.id : undefined;
    const twice = own !== undefined && seen.has(own);
    seen.add(own);
    return twice ? [{ path: `things[${index}].id`, message: `"${String(own)}" is used twice; give each its own` }] : [];
  });
}

/** The heading is line 1. */
function onItsLine({ path, message }: Fault): Fault {
  const [, index, rest = ''] = /^things\[(\d+)\]\.?(.*)$/.exec(path) ?? [];
  if (index === undefined) return { path, message };
  const line = `line ${Number(index) + 2}`;
  return { path: rest ? `${line}, ${rest}` : line, message };
}
