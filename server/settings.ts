import path from 'node:path';
import { DateTime } from 'luxon';
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
}

const USUAL_PORT = 4680;
const HIGHEST_PORT = 65_535;

/**
 * What the environment says, checked before anything is opened.
 * @throws StartFault
 */
export function settingsFrom(env: NodeJS.ProcessEnv): Settings {
  return {
    port: portFrom(env.PORT),
    file: env.GLAPHYRA_DB ? path.resolve(env.GLAPHYRA_DB) : path.join(ROOT, 'data', 'workshop.sqlite'),
    webFolder: env.GLAPHYRA_WEB ? path.resolve(env.GLAPHYRA_WEB) : path.join(ROOT, 'dist', 'web'),
    clock: clockFrom(env.GLAPHYRA_NOW),
  };
}

function portFrom(said: string | undefined): number {
  if (said === undefined || said.trim() === '') return USUAL_PORT;
  const port = Number(said);
  if (Number.isInteger(port) && port >= 0 && port <= HIGHEST_PORT) return port;
  throw new StartFault(`PORT is "${said}"; set it to a whole number from 0 to ${HIGHEST_PORT}, or leave it out.`);
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
