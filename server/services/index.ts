import type { Db } from '../db/open';
import { bayService } from './bays';
import { changeFeed } from './changes';
import { jobService } from './jobs';
import { runLogService } from './run-log';
import { shelfService } from './shelf';
import { summaryService } from './summaries';

/** Everything the routes may ask for, over one database. The clock is passed in. */
export function createServices(db: Db, now: () => Date = () => new Date()) {
  const changes = changeFeed();
  const runLog = runLogService(db, changes, now);
  return {
    now,
    changes,
    runLog,
    jobs: jobService(db, changes, runLog, now),
    summaries: summaryService(db, now),
    shelf: shelfService(db, changes, now),
    bays: bayService(db, changes),
  };
}
export type Services = ReturnType<typeof createServices>;
