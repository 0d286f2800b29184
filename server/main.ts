/** Starts the server: `node dist/server/main.js`, settings from the environment. */
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { DateTime } from 'luxon';
import pino from 'pino';
import { SAMPLE_PICTURES } from '../demo/pictures';
import { ternmouthYard } from '../demo/workshop';
import { createApp } from './app';
import { openDatabase, photoFolder } from './db/open';
import { createServices } from './services';
import { loadPictures, loadWorkshop } from './services/sample-workshop';

const HOST = '127.0.0.1';
const port = Number(process.env.PORT ?? 4680);
const file = process.env.GLAPHYRA_DB ?? 'data/workshop.sqlite';

const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });
const { db, close } = openDatabase(file);
const services = createServices(db, photoFolder(file), clockFrom(process.env.GLAPHYRA_NOW));
services.photos.clear();
if (process.env.GLAPHYRA_DEMO) {
  const now = DateTime.fromJSDate(services.now()).toISO()!;
  if (loadWorkshop(db, services, ternmouthYard(now))) {
    await loadPictures(services, SAMPLE_PICTURES);
    log.info('loaded the sample workshop');
  }
}
const app = createApp(services, log, process.env.GLAPHYRA_WEB ?? 'dist/web');

const server: Server = app.listen(port, HOST, () => {
  const { port: taken } = server.address() as AddressInfo;
  log.info({ file }, `listening on http://${HOST}:${taken}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  const busy = error.code === 'EADDRINUSE';
  log.fatal(busy ? `port ${port} is taken; set PORT to another` : error.message);
  close();
  process.exit(1);
});

/** Lets what is being answered finish, then closes the file. */
function stop(): void {
  server.close(() => {
    close();
    process.exit(0);
  });
  // Streams never finish by themselves.
  setTimeout(() => server.closeAllConnections(), 500).unref();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);

/** The clock of this machine, or one that stood at a given instant when the server started: for pictures and trials. */
function clockFrom(start: string | undefined): () => Date {
  if (!start) return () => new Date();
  const aheadMs = DateTime.fromISO(start).toMillis() - Date.now();
  if (!Number.isFinite(aheadMs)) throw new RangeError(`GLAPHYRA_NOW is not an instant: ${start}`);
  return () => new Date(Date.now() + aheadMs);
}
