import { existsSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import type { KeptCopies } from '#formats/people';
import { conflict, notFound } from '../http/problem';
import { StartFault } from '../settings';
import type { MakeBackup } from './beside';
import { exportedFrom } from './exported';
import { keptUntil } from './keep';
import { backupName } from './make';
import type { Manifest } from './manifest';
import { opened } from './read';
import { backupFolder, backupsIn } from './scheduled';

/** Copies of the workshop as its owner sees and handles them in the application. */
export interface Keeping {
  list(): KeptCopies;
  /** Files the workshop was exported to, as far as they are still there. */
  exported(): { readonly file: string; readonly at: string }[];
  make(): Promise<void>;
  /** @throws ProblemError (404) where there is no such copy */
  fileOf(name: string): string;
  /** Looks whether a copy is whole, then puts it back once `answered` is over. */
  putBack(name: string, overNewer: boolean, by: string | undefined, answered: Promise<void>): Promise<Manifest>;
}

interface Place {
  readonly file: string;
  readonly pictures: string;
  readonly clock: () => Date;
  readonly make: MakeBackup;
  /** When something was entered last. */
  readonly lastChange: () => string | null;
  /** Closes the workshop, puts the copy back, and opens it again. */
  readonly restore: (from: string, by: string | undefined) => Promise<string>;
}

/** Copies of a workshop in the folder beside its file. */
export function keepingOf({ file, pictures, clock, make, lastChange, restore }: Place): Keeping {
  const folder = backupFolder(file);
  /** How the last putting back ended. */
  let last: KeptCopies['putBack'];
  const fileOf = (name: string): string => {
    const known = backupsIn(folder).find((each) => path.basename(each.file) === name);
    if (!known) throw notFound('backup', name);
    return known.file;
  };
  return {
    fileOf,
    list: () => ({
      folder,
      copies: backupsIn(folder).map(({ file: each, at }, index, all) => ({
        name: path.basename(each),
        at: at.toISOString(),
        until: keptUntil(
          all.map((other) => other.at),
          index,
          clock(),
        ).toISOString(),
        bytes: statSync(each).size,
      })),
      ...(last && { putBack: last }),
    }),
    exported: () => exportedFrom(file).filter((each) => existsSync(each.file)),
    async make() {
      const at = clock();
      await toldAsRefusal(make({ file, pictures, to: path.join(folder, backupName(at)), at }));
    },
    async putBack(name, overNewer, by, answered) {
      const from = fileOf(name);
      const { folder: unpacked, manifest } = await toldAsRefusal(opened(from, path.dirname(file)));
      rmSync(unpacked, { recursive: true, force: true });
      const changed = lastChange();
      if (changed !== null && Date.parse(changed) > Date.parse(manifest.at) && !overNewer)
        throw conflict(
          `The workshop was changed ${changed}, after this copy of ${manifest.at} was made. Make a copy of it first; then say that it may be put over it.`,
        );
      void answered
        .then(() => restore(from, by))
        .then(
          (said) => (last = { at: clock().toISOString(), isDone: true, said }),
          (error: unknown) =>
            (last = {
              at: clock().toISOString(),
              isDone: false,
              said: error instanceof Error ? error.message : String(error),
            }),
        );
      return manifest;
    },
  };
}

/** What a command says before it ends is an answer here. */
const toldAsRefusal = <T>(work: Promise<T>): Promise<T> =>
  work.catch((error: unknown) => {
    throw error instanceof StartFault ? conflict(error.message) : error;
  });

/** Where there is no file to copy. */
export const nothingKept: Keeping = {
  list: () => ({ folder: '', copies: [] }),
  exported: () => [],
  make: () => Promise.reject(conflict('This workshop is not kept in a file.')),
  fileOf: (name) => {
    throw notFound('backup', name);
  },
  putBack: (name) => Promise.reject(notFound('backup', name)),
};
