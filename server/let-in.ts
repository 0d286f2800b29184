/** Another password for whoever lost theirs: `npm run let-in -- NAME`, at the server's machine, with the server stopped. */
import { openAlone, photoFolder } from './db/open';
import { makePrivate } from './db/private';
import { createServices } from './services';
import { settingsFrom, StartFault } from './settings';

try {
  const [name] = process.argv.slice(2);
  if (!name) throw new StartFault('Say who: npm run let-in -- NAME');
  const { file, clock } = settingsFrom(process.env);
  makePrivate();
  const { db, close } = openAlone(file);
  const { accounts } = createServices(db, photoFolder(file), clock);
  const password = await accounts.letIn(name);
  const names = accounts
    .names()
    .filter(({ leftAt }) => leftAt === null)
    .map((each) => each.name);
  close();
  if (password === undefined)
    throw new StartFault(
      `Nobody here is called "${name}"${names.length > 0 ? `; there are ${names.join(', ')}` : ''}.`,
    );
  process.stdout.write(`Sign in as ${name} with ${password} and change it. Everywhere else ${name} is signed out.\n`);
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
