import { DateTime } from 'luxon';
import {
  goodUntilMs,
  lessonsOf,
  type LoggedStock,
  type ShelfLife,
  StockBook,
  type StockThing,
  SUPPLIES,
  type SupplyId,
  type UsageLesson,
  usageOf,
} from '#core/stock';
import { loggedStock, type StockLogEntry, type StockRow } from '#formats/stock';
import type { Db } from '../../db/open';
import { kitRepository } from '../../repositories/kit';
import { shelfRepository } from '../../repositories/shelf';
import { type StockAppend, stockRepository } from '../../repositories/stock';
import { localInstant } from '../moments';

/** The book of all things in stock, read from the log as far as that has grown, and what weighings have taught. */
export function stockReading(db: Db, now: () => Date) {
  const log = stockRepository(db);
  const shelf = shelfRepository(db);
  const kit = kitRepository(db);
  let book = new StockBook();
  let readTo = 0;
  const ofThing = new Map<string, { readonly entries: number; readonly lessons: readonly UsageLesson[] }>();
  let lessons: { readonly asOf: number; readonly all: readonly UsageLesson[] } | undefined;

  /** The book with all that stands in the log. */
  const current = (): StockBook => {
    const last = log.lastSeq();
    // What was taken back with its transaction was never read; a log that is shorter is another database.
    if (last < readTo) {
      [book, readTo] = [new StockBook(), 0];
      ofThing.clear();
    }
    if (last === readTo) return book;
    const news = log.after(readTo).map(loggedStock);
    if (readTo === 0) book = new StockBook(news);
    else news.forEach((logged) => book.add(logged));
    readTo = last;
    return book;
  };
  /** Names and keeping times of everything there may be stock of. */
  const known = () => {
    const products = new Map(shelf.all().map(({ id, sheet }) => [id, sheet]));
    const sheets = new Map(kit.all().map(({ id, entry }) => [id, 'name' in entry ? entry.name : id]));
    return {
      lifeOf: (of: string): ShelfLife | undefined => products.get(of)?.shelfMonths,
      nameOf: ({ kind, of }: Pick<StockThing, 'kind' | 'of'>): string => {
        if (kind === 'supply') return SUPPLIES[of as SupplyId]?.name ?? of;
        return (kind === 'product' ? products.get(of)?.name : sheets.get(of)) ?? of;
      },
    };
  };
  const rowOf = (thing: StockThing, { lifeOf, nameOf }: ReturnType<typeof known>, atMs: number): StockRow => {
    const { useByMs, boughtMs, openedMs, knownMs, gone, flaws, ...said } = thing;
    const until = goodUntilMs(thing, lifeOf(thing.of));
    return {
      ...said,
      name: nameOf(thing),
      knownAt: localInstant(knownMs),
      boughtAt: localInstant(boughtMs),
      past: !gone && until <= atMs,
      ...(flaws && { flaws: [...flaws] }),
      ...(useByMs !== undefined && { useBy: DateTime.fromMillis(useByMs).toISODate()! }),
      ...(openedMs !== undefined && { openedAt: localInstant(openedMs) }),
      ...(until < Infinity && { goodUntil: localInstant(until) }),
      ...(gone && { gone: { at: localInstant(gone.atMs), reason: gone.reason, left: gone.left } }),
    };
  };
  /** What a thing teaches, worked out anew only once its log has grown. */
  const lessonsOfThing = (entries: readonly LoggedStock[]): readonly UsageLesson[] => {
    const { thing } = entries[0]!.entry;
    const known = ofThing.get(thing);
    if (known?.entries === entries.length) return known.lessons;
    const fresh = lessonsOf(entries);
    ofThing.set(thing, { entries: entries.length, lessons: fresh });
    return fresh;
  };
  const lessonsNow = (): readonly UsageLesson[] => {
    const all = current().all();
    if (lessons?.asOf !== readTo) {
      lessons = { asOf: readTo, all: all.flatMap(lessonsOfThing).sort((a, b) => a.atMs - b.atMs) };
    }
    return lessons.all;
  };
  const usage = (of: string): ReturnType<typeof usageOf> | undefined => {
    const own = lessonsNow().filter((lesson) => lesson.of === of && !lesson.untaught);
    return own.length > 0 ? usageOf(own) : undefined;
  };
  return {
    log,
    shelf,
    /** The book with all that stands in the log. */
    current,
    known,
    rowOf,
    lessonsNow,
    usage,
    /** How far the log is read: names what is written next. */
    readTo: () => readTo,
    store: (entries: readonly StockAppend[], by?: string): StockLogEntry[] =>
      entries.map((entry) => log.append(entry, now().toISOString(), by)),
  };
}
export type StockReading = ReturnType<typeof stockReading>;
