import { MEASURES } from '#core/measures';
import type { Fault } from '#formats/values';
import Papa from 'papaparse';

/** One reading of a gauge's file, by the panel it was taken on. */
export interface GaugeReading {
  readonly panel: string;
  readonly um: number;
}

export interface ReadingsFile {
  readonly readings: readonly GaugeReading[];
  /** Lines left out, each with its place and reason. */
  readonly faults: readonly Fault[];
}

const LARGEST_UM = 5000;

/** A number with a decimal point or comma; NaN for anything else. */
function numberOf(cell: string | undefined): number {
  const text = (cell ?? '').trim().replace(',', '.');
  return text === '' ? Number.NaN : Number(text);
}

/**
 * Reads thickness readings from CSV: a panel and a number a line, in this order or named by a heading
 * (`panel`, `um` or `mil`). Takes commas, semicolons and tabs between, and decimal commas where they do not
 * part columns. Lines that make no sense are left out and named.
 */
export function readReadingsCsv(text: string): ReadingsFile {
  const delimiter = text.includes(';') ? ';' : text.includes('\t') ? '\t' : ',';
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { delimiter, skipEmptyLines: true });
  const heading = data[0]?.map((cell) => cell.trim().toLowerCase()) ?? [];
  // A first line without any number is a heading.
  const named = heading.length > 0 && heading.every((cell) => Number.isNaN(numberOf(cell)));
  const column = (pattern: RegExp, otherwise: number) => {
    const found = heading.findIndex((cell) => pattern.test(cell));
    return named && found !== -1 ? found : otherwise;
  };
  const [panelAt, valueAt] = [column(/^panel/, 0), column(/^(um|µm|mil)/, 1)];
  const factor = named && /^mil/.test(heading[valueAt] ?? '') ? MEASURES.thickness.toMetric(1) : 1;
  const readings: GaugeReading[] = [];
  const faults: Fault[] = [];
  for (const [index, row] of data.entries()) {
    if (named && index === 0) continue;
    const path = `line ${index + 1}`;
    const panel = row[panelAt]?.trim() ?? '';
    const um = numberOf(row[valueAt]) * factor;
    if (panel === '') faults.push({ path, message: 'names no panel' });
    else if (!Number.isFinite(um)) faults.push({ path, message: `"${row[valueAt] ?? ''}" is not a number` });
    else if (um <= 0 || um > LARGEST_UM)
      faults.push({ path, message: `${um} µm is no paint; expected 1 to ${LARGEST_UM}` });
    else readings.push({ panel, um });
  }
  return { readings, faults };
}
