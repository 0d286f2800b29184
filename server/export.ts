/** The whole workshop as open files, and back: `npm run export -- FILE`, `npm run import -- FILE` into an empty place. */
import path from 'node:path';
import { rememberExport } from './backup/exported';
import { takeOpen, writeOpen } from './backup/open-file';
import { openAlone, openDatabase, photoFolder } from './db/open';
import { makePrivate } from './db/private';
import { settingsFrom, StartFault } from './settings';

try {
  makePrivate();
  const { file, clock } = settingsFrom(process.env);
  const [way, said] = process.argv.slice(2);
  if (!said || (way !== 'out' && way !== 'in'))
    throw new StartFault('Name the file: npm run export -- FILE, or npm run import -- FILE');
  const named = path.resolve(said);
  const { db, close } = way === 'out' ? openDatabase(file) : openAlone(file);
  try {
    if (way === 'out') {
      const { whole, missing } = await writeOpen(db, photoFolder(file), named, clock());
      rememberExport(db, named, clock());
      process.stdout.write(`${named}: ${told(whole)}.\n`);
      if (missing.length > 0) process.stdout.write(`Gone before already: ${missing.join(', ')}.\n`);
    } else {
      const whole = await takeOpen(db, photoFolder(file), named);
      process.stdout.write(`${file}: ${told(whole)}. Nobody has a password yet: npm run let-in -- NAME.\n`);
    }
  } finally {
    close();
  }
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}

function told({
  jobs,
  pictures,
}: {
  jobs: readonly { log: readonly unknown[] }[];
  pictures: readonly unknown[];
}): string {
  const entries = jobs.reduce((sum, { log }) => sum + log.length, 0);
  return `${jobs.length} jobs, ${entries} entries, ${pictures.length} pictures`;
}
