/** Starts the server: `node dist/server/main.js`, settings from the environment. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import pino, { type Logger } from 'pino';
import { createApp } from './app';
import { backUpIfDue, backupFolder } from './backup/scheduled';
import { openAlone, photoFolder } from './db/open';
import { makePrivate } from './db/private';
import { createServices } from './services';
import { settingsFrom, StartFault } from './settings';

const HOST = '127.0.0.1';
/** The instruments of the bays are asked so often, ms. */
const LOG_AIR_MS = 5 * 60_000;
/** Whether a backup is due is looked at so often, ms. */
const BACKUP_LOOK_MS = 60 * 60_000;
const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });

try {
  await start(log);
} catch (error) {
  if (!(error instanceof StartFault)) throw error;
  log.fatal(error.message);
  process.exitCode = 1;
}

async function start(log: Logger): Promise<void> {
  const { port, file, webFolder, clock } = settingsFrom(process.env);
  makePrivate();
  // The port first: a second server never opens the file.
  const server = await listening(port);
  try {
    const { db, close } = openAlone(file);
    const services = createServices(db, photoFolder(file), clock);
    const { aside, back } = services.photos.setAside();
    if (back > 0) log.info(`${back} pictures that lay aside are known again and came back`);
    if (aside > 0) {
      log.warn(
        `${aside} pictures this database does not know lie aside in ${photoFolder(file)}; npm run tidy tells more`,
      );
    }
    server.on('request', createApp(db, services, log, webFolder));
    services.bayAir.log();
    const logger = setInterval(() => services.bayAir.log(), LOG_AIR_MS);
    const backups = setInterval(() => void backUp(file, clock), BACKUP_LOOK_MS);
    void backUp(file, clock);
    services.summaries.warm().catch((error: unknown) => log.error({ error }, 'glances could not be worked out'));
    log.info({ file }, `listening on http://${HOST}:${(server.address() as AddressInfo).port}`);
    for (const signal of ['SIGTERM', 'SIGINT'] as const)
      process.on(signal, () => {
        clearInterval(logger);
        clearInterval(backups);
        stop(server, close);
      });
  } catch (error) {
    server.close();
    throw error;
  }
}

/** Makes the backup of the day where it is due; a server that cannot says so and goes on serving. */
async function backUp(file: string, clock: () => Date): Promise<void> {
  try {
    const made = await backUpIfDue(file, photoFolder(file), backupFolder(file), clock());
    if (made) log.info(`backup of the day: ${made}`);
  } catch (error) {
    log.error({ error }, 'the backup of the day could not be made');
  }
}

/** @throws StartFault where the port is taken or not to be had */
function listening(port: number): Promise<Server> {
  const server = createServer();
  return new Promise((resolve, reject) => {
    server.once('error', ({ code, message }: NodeJS.ErrnoException) =>
      reject(
        new StartFault(
          code === 'EADDRINUSE'
            ? `Port ${port} is taken; is the workshop open already? Else set PORT to another.`
            : `Port ${port} cannot be opened (${message}); set PORT to another.`,
        ),
      ),
    );
    server.listen(port, HOST, () => resolve(server));
  });
}

/** Lets what is being answered finish, then closes the file. */
function stop(server: Server, close: () => void): void {
  server.close(() => {
    close();
    process.exit(0);
  });
  // Streams never finish by themselves.
  setTimeout(() => server.closeAllConnections(), 500).unref();
}
