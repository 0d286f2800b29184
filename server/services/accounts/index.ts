import type { Db } from '../../db/open';
import { shopSettingsRepository } from '../../repositories/shop-settings';
import type { ChangeFeed } from '../changes';
import { attempts } from './attempts';
import { audit } from './audit';
import { guestLinks } from './guest-links';
import { people } from './people';
import { presence } from './presence';
import { tablets } from './tablets';

const NETWORK = 'network-open';

/** Accounts, devices and guest links: who may come in, who it is that asks, and what they did. */
export function accountService(db: Db, changes: ChangeFeed, now: () => Date) {
  const settings = shopSettingsRepository(db);
  const tried = attempts();
  const tell = () => changes.tell({ kind: 'people', id: 'all' });
  return {
    ...presence(db, now),
    ...people(db, tried, now, tell),
    ...tablets(db, tried, now, tell),
    ...guestLinks(db, tried, now),
    ...audit(db, now),
    /** Whether the workshop was left open to the network. */
    isNetworkKeptOpen: (): boolean => settings.get(NETWORK) === true,
    keepNetworkOpen: (open: boolean) => settings.put(NETWORK, open),
  };
}
export type AccountService = ReturnType<typeof accountService>;
