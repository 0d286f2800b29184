/**
 * A process that serves one workshop after another, as `npm start` serves one: what it has learned to do quickly stays
 * from test to test. Told what to open by its parent, and to close it; killed, it is gone as a server is.
 */
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import pino from 'pino';

const built = (file) => import(pathToFileURL(path.resolve('dist/server', file)).href);
const [{ serve }, { settingsFrom }] = await Promise.all([built('serve.js'), built('settings.js')]);
const log = pino({ level: 'fatal' });
let serving;

async function answer({ open }) {
  await serving?.close();
  serving = open && (await serve(settingsFrom({ ...process.env, ...open }), false, log));
  process.send({ port: serving?.port });
}
// What fails here ends the process, and the test is told by its end.
process.on('message', (said) => void answer(said));
process.on('disconnect', () => process.exit(0));
