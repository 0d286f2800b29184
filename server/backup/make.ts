import { copyFileSync, existsSync, mkdirSync, mkdtempSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { create } from 'tar';
import { StartFault } from '../settings';
import { BACKUP_FORMAT, DATABASE, looked, type Manifest, MANIFEST, PICTURES, sha256Of } from './manifest';
import { opened } from './read';

/** What a backup is called by the moment it was made. */
export const backupName = (at: Date): string =>
  `glaphyra-${at.toISOString().slice(0, 19).replaceAll(':', '').replace('T', '-')}.tar.gz`;

/**
 * Copies a workshop while it is open: the database by SQLite's own backup, the pictures it knows, and a manifest with the
 * checksum of each, as one file. The copy is opened and checked before it has its name; until then there is none.
 * @param to the file to be made
 * @throws StartFault where there is nothing to copy, or the copy is not sound
 */
export async function makeBackup(file: string, pictures: string, to: string, at: Date): Promise<Manifest> {
  if (!existsSync(file)) throw new StartFault(`There is no workshop at ${file} to copy; set GLAPHYRA_DB.`);
  mkdirSync(path.dirname(to), { recursive: true });
  const work = mkdtempSync(path.join(path.dirname(to), '.backup-'));
  try {
    const copy = path.join(work, DATABASE);
    const connection = new Database(file, { readonly: true });
    try {
      await connection.backup(copy);
    } finally {
      connection.close();
    }
    const held = looked(copy);
    if (held.fault) throw new StartFault(`The copy of ${file} is not sound (${held.fault}); nothing was kept of it.`);
    mkdirSync(path.join(work, PICTURES));
    const missing: string[] = [];
    const names = [DATABASE];
    for (const name of held.pictures.flatMap((id) => [`${id}.jpg`, `${id}.thumb.jpg`])) {
      if (!existsSync(path.join(pictures, name))) missing.push(name);
      else {
        copyFileSync(path.join(pictures, name), path.join(work, PICTURES, name));
        names.push(`${PICTURES}/${name}`);
      }
    }
    const files = [];
    for (const name of names) {
      const whole = path.join(work, name);
      files.push({ path: name, bytes: statSync(whole).size, sha256: await sha256Of(whole) });
    }
    const manifest: Manifest = {
      format: BACKUP_FORMAT,
      at: at.toISOString(),
      lastChange: held.lastChange,
      counts: { ...held.counts, pictures: held.pictures.length },
      missing,
      files,
    };
    writeFileSync(path.join(work, MANIFEST), JSON.stringify(manifest, undefined, 2));
    const packed = path.join(work, 'packed.tar.gz');
    // The manifest first: what is in it is known before the rest is read.
    await create({ file: packed, cwd: work, gzip: true, portable: true }, [MANIFEST, ...names]);
    // Read back as whoever restores it will.
    rmSync((await opened(packed, path.dirname(to))).folder, { recursive: true });
    renameSync(packed, to);
    return manifest;
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}
