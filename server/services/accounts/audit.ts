import type { AuditEntry, AuditPage } from '#formats/people';
import { FaultsError } from '#formats/values';
import type { Db } from '../../db/open';
import { auditRepository, type AuditPlace, LATEST, type NewAuditEntry } from '../../repositories/audit';
import { peopleRepository } from '../../repositories/people';
import { auditWords } from './audit-words';

const PAGE = 50;

/** An entry as it is told, and its place in its log. */
interface Told {
  readonly log: keyof AuditPlace;
  readonly seq: number;
  readonly entry: AuditEntry;
}

/** Who did what: changes, what was tapped at the bay, what was moved in stock. */
export function audit(db: Db, now: () => Date) {
  const audit = auditRepository(db);
  const people = peopleRepository(db);

  return {
    /** Puts on record that something was done. */
    did: (entry: Omit<NewAuditEntry, 'at'>) => audit.add({ ...entry, at: now().toISOString() }),
    /**
     * Who did what, the last first: what was changed, laid and moved in stock.
     * @param from where the last page ended
     */
    audit(from: string | undefined, person: string | undefined): AuditPage {
      const place = from === undefined ? LATEST : placeOf(from);
      const { changes, run, stock } = audit.before(place, PAGE, person);
      const names = new Map(people.all().map(({ id, name }) => [id, name]));
      const words = auditWords(db);
      const all = latestFirst(
        [
          changes.map((row): Told => ({ log: 'change', seq: row.seq, entry: words.ofChange(row) })),
          run.map((row): Told => ({ log: 'run', seq: row.seq, entry: words.ofRun(row) })),
          stock.map((row): Told => ({ log: 'stock', seq: row.seq, entry: words.ofStock(row) })),
        ],
        PAGE,
      );
      const next = all.reduce((reached, { log, seq }) => ({ ...reached, [log]: Math.min(reached[log], seq) }), place);
      return {
        entries: all.map(({ entry }): AuditEntry => ({
          ...entry,
          by: entry.by === null ? null : (names.get(entry.by) ?? entry.by),
        })),
        next: all.length < PAGE ? null : [next.change, next.run, next.stock].join('-'),
      };
    },
  };
}

/**
 * The first of some logs together, each in the order it was written, the latest one first. A clock that was put back may
 * stand an entry beside later ones of another log; it loses none, since no log is read out of its turn.
 */
function latestFirst(logs: readonly (readonly Told[])[], most: number): Told[] {
  const read = logs.map(() => 0);
  const merged: Told[] = [];
  while (merged.length < most) {
    let from = -1;
    for (const [log, entries] of logs.entries()) {
      const next = entries[read[log]!];
      const best = logs[from]?.[read[from]!];
      if (next && (!best || Date.parse(next.entry.at) > Date.parse(best.entry.at))) from = log;
    }
    if (from === -1) break;
    merged.push(logs[from]![read[from]!]!);
    read[from]! += 1;
  }
  return merged;
}

/** @throws FaultsError for a place that is none */
function placeOf(said: string): AuditPlace {
  const [change, run, stock] = said.split('-').map(Number);
  if (change === undefined || run === undefined || stock === undefined || [change, run, stock].some(Number.isNaN))
    throw new FaultsError([
      { path: 'from', message: 'is no place in the record; leave it out to begin with the latest' },
    ]);
  return { change, run, stock };
}
