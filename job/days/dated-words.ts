import type { DatedBy } from '#core/care/upkeep';

/** Where a date after laying comes from, in words that go behind it. */
export const DATED_WORDS: Readonly<Record<DatedBy, string>> = {
  sheet: 'the maker’s time, in the air it cures in',
  'sheet-days': 'the maker’s days, kept exactly',
  family: 'usual for its family; the sheet says nothing',
  workshop: 'the workshop’s own rule',
  usual: 'usual in the trade; the sheet says nothing',
};
