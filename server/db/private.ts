import { chmodSync, existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';

/** For its owner on this machine alone. */
const FILE = 0o600;
const FOLDER = 0o700;

/** From here on whatever this process makes is for its owner alone: owners' names and pictures are nobody else's business. */
export const makePrivate = (): void => void process.umask(0o077);

/** Files of an earlier edition that anybody on the machine may read are for their owner alone from now on. */
export function closeToOthers(file: string, folder: string): void {
  for (const ending of ['', '-wal', '-shm', '-open']) shut(file + ending, FILE);
  if (!existsSync(folder)) return;
  shut(folder, FOLDER);
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true }))
    shut(path.join(entry.parentPath, entry.name), entry.isDirectory() ? FOLDER : FILE);
}

function shut(file: string, mode: number): void {
  try {
    if ((statSync(file).mode & 0o777 & ~mode) !== 0) chmodSync(file, mode);
  } catch {
    // Not there, or somebody else's: then it is not ours to shut.
  }
}
