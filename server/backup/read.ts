import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { extract } from 'tar';
import { read } from '#formats/values';
import { StartFault } from '../settings';
import { DATABASE, looked, type Manifest, MANIFEST, manifestSchema, PICTURES, sha256Of } from './manifest';

/** Nothing larger than this is unpacked, bytes: a workshop of many years is a tenth of it. */
const LARGEST_BYTES = 64 * 1024 ** 3;
const OWN_PATH = new RegExp(String.raw`^(${MANIFEST}|${DATABASE}|${PICTURES}/[A-Za-z0-9_-]{1,64}(\.thumb)?\.jpg)$`);

/**
 * Unpacks a backup into a new folder and checks it: every file of its manifest is there with its checksum, nothing else,
 * and the database is sound.
 * @param beside where the folder is made
 * @throws StartFault for a file that is no backup, or a damaged one; nothing is left of it
 */
export async function opened(file: string, beside: string): Promise<{ folder: string; manifest: Manifest }> {
  if (!existsSync(file)) throw new StartFault(`There is no backup at ${file}.`);
  const folder = mkdtempSync(path.join(beside, '.restore-'));
  try {
    let bytes = 0;
    await extract({
      file,
      cwd: folder,
      // Only files of ours, and no links: a path out of the folder is none of ours.
      filter: (name, entry) => {
        bytes += 'size' in entry ? entry.size : 0;
        return OWN_PATH.test(name) && 'type' in entry && entry.type === 'File' && bytes <= LARGEST_BYTES;
      },
      strict: true,
    }).catch((error: unknown) => {
      throw new StartFault(`${file} cannot be unpacked (${messageOf(error)}): it is no backup, or not whole.`);
    });
    const manifest = manifestOf(file, path.join(folder, MANIFEST));
    for (const { path: name, bytes: size, sha256 } of manifest.files) {
      const whole = path.join(folder, name);
      if (!OWN_PATH.test(name) || !existsSync(whole)) throw new StartFault(`${file} is not whole: ${name} is missing.`);
      if (statSync(whole).size !== size || (await sha256Of(whole)) !== sha256)
        throw new StartFault(`${file} is damaged: ${name} is not what it was when the backup was made.`);
    }
    const { fault, counts } = looked(path.join(folder, DATABASE));
    if (fault) throw new StartFault(`${file} is damaged: its database is not sound (${fault}).`);
    if (counts.jobs !== manifest.counts.jobs || counts.entries !== manifest.counts.entries)
      throw new StartFault(`${file} does not hold what it says: ${counts.jobs} jobs, ${counts.entries} entries.`);
    return { folder, manifest };
  } catch (error) {
    rmSync(folder, { recursive: true, force: true });
    throw error;
  }
}

function manifestOf(file: string, at: string): Manifest {
  if (!existsSync(at)) throw new StartFault(`${file} is no backup of a workshop: it has no manifest.`);
  try {
    return read(JSON.parse(readFileSync(at, 'utf8')), manifestSchema);
  } catch (error) {
    throw new StartFault(`${file} is no backup this version can read (${messageOf(error)}).`);
  }
}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
