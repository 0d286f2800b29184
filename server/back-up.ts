/** Copies the workshop, open or not, into one checked file: `npm run backup [-- FILE]`. */
import path from 'node:path';
import { backupName, makeBackup } from './backup/make';
import { backupFolder } from './backup/scheduled';
import { photoFolder } from './db/open';
import { makePrivate } from './db/private';
import { settingsFrom, StartFault } from './settings';

try {
  makePrivate();
  const { file, clock } = settingsFrom(process.env);
  const at = clock();
  const said = process.argv[2];
  const to = said ? path.resolve(said) : path.join(backupFolder(file), backupName(at));
  const { counts, missing } = await makeBackup(file, photoFolder(file), to, at);
  const { jobs, entries, pictures } = counts;
  process.stdout.write(`${to}: ${jobs} jobs, ${entries} entries, ${pictures} pictures; opened and checked.\n`);
  if (missing.length > 0) process.stdout.write(`Gone before already: ${missing.join(', ')}.\n`);
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
