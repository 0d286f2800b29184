/** Puts a backup back: `npm run restore -- FILE [--into DATABASE] [--over] [--over-newer]`. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import { restoreBackup } from './backup/restore';
import { makePrivate } from './db/private';
import { settingsFrom, StartFault } from './settings';

try {
  makePrivate();
  const { values, positionals } = argumentsGiven();
  const { file, clock } = settingsFrom(process.env);
  const into = values.into ? path.resolve(values.into) : file;
  const over = values.over === true || values['over-newer'] === true;
  const { manifest, before } = await restoreBackup(
    path.resolve(positionals[0]!),
    into,
    { over, overNewer: values['over-newer'] === true },
    clock(),
  );
  const { jobs, entries, pictures } = manifest.counts;
  process.stdout.write(`${into}: ${jobs} jobs, ${entries} entries, ${pictures} pictures, as of ${manifest.at}.\n`);
  if (before) process.stdout.write(`What was there before lies in ${before}.\n`);
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}

function argumentsGiven() {
  const usage = 'npm run restore -- FILE [--into DATABASE] [--over] [--over-newer]';
  try {
    const given = parseArgs({
      allowPositionals: true,
      options: { into: { type: 'string' }, over: { type: 'boolean' }, 'over-newer': { type: 'boolean' } },
    });
    if (given.positionals.length === 1) return given;
  } catch (error) {
    throw new StartFault(`${error instanceof Error ? error.message : String(error)} ${usage}`);
  }
  throw new StartFault(`Name the one backup to put back: ${usage}`);
}
