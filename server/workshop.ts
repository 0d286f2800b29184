import type { Express } from 'express';
import type { Logger } from 'pino';
import { createApp } from './app';
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

/** @throws StartFault for a file that cannot be opened */
export function openWorkshop(
  { file, clock, webFolder, network: { proxy } }: Settings,
  { log, network, keeping }: { readonly log: Logger; readonly network: Network; readonly keeping: Keeping },
): OpenWorkshop {
  const { db, close } = openAlone(file);
  const services = createServices(db, photoFolder(file), clock);
  const { aside, back } = services.photos.setAside();
  if (back > 0) log.info(`${back} pictures that lay aside are known again and came back`);
  if (aside > 0) {
    log.warn(
      `${aside} pictures this database does not know lie aside in ${photoFolder(file)}; npm run tidy tells more`,
    );
  }
  services.bayAir.log();
  const logger = setInterval(() => services.bayAir.log(), LOG_AIR_MS);
  let isOpen = true;
  services.summaries
    .warm(() => isOpen)
    .catch((error: unknown) => log.error({ err: error }, 'summaries could not be worked out'));
  return {
    app: createApp({ db, services, log, webFolder, network, keeping, proxied: proxy !== undefined }),
    services,
    close() {
      isOpen = false;
      clearInterval(logger);
      services.changes.end();
      close();
    },
  };
}
