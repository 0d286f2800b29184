import { eq, sql } from 'drizzle-orm';
import type { StockEntry } from '#core/stock';
import { STEP_KINDS } from '#core/prepare/steps';
import type { LogEntry } from '#formats/log';
import type { AuditEntry } from '#formats/people';
import type { Db } from '../../db/open';
import {
  bays,
  type auditEntries,
  guestLinks,
  jobs,
  people,
  products,
  type runLog,
  type stockLog,
  tablets,
} from '../../db/schema';

/** What the entries of the logs say was done, in words. */
const RUN_WORDS: Readonly<Record<LogEntry['entry']['type'], string>> = {
  'lay-start': 'began to lay',
  'lay-end': 'laid',
  'cue-seen': 'saw the cue',
  'level-start': 'began to level',
  'level-end': 'levelled',
  fault: 'noted a fault',
  air: 'read the air',
  'left-out': 'left a panel out',
  'taken-up': 'took a panel up again',
  'run-pause': 'paused the work',
  'run-resume': 'went on with the work',
  answered: 'answered for a line of a list',
  'fresh-towel': 'took a fresh towel',
  'hands-join': 'said that somebody joins',
  'hands-leave': 'said that somebody leaves',
  consent: 'noted what the owner says of pictures',
  released: 'kept a licensed engineer’s signature',
  proof: 'read an instrument',
  bead: 'read a drop of water',
  looked: 'looked at a place',
  remedied: 'mended a fault',
  undo: 'took an entry back',
  'set-aside': 'set an entry aside',
  'mark-outcome': 'noted what became of a mark',
  'clear-taken': 'noted clear taken off',
  'stage-start': 'began',
  'stage-pause': 'paused',
  'stage-resume': 'went on with',
  'stage-end': 'finished',
  'stage-used': 'noted what was used',
  'stage-panel': 'finished a panel of a stage',
  'stage-found': 'noted what was found',
};
const STOCK_WORDS: Readonly<Record<StockEntry['type'], string>> = {
  bought: 'took in',
  opened: 'opened',
  'put-back': 'put back',
  taken: 'took in hand',
  used: 'drew from',
  weighed: 'weighed',
  counted: 'counted',
  moved: 'moved',
  flawed: 'noted a flaw on',
  'thrown-away': 'wrote off',
  undo: 'took back an entry of',
  untaught: 'set a lesson aside of',
};

/** What is on record told as sentences, each title looked up once. */
export function auditWords(db: Db) {
  const known = new Map<string, string>();
  const looked = (kind: string, id: string): string | null | undefined => {
    switch (kind) {
      case 'job':
        return db
          .select({ title: sql<string>`json_extract(${jobs.document}, '$.title')` })
          .from(jobs)
          .where(eq(jobs.id, id))
          .get()?.title;
      case 'product':
        return db
          .select({ title: sql<string>`json_extract(${products.sheet}, '$.name')` })
          .from(products)
          .where(eq(products.id, id))
          .get()?.title;
      case 'bay':
        return db.select({ title: bays.name }).from(bays).where(eq(bays.id, id)).get()?.title;
      case 'person':
        return db.select({ title: people.name }).from(people).where(eq(people.id, id)).get()?.title;
      case 'device':
        return db.select({ title: tablets.name }).from(tablets).where(eq(tablets.id, id)).get()?.title;
      case 'link': {
        const link = db.select().from(guestLinks).where(eq(guestLinks.id, id)).get();
        return link && titleOf('job', link.jobId);
      }
      default:
        return undefined;
    }
  };
  const titleOf = (kind: string, id: string): string => {
    const key = `${kind}/${id}`;
    const title = known.get(key) ?? looked(kind, id) ?? id;
    known.set(key, title);
    return title;
  };
  const of = (kind: string, id: string): AuditEntry['of'] => ({ kind, id, title: titleOf(kind, id) });
  return {
    ofChange: ({ at, by, tablet, what, ofKind, ofId }: typeof auditEntries.$inferSelect): AuditEntry => ({
      at,
      by,
      tablet: tablet === null ? null : titleOf('device', tablet),
      what,
      of: ofKind === null || ofId === null ? null : of(ofKind, ofId),
    }),
    ofRun({ recordedAt, by, jobId, entry }: typeof runLog.$inferSelect): AuditEntry {
      const stage = 'stage' in entry ? ` ${STEP_KINDS[entry.stage.kind].name.toLowerCase()}` : '';
      return { at: recordedAt, by, tablet: null, what: `${RUN_WORDS[entry.type]}${stage}`, of: of('job', jobId) };
    },
    ofStock: ({ recordedAt, by, thing, entry }: typeof stockLog.$inferSelect): AuditEntry => ({
      at: recordedAt,
      by,
      tablet: null,
      what: STOCK_WORDS[entry.type],
      of: { kind: 'thing', id: thing, title: thing },
    }),
  };
}
