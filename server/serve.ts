import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Logger } from 'pino';
import { keepingOf } from './backup/keeping';
import { madeBeside } from './backup/beside';
import { lastChangeOf } from './backup/manifest';
import { restoreBackup } from './backup/restore';
import { backUpIfDue, backupFolder } from './backup/scheduled';
import { photoFolder } from './db/open';
import { makePrivate } from './db/private';
import { closedForNow, ProblemError } from './http/problem';
import { IDLE_MS, type Network, networkOf } from './network/network';
import { type Settings, StartFault } from './settings';
import { type OpenWorkshop, openWorkshop } from './workshop';

const HOST = '127.0.0.1';
/** Whether a backup is due is looked at so often, ms. */
const BACKUP_LOOK_MS = 60 * 60_000;
/** First whoever waits is answered, ms. */
const FIRST_LOOK_MS = 2000;
const computing = new URL('./computing/thread.js', import.meta.url);
const make = madeBeside(new URL('./backup/worker.js', import.meta.url));

/** A workshop that is open to whoever asks on this machine. */
export interface Serving {
  readonly port: number;
  /** Lets what is being answered finish, then closes the file. */
  readonly close: () => Promise<void>;
}

/**
 * Opens a workshop and serves it.
 * @param opensNetwork whether it is to be opened to the workshop's network as well
 * @throws StartFault where that cannot be, with the remedy
 */
export async function serve(settings: Settings, opensNetwork: boolean, log: Logger): Promise<Serving> {
  const { file, clock } = settings;
  makePrivate();
  // The port first: a second server never opens the file.
  const server = await listening(settings.port);
  /** Undefined while a copy is put back. */
  let open: OpenWorkshop | undefined;
  try {
    const handler: RequestListener = (request, response) => {
      if (open) return void open.app(request, response);
      const { problem } = closedForNow();
      response.writeHead(problem.status, { 'content-type': 'application/problem+json', 'retry-after': '1' });
      response.end(JSON.stringify(problem));
    };
    const network = networkOf({
      settings: settings.network,
      clock,
      log,
      isOwned: () => open?.services.accounts.isAnybody() === true,
      handler,
    });
    const keeping = keepingOf({
      file,
      pictures: photoFolder(file),
      clock,
      make,
      lastChange: () => lastChangeOf(file),
      async restore(from, by) {
        open?.close();
        open = undefined;
        const reopened = () => (open = openWorkshop(settings, { log, network, keeping, computing }));
        const { manifest, before } = await restoreBackup(from, file, { over: true, overNewer: true }, clock()).catch(
          (error: unknown) => {
            reopened();
            throw error;
          },
        );
        // On the record of what stands there now: what stood there before is not looked at any more.
        reopened().services.accounts.did({
          by: by ?? null,
          tablet: null,
          what: `put back the copy of ${manifest.at}`,
          ofKind: null,
          ofId: null,
        });
        log.info(`put back as of ${manifest.at}; what was there lies in ${before ?? 'nothing'}`);
        return `Put back as of ${manifest.at}. What was there before lies in ${before ?? 'no place: there was nothing'}.`;
      },
    });
    open = openWorkshop(settings, { log, network, keeping, computing });
    if (settings.network.proxy && !open.services.accounts.isAnybody())
      throw new StartFault(
        'GLAPHYRA_PROXY is set, and nobody owns this workshop yet: whoever came through the proxy could. Start it without, make the owner’s account, then set it.',
      );
    server.on('request', handler);
    if (opensNetwork || open.services.accounts.isNetworkKeptOpen()) await openNetwork(network, opensNetwork, log);
    const backups = setInterval(() => void backUp(settings, log), BACKUP_LOOK_MS);
    const first = setTimeout(() => void backUp(settings, log), FIRST_LOOK_MS);
    const { port } = server.address() as AddressInfo;
    log.info({ file }, `listening on http://${HOST}:${port}`);
    const close = async () => {
      clearTimeout(first);
      clearInterval(backups);
      void network.close();
      await stop(server);
      open?.close();
    };
    return { port, close };
  } catch (error) {
    server.close();
    open?.close();
    throw error;
  }
}

/** @throws StartFault where it was asked for and cannot be; one that was left open and cannot be is told and left shut */
async function openNetwork(network: Network, isAsked: boolean, log: Logger): Promise<void> {
  try {
    await network.open();
    const { urls, fingerprint } = network.state();
    log.info({ urls, fingerprint }, `open to the workshop’s network: ${urls.join(', ')}`);
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    if (isAsked) throw new StartFault(error.message);
    log.error(`not open to the workshop’s network: ${error.message}`);
  }
}

/** Makes the backup of the day where it is due; a server that cannot says so and goes on serving. */
async function backUp({ file, clock }: Settings, log: Logger): Promise<void> {
  try {
    const made = await backUpIfDue(file, photoFolder(file), backupFolder(file), clock(), make);
    if (made) log.info(`backup of the day: ${made}`);
  } catch (error) {
    log.error({ err: error }, 'the backup of the day could not be made');
  }
}

/** @throws StartFault where the port is taken or not to be had */
function listening(port: number): Promise<Server> {
  const server = createServer({ keepAliveTimeout: IDLE_MS });
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

/** Lets what is being answered finish. */
function stop(server: Server): Promise<void> {
  // Streams never finish by themselves.
  setTimeout(() => server.closeAllConnections(), 500).unref();
  return new Promise((resolve) => server.close(() => resolve()));
}
