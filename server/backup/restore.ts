import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { holdAlone } from '../db/alone';
import { openDatabase, photoFolder } from '../db/open';
import { sessions } from '../db/schema';
import { closeToOthers } from '../db/private';
import { StartFault } from '../settings';
import { DATABASE, looked, type Manifest, PICTURES } from './manifest';
import { opened } from './read';

export interface Restored {
  readonly manifest: Manifest;
  /** Where what was there before lies now; undefined: there was nothing. */
  readonly before: string | undefined;
}

/**
 * Puts a backup back as the workshop. An older one is brought up to date by opening it, a newer one refused. What is there
 * already is never deleted: it is moved aside whole.
 * @param over something may be there already
 * @param overNewer what is there may even have been changed after the backup was made
 * @throws StartFault where something stands in its way; nothing is changed then
 */
export async function restoreBackup(
  from: string,
  file: string,
  { over = false, overNewer = false }: { readonly over?: boolean; readonly overNewer?: boolean },
  at: Date,
): Promise<Restored> {
  mkdirSync(path.dirname(file), { recursive: true });
  const letGo = holdAlone(file);
  try {
    const { folder, manifest } = await opened(from, path.dirname(file));
    try {
      const copy = path.join(folder, DATABASE);
      // Opened as it will be: migrated where it is older, refused where it is newer.
      const { db, close } = openDatabase(copy);
      // Whoever was in then, on a device that may be lost by now, comes in anew.
      db.delete(sessions).run();
      close();
      const inTheWay = standing(file);
      if (inTheWay && !over)
        throw new StartFault(
          `${file} has ${inTheWay.counts.jobs} jobs in it already. Name an empty place with --into, or say --over: what is there is moved aside then, not deleted.`,
        );
      const isNewer =
        (inTheWay?.lastChange ?? '') !== '' && Date.parse(inTheWay!.lastChange!) > Date.parse(manifest.at);
      if (isNewer && !overNewer)
        throw new StartFault(
          `${file} was changed ${inTheWay!.lastChange}, after this backup of ${manifest.at} was made. Make a backup of it first; then say --over-newer.`,
        );
      mkdirSync(path.join(folder, PICTURES), { recursive: true });
      const before = movedAside(file, at);
      // The database last: until it is there, there is no workshop half put back.
      renameSync(path.join(folder, PICTURES), photoFolder(file));
      renameSync(copy, file);
      closeToOthers(file, photoFolder(file));
      return { manifest, before };
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  } finally {
    letGo();
  }
}

/** What stands where a backup is to be put back; undefined: nothing with anything in it. */
function standing(file: string): ReturnType<typeof looked> | undefined {
  if (!existsSync(file)) return undefined;
  const held = looked(file);
  return held.counts.jobs + held.counts.entries + held.pictures.length > 0 ? held : undefined;
}

/** Moves a workshop with all that belongs to it into a folder beside it. */
function movedAside(file: string, at: Date): string | undefined {
  const { dir, base } = path.parse(file);
  const own = readdirSync(dir).filter((name) =>
    [base, `${base}-wal`, `${base}-shm`, path.basename(photoFolder(file))].includes(name),
  );
  if (own.length === 0) return undefined;
  const aside = path.join(dir, `${path.parse(file).name}-before-${at.toISOString().replaceAll(':', '')}`);
  mkdirSync(aside);
  for (const name of own) renameSync(path.join(dir, name), path.join(aside, name));
  return aside;
}
