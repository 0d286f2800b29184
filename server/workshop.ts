import type { Express } from 'express';
import type { Logger } from 'pino';
import { createApp } from './app';
import { computingPool } from './computing/pool';
import type { Keeping } from './backup/keeping';
import { openAlone, photoFolder } from './db/open';
import type { Network } from './network/network';
import { createServices, type Services } from './services';
import type { Settings } from './settings';

/** The instruments of the bays are asked so often, ms. */
const LOG_AIR_MS = 5 * 60_000;

/** A workshop that is open: its file held alone, its doors, its clocks. */
export interface OpenWorkshop {
  readonly app: Express;
  readonly services: Services;
  /** Ends what listens, and lets go of the file. */
  close(): void;
}

interface Around {
  readonly log: Logger;
  readonly network: Network;
  readonly keeping: Keeping;
  /** Where a thread that works things out begins, as it was built; absent: they are worked out where they are asked. */
  readonly computing?: URL;
}

/** @throws StartFault for a file that cannot be opened */
export function openWorkshop(
  { file, clock, webFolder, network: { proxy } }: Settings,
  { log, network, keeping, computing }: Around,
): OpenWorkshop {
  const { db, close } = openAlone(file);
  const pool = computing && computingPool(computing, { file, aheadMs: clock().getTime() - Date.now() });
  const services = createServices(db, photoFolder(file), clock, {
    log: (fault) => log.error({ err: fault }, 'summaries could not be worked out'),
    ...(pool && { computing: pool }),
  });
  pool?.follow(services.changes);
  services.passports.ensureKey();
  const { aside, back } = services.photos.setAside();
  if (back > 0) log.info(`${back} pictures that lay aside are known again and came back`);
  if (aside > 0) {
    log.warn(
      `${aside} pictures this database does not know lie aside in ${photoFolder(file)}; npm run tidy tells more`,
    );
  }
  services.bayAir.log();
  const logger = setInterval(() => services.bayAir.log(), LOG_AIR_MS);
  void services.summaries.worked();
  return {
    app: createApp({
      db,
      services,
      log,
      webFolder,
      network,
      keeping,
      proxied: proxy !== undefined,
      ...(pool && { beside: pool }),
    }),
    services,
    close() {
      services.summaries.close();
      pool?.close();
      clearInterval(logger);
      services.changes.end();
      close();
    },
  };
}
