/** Deletes for good what was taken away a month ago, and pictures that have lain aside as long: `npm run tidy`. */
import { openDatabase, photoFolder } from './db/open';
import { makePrivate } from './db/private';
import { createServices } from './services';
import { settingsFrom, StartFault } from './settings';

try {
  const { file, clock } = settingsFrom(process.env);
  makePrivate();
  const { db, close } = openDatabase(file);
  const { jobs, photos } = createServices(db, photoFolder(file), clock);
  const left = jobs.tidy();
  const gone = photos.tidy();
  const { aside } = photos.setAside();
  close();
  process.stdout.write(
    `${left} jobs and ${gone} files deleted; ${aside} lie aside in ${photoFolder(file)} and are kept for now.\n`,
  );
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
