import { createServer, type Server } from 'node:https';
import type { RequestListener } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';
import type { Logger } from 'pino';
import { MS_PER_DAY } from '#core/measures';
import type { NetworkState } from '#formats/people';
import { conflict } from '../http/problem';
import { isOwnNetwork, ownAddresses } from './addresses';
import type { Certificate } from './certificates';

/** How long a connection nobody uses is kept: longer than those before it (a minute) keep theirs, so none is cut off as it asks. */
export const IDLE_MS = 65_000;

/** How the workshop is reached from outside this machine. */
export interface Network {
  state(): NetworkState;
  /** Opens it to the workshop's network. @throws ProblemError (409) where nobody owns it yet, or the port is not to be had */
  open(): Promise<void>;
  close(): Promise<void>;
  /** Whether a name is one this workshop is reached under just now. */
  knows(host: string): boolean;
  /** Whether a name is the one a proxy shows it under. */
  isProxy(host: string): boolean;
  /** What tablets have to trust, PEM; undefined: nothing, or the shop brought its own. */
  authority(): string | undefined;
}

export interface NetworkSettings {
  readonly port: number;
  /** Where certificates of its own are kept. */
  readonly folder: string;
  /** A certificate of the shop's own: its file and its key's. */
  readonly brought?: { readonly cert: string; readonly key: string } | undefined;
  /** Where a proxy shows it to the world, such as https://workshop.example. */
  readonly proxy?: URL | undefined;
}

interface Parts {
  readonly settings: NetworkSettings;
  readonly clock: () => Date;
  readonly log: Logger;
  /** Whether somebody owns the workshop: nobody unknown is let in from outside. */
  readonly isOwned: () => boolean;
  readonly handler: RequestListener;
}

/** Names every machine has for itself. */
const LOCAL = ['localhost', '127.0.0.1'];

/** One that is reached from this machine alone. */
export const loopbackOnly: Network = {
  state: () => ({ open: false, urls: [] }),
  open: () => Promise.reject(conflict('This server is reached from its own machine only.')),
  close: () => Promise.resolve(),
  knows: () => false,
  isProxy: () => false,
  authority: () => undefined,
};

/** Opens and closes the door to the workshop's network, over TLS only. */
export function networkOf({ settings, clock, log, isOwned, handler }: Parts): Network {
  let server: Server | undefined;
  let certificate: Certificate | undefined;
  let renewal: NodeJS.Timeout | undefined;

  const certified = async (): Promise<Certificate> => {
    // Loaded where it is used: most workshops stay on their own machine.
    const { broughtCertificate, ownCertificate } = await import('./certificates');
    const { names, addresses } = ownAddresses();
    return settings.brought
      ? broughtCertificate(settings.brought.cert, settings.brought.key)
      : ownCertificate(settings.folder, [...addresses, ...names, ...LOCAL], clock());
  };
  /** Addresses change and certificates end while the server runs. */
  const renew = async () => {
    try {
      certificate = await certified();
      server?.setSecureContext(certificate);
    } catch (error) {
      log.error({ err: error }, 'the certificate could not be renewed');
    }
  };
  const isProxy = (host: string): boolean => host === settings.proxy?.host;
  const port = () => (server?.address() as AddressInfo | null)?.port ?? settings.port;

  return {
    state(): NetworkState {
      const { names, addresses } = ownAddresses();
      return {
        open: server !== undefined,
        urls: server ? [...addresses, ...names].map((host) => `https://${host}:${port()}`) : [],
        ...(settings.proxy && { proxy: settings.proxy.origin }),
        ...(certificate && { until: certificate.until.toISOString() }),
        ...(certificate?.authority && { fingerprint: certificate.authority.fingerprint }),
      };
    },
    async open() {
      if (server) return;
      if (!isOwned())
        throw conflict('Make the owner’s account first: whoever comes over the network has to say who they are.');
      certificate = await certified();
      const made = createServer({ ...certificate, minVersion: 'TLSv1.2', keepAliveTimeout: IDLE_MS });
      made.on('connection', (socket) => {
        if (!isOwnNetwork((socket as Socket).remoteAddress)) socket.destroy();
      });
      // A tablet that does not trust the certificate yet ends the connection: no fault of the server's.
      made.on('tlsClientError', () => undefined);
      made.on('request', handler);
      await new Promise<void>((resolve, reject) => {
        made.once('error', ({ code, message }: NodeJS.ErrnoException) =>
          reject(
            conflict(
              code === 'EADDRINUSE'
                ? `Port ${settings.port} is taken; set NETWORK_PORT to another.`
                : `Port ${settings.port} cannot be opened (${message}); set NETWORK_PORT to another.`,
            ),
          ),
        );
        made.listen(settings.port, '0.0.0.0', resolve);
      });
      server = made;
      renewal = setInterval(() => void renew(), MS_PER_DAY / 4);
      renewal.unref();
    },
    async close() {
      const open = server;
      server = undefined;
      clearInterval(renewal);
      if (!open) return;
      await new Promise((resolve) => {
        open.close(resolve);
        open.closeAllConnections();
      });
    },
    knows(host: string): boolean {
      if (isProxy(host)) return true;
      if (!server) return false;
      const { names, addresses } = ownAddresses();
      const [name, at] = [host.replace(/:\d+$/, ''), /:(\d+)$/.exec(host)?.[1]];
      return Number(at) === port() && [...names, ...addresses, ...LOCAL].includes(name.toLowerCase());
    },
    isProxy,
    authority: () => certificate?.authority?.pem,
  };
}
