import { existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { MINUTES_PER_DAY, MS_PER_MIN } from '#core/measures';
import { backupName, makeBackup } from './make';
import { keptOf } from './keep';
import { isEmpty } from './manifest';
import type { BackupOrder } from './worker';

/** Where the backups of a database are kept unless somebody says otherwise: in a folder of its name beside it. */
export const backupFolder = (file: string): string => path.join(path.dirname(file), `${path.parse(file).name}-backups`);

const OWN_NAME = /^glaphyra-(\d{4})-(\d{2})-(\d{2})-(\d{2})(\d{2})(\d{2})\.tar\.gz$/;

export interface KeptBackup {
  readonly file: string;
  readonly at: Date;
}

/** The backups in a folder, the latest first. */
export function backupsIn(folder: string): KeptBackup[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): KeptBackup[] => {
      const [, year, month, day, hour, minute, second] = OWN_NAME.exec(name) ?? [];
      if (year === undefined) return [];
      const at = new Date(`${year}-${month}-${day}T${hour}:${minute}:${second}Z`);
      return [{ file: path.join(folder, name), at }];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

/**
 * Makes a backup where the last is a day old, then lets go of what is not kept.
 * @param make makes it: here, or in a thread of its own
 * @returns the backup that was made; undefined: none was due
 */
export async function backUpIfDue(
  file: string,
  pictures: string,
  folder: string,
  now: Date,
  make: (order: BackupOrder) => Promise<unknown> = ({ to, at }) => makeBackup(file, pictures, to, at),
): Promise<string | undefined> {
  const [last] = backupsIn(folder);
  // One that is of tomorrow was made by a clock that was wrong.
  if (last && Math.abs(now.getTime() - last.at.getTime()) < MINUTES_PER_DAY * MS_PER_MIN) return undefined;
  if (isEmpty(file)) return undefined;
  const to = path.join(folder, backupName(now));
  await make({ file, pictures, to, at: now });
  const all = backupsIn(folder);
  const kept = keptOf(all.map(({ at }) => at));
  all.forEach((each, index) => {
    if (!kept.has(index)) rmSync(each.file, { force: true });
  });
  return to;
}
