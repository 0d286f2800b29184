/** Starts the server: `node dist/server/main.js [--network]`, settings from the environment. */
import { parseArgs } from 'node:util';
import pino from 'pino';
import { serve } from './serve';
import { settingsFrom, StartFault } from './settings';

const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });

try {
  const { close } = await serve(settingsFrom(process.env), isOpenedToNetwork(), log);
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.on(signal, () => void close().then(() => process.exit(0)));
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  log.fatal(error.message);
  process.exitCode = 1;
}

/** @throws StartFault for an option there is not */
function isOpenedToNetwork(): boolean {
  try {
    return parseArgs({ options: { network: { type: 'boolean' } } }).values.network === true;
  } catch (error) {
    throw new StartFault(`${error instanceof Error ? error.message : String(error)} npm start -- [--network]`);
  }
}
