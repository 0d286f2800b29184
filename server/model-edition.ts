import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './root';

/** Written into the server as it is built. */
declare const BUILT_MODEL_EDITION: string | undefined;

/** What is computed with: all else shows, keeps or sends it. */
const ROOMS = ['core', 'formats', 'job'];

/** A short name of the models as they are written now; another line in any of them makes another name. */
export function editionOfSources(root: string): string {
  const files = ROOMS.flatMap((room) =>
    readdirSync(path.join(root, room), { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
      .map((file) => path.join(room, file)),
  ).sort();
  const hash = createHash('sha256');
  for (const file of files) hash.update(file).update(readFileSync(path.join(root, file)));
  return hash.digest('hex').slice(0, 12);
}

/** By which whatever is kept of earlier computing is known to be of other models: it is worked out anew. */
export const MODEL_EDITION = typeof BUILT_MODEL_EDITION === 'string' ? BUILT_MODEL_EDITION : editionOfSources(ROOT);
