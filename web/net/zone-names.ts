import type { Zone } from '#core/item/nets';

/** What the sides of an item are called. */
export const ZONE_NAMES: Readonly<Record<Zone, string>> = {
  front: 'Front',
  top: 'Top',
  left: 'Left',
  right: 'Right',
  rear: 'Rear',
  under: 'Underneath',
};
