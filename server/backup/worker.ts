/** Makes one backup beside the server, which goes on answering. */
import { parentPort, workerData } from 'node:worker_threads';
import { StartFault } from '../settings';
import { makeBackup } from './make';

/** What a backup is made of, and where it is put. */
export interface BackupOrder {
  readonly file: string;
  readonly pictures: string;
  readonly to: string;
  readonly at: Date;
}
/** How it went: a fault is told by its words. */
export interface BackupDone {
  readonly fault?: string;
}

const { file, pictures, to, at } = workerData as BackupOrder;
try {
  await makeBackup(file, pictures, to, at);
  parentPort?.postMessage({} satisfies BackupDone);
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  parentPort?.postMessage({ fault: error.message } satisfies BackupDone);
}
