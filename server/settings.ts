import { existsSync } from 'node:fs';
import path from 'node:path';
import { DateTime } from 'luxon';
import type { NetworkSettings } from './network/network';
import { ROOT } from './root';

/** Why the application cannot start, in a sentence with the remedy. */
export class StartFault extends Error {}

export interface Settings {
  readonly port: number;
  /** The database's file. */
  readonly file: string;
  /** The interface as it was built. */
  readonly webFolder: string;
  readonly clock: () => Date;
  readonly network: NetworkSettings;
}

const USUAL_PORT = 4680;
const USUAL_NETWORK_PORT = 4681;
const HIGHEST_PORT = 65_535;

/**
 * What the environment says, checked before anything is opened.
 * @throws StartFault
 */
export function settingsFrom(env: NodeJS.ProcessEnv): Settings {
  const file = env.GLAPHYRA_DB ? path.resolve(env.GLAPHYRA_DB) : path.join(ROOT, 'data', 'workshop.sqlite');
  return {
    port: portFrom('PORT', env.PORT, USUAL_PORT),
    file,
    webFolder: env.GLAPHYRA_WEB ? path.resolve(env.GLAPHYRA_WEB) : path.join(ROOT, 'dist', 'web'),
    clock: clockFrom(env.GLAPHYRA_NOW),
    network: {
      port: portFrom('NETWORK_PORT', env.NETWORK_PORT, USUAL_NETWORK_PORT),
      folder: path.join(path.dirname(file), `${path.parse(file).name}-tls`),
      brought: broughtFrom(env.GLAPHYRA_TLS_CERT, env.GLAPHYRA_TLS_KEY),
      proxy: proxyFrom(env.GLAPHYRA_PROXY),
    },
  };
}

function portFrom(name: string, said: string | undefined, usual: number): number {
  if (said === undefined || said.trim() === '') return usual;
  const port = Number(said);
  if (Number.isInteger(port) && port >= 0 && port <= HIGHEST_PORT) return port;
  throw new StartFault(`${name} is "${said}"; set it to a whole number from 0 to ${HIGHEST_PORT}, or leave it out.`);
}

function broughtFrom(cert: string | undefined, key: string | undefined): NetworkSettings['brought'] {
  if (!cert && !key) return undefined;
  for (const [name, file] of [
    ['GLAPHYRA_TLS_CERT', cert],
    ['GLAPHYRA_TLS_KEY', key],
  ] as const)
    if (!file || !existsSync(file))
      throw new StartFault(
        `${name} is "${file ?? ''}", where there is no file; name the certificate and its key, or neither.`,
      );
  return { cert: cert!, key: key! };
}

function proxyFrom(said: string | undefined): URL | undefined {
  if (!said) return undefined;
  const url = URL.canParse(said) ? new URL(said) : undefined;
  if (url?.protocol === 'https:' && url.pathname === '/') return url;
  throw new StartFault(
    `GLAPHYRA_PROXY is "${said}"; set it to where the proxy shows the workshop, such as https://workshop.example.`,
  );
}

/** The clock of this machine, or one that stood at a given instant when the server started: for pictures and trials. */
function clockFrom(start: string | undefined): () => Date {
  if (!start) return () => new Date();
  const aheadMs = DateTime.fromISO(start).toMillis() - Date.now();
  if (!Number.isFinite(aheadMs)) {
    throw new StartFault(`GLAPHYRA_NOW is "${start}"; set it to an instant such as 2027-03-02T10:40:00+01:00.`);
  }
  return () => new Date(Date.now() + aheadMs);
}
