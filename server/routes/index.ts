import type { Routes } from '#formats/api';
import { type Keeping, nothingKept } from '../backup/keeping';
import type { Handlers } from '../http/call';
import { loopbackOnly, type Network } from '../network/network';
import type { Services } from '../services';
import { accountHandlers } from './accounts';
import { bayHandlers } from './bays';
import { filmHandlers } from './film';
import { itemHandlers } from './items';
import { jobHandlers } from './jobs';
import { machineHandlers } from './machine';
import { passportHandlers } from './passports';
import { photoHandlers } from './photos';
import { productHandlers } from './products';
import { stockHandlers } from './stock';
import { workshopHandlers } from './workshop';

/** What answers each route. */
export const handlersOf = (
  services: Services,
  network: Network = loopbackOnly,
  keeping: Keeping = nothingKept,
): Handlers<Routes> => ({
  ...jobHandlers(services),
  ...filmHandlers(services),
  ...productHandlers(services),
  ...workshopHandlers(services),
  ...bayHandlers(services),
  ...itemHandlers(services, keeping),
  ...photoHandlers(services),
  ...passportHandlers(services),
  ...stockHandlers(services),
  ...accountHandlers(services),
  ...machineHandlers(network, keeping, services),
});
