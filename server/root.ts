import { existsSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder of the application, wherever it was started from: built, it runs two folders below, else one. */
export const ROOT = (() => {
  let folder = path.dirname(fileURLToPath(import.meta.url));
  while (!existsSync(path.join(folder, 'package.json'))) {
    const above = path.dirname(folder);
    if (above === folder) throw new Error('package.json lies beside neither the server nor anything above it');
    folder = above;
  }
  return folder;
})();
