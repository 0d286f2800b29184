import { ADDRESSES } from '../app/addresses';

/** Which answers of the server a device keeps, and how they say that they come from it. */

export const API_CACHE = 'glaphyra.answers';
export const PAGE_CACHE = 'glaphyra.page';
/** When an answer was kept. */
export const KEPT_AT = 'glaphyra-kept-at';
/** A new edition is not taken: somewhere on this device a run is open. */
export const RUNNING = 'running';
/** Told from the device, as of when. */
export const FROM_DEVICE = 'glaphyra-from-device';

/** What is worked with in the bays. What is the owner's alone is not left on a tablet. */
const KEPT = Object.values(ADDRESSES).flatMap(({ path, offline }) =>
  offline ? [new RegExp(`^${path.replaceAll('.', '\\.').replaceAll(/\{\w+\}/g, '[^/]+')}$`)] : [],
);

/** @param path of the address, without what is asked */
export const isKept = (path: string): boolean => KEPT.some((pattern) => pattern.test(path));
