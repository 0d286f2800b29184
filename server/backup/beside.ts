import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import { StartFault } from '../settings';
import type { BackupDone, BackupOrder } from './worker';

/**
 * Makes a backup in a thread of its own: copying and checking a large file takes seconds in which others want answers.
 * @param script where the thread begins, as it was built
 * @throws StartFault as `makeBackup` does
 */
export const madeBeside =
  (script: URL) =>
  async (order: BackupOrder): Promise<void> => {
    const worker = new Worker(script, { workerData: order });
    const [{ fault }] = (await once(worker, 'message')) as [BackupDone];
    if (fault !== undefined) throw new StartFault(fault);
  };
export type MakeBackup = ReturnType<typeof madeBeside>;
