import Papa from 'papaparse';
import type { CareDue } from '#formats/job';
import { calendarFile } from './calendar';

/** What is due, as it is said to whoever rings the owner. */
export const CARE_WORDS: Readonly<Record<CareDue['due'][number]['what'], string>> = {
  'first-wash': 'First wash',
  wash: 'Gentle wash',
  topper: 'Topper',
  booster: 'Booster',
  look: 'Inspection',
  renew: 'First to renew',
  reminder: 'To be thought of again',
};

/** What items are due for as an iCalendar file: one whole day each. */
export const careCalendar = (rows: readonly CareDue[], at: Date): string =>
  calendarFile(
    'Care',
    rows.flatMap(({ jobId, itemName, ownerName, due }) =>
      due.map(({ what, at: from, says }, nth) => ({
        key: `${jobId}.${what}.${nth}`,
        title: `${CARE_WORDS[what]}: ${itemName}`,
        from,
        allDay: true,
        says: [ownerName, says].filter(Boolean).join(': ') || 'owner not said',
      })),
    ),
    { id: 'care', edition: Math.floor(at.getTime() / 60_000) % 1e9, at },
  );

/** Whom to tell of what and when, as CSV: a line a date. */
export const careCsv = (rows: readonly CareDue[]): string =>
  `${Papa.unparse(
    {
      fields: ['owner', 'item', 'due', 'what', 'says'],
      data: rows.flatMap(({ itemName, ownerName, due }) =>
        due.map(({ what, at, says }) => [ownerName ?? '', itemName, at.slice(0, 10), CARE_WORDS[what], says ?? '']),
      ),
    },
    { newline: '\n', escapeFormulae: true },
  )}\n`;
