import { existsSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
const DOORS = [
  [/^#core\/(.+)$/, (name) => path.join(root, 'core', name)],
  [/^#(formats\/.+|job\/.+|demo)$/, (name) => path.join(root, name)],
];
const ENDINGS = ['', '.ts', '.tsx', '.mjs', '/index.ts', '/index.tsx'];

const isFile = (file) => existsSync(file) && statSync(file).isFile();

function target(source, file) {
  if (source.startsWith('.')) return path.resolve(path.dirname(file), source);
  for (const [pattern, folder] of DOORS) {
    const name = pattern.exec(source)?.[1];
    if (name) return folder(name);
  }
  return undefined;
}

/** Finds our own modules for the lint rule on the direction of imports; packages are no business of that rule. */
export default {
  interfaceVersion: 3,
  name: 'doors',
  resolve(source, file) {
    const base = target(source, file);
    if (!base) return { found: true, path: null };
    const found = ENDINGS.map((ending) => base + ending).find(isFile);
    return found ? { found: true, path: found } : { found: false };
  },
};
