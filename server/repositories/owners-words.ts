import { eq, or, sql } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { Passport, PassportFile } from '#formats/passport';
import type { Db } from '../db/open';
import {
  formerVersions,
  handovers,
  photos,
  runLog,
  shopSettings,
  stockLog,
  takenPassports,
  templates,
} from '../db/schema';

/** Takes words out of a value; the same value where none of them stands in it. */
type Clear = <T>(value: T, isTheirs: boolean) => T;

/** The calendar as it stands and stood. */
const SETTINGS = ['calendar', 'calendar-before', 'calendar-earlier'];

/**
 * Where words about a person stand beside their jobs, to be taken out on their wish. Logs and what was signed are kept by
 * triggers that refuse every change; a person's right to be forgotten is the one exception, and only words go.
 */
export function ownersWords(db: Db) {
  return {
    /** Notes of a job's pictures, and what was noted in its log. */
    ofJob(jobId: string, clear: Clear): void {
      for (const photo of db.select().from(photos).where(eq(photos.jobId, jobId)).all()) {
        const note = clear({ note: photo.note }, true).note;
        if (note !== photo.note) db.update(photos).set({ note }).where(eq(photos.id, photo.id)).run();
      }
      for (const { seq, entry } of db.select().from(runLog).where(eq(runLog.jobId, jobId)).all()) {
        const left = clear(entry, true);
        if (left !== entry)
          unguarded(db, 'run_log_never_changed', () =>
            db.update(runLog).set({ entry: left }).where(eq(runLog.seq, seq)).run(),
          );
      }
    },
    /** What was signed at a job: it stays, without who signed. @returns how many there are */
    signed(jobId: string, clear: Clear, sign: (passport: Passport) => PassportFile): number {
      const all = db.select().from(handovers).where(eq(handovers.jobId, jobId)).all();
      for (const { id, passport: file } of all) {
        const passport = clear(file.passport, true);
        const left = {
          signedBy: NOBODY,
          strokes: [],
          passport: passport === file.passport ? file : sign(passport),
        };
        unguarded(db, 'handovers_never_changed', () =>
          db.update(handovers).set(left).where(eq(handovers.id, id)).run(),
        );
      }
      return all.length;
    },
    /** A passport an item came with: its past stays, without whom it names. Its signature holds no more where it did. */
    taken(itemId: string, clear: Clear): void {
      const row = db.select().from(takenPassports).where(eq(takenPassports.itemId, itemId)).get();
      const file = row && clear(row.file, true);
      if (row && file !== row.file)
        db.update(takenPassports).set({ file: file! }).where(eq(takenPassports.itemId, itemId)).run();
    },
    /**
     * Patterns, the calendar, the stock, and earlier versions of anything: whole names only.
     * @param said the names and plates: only what mentions one is opened
     */
    elsewhere(clear: Clear, said: readonly string[]): void {
      for (const { id, name, kept } of db.select().from(templates).all()) {
        const left = clear({ name, kept }, false);
        if (left.name !== name || left.kept !== kept) db.update(templates).set(left).where(eq(templates.id, id)).run();
      }
      for (const { name, value } of db.select().from(shopSettings).all()) {
        const left = SETTINGS.includes(name) ? clear(value, false) : value;
        if (left !== value) db.update(shopSettings).set({ value: left }).where(eq(shopSettings.name, name)).run();
      }
      for (const row of db.select().from(formerVersions).where(mentions(formerVersions.body, said)).all()) {
        const body = clear(row.body, false);
        if (body !== row.body)
          db.update(formerVersions)
            .set({ body })
            .where(
              sql`${formerVersions.kind} = ${row.kind} and ${formerVersions.id} = ${row.id} and ${formerVersions.version} = ${row.version}`,
            )
            .run();
      }
      for (const { seq, entry } of db.select().from(stockLog).where(mentions(stockLog.entry, said)).all()) {
        const left = clear(entry, false);
        if (left !== entry)
          unguarded(db, 'stock_log_never_changed', () =>
            db.update(stockLog).set({ entry: left }).where(eq(stockLog.seq, seq)).run(),
          );
      }
    },
  };
}

/** Whether a text may hold one of some names: the longest word of it, in any case; other letters than ASCII may be any. */
const mentions = (column: SQLiteColumn, said: readonly string[]) =>
  or(
    sql`false`,
    ...said.map((name) => {
      const [longest = ''] = name.split(/[\s-]+/).sort((a, b) => b.length - a.length);
      return sql`${column} like ${`%${longest.replaceAll(/[^a-z0-9]/gi, '_')}%`}`;
    }),
  );

/** Stands where somebody signed. */
const NOBODY = 'the owner';

/** Writes past one trigger, within the transaction that puts it back. */
function unguarded(db: Db, trigger: string, write: () => unknown): void {
  const [{ sql: made }] = db.all<{ sql: string }>(sql`select sql from sqlite_master where name = ${trigger}`) as [
    { readonly sql: string },
  ];
  db.run(sql.raw(`drop trigger ${trigger}`));
  write();
  db.run(sql.raw(made));
}
