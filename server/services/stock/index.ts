import type { StockThing } from '#core/stock';
import type { Db } from '../../db/open';
import type { ChangeFeed } from '../changes';
import { stockReading } from './book';
import { stockEntries } from './deliveries';
import { stockDraws } from './draws';
import { stockQuestions } from './list';

/** The things in stock: a log that only grows, and what follows from it. */
export function stockService(db: Db, changes: ChangeFeed, now: () => Date) {
  const reading = stockReading(db, now);
  const tell = () => changes.tell({ kind: 'stock', id: 'all' });
  const { current, known, rowOf, usage, shelf } = reading;
  return {
    book: current,
    known,
    rowOf,
    /** What weighings have taught of a product; undefined where none has. */
    usage,
    ...stockQuestions(reading, now),
    ...stockEntries(db, reading, tell, now),
    ...stockDraws(db, reading, tell, now),
    /** Of what is in a vessel, g/ml: by its sheet, else as water. */
    densityOf: ({ kind, of }: Pick<StockThing, 'kind' | 'of'>): number =>
      (kind === 'product' ? shelf.get(of)?.sheet.densityGPerMl : undefined) ?? 1,
    tell,
  };
}

export type StockService = ReturnType<typeof stockService>;
