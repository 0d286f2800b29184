import { AEROPLANE } from './aeroplane';
import { CARAVAN } from './caravan';
import { CLASSIC } from './classic';
import { ESTATE } from './estate';
import { FLAT_PANEL, TABLE } from './flat-goods';
import { HATCHBACK } from './hatchback';
import { HIGH_VAN } from './high-van';
import { LAUNCH } from './launch';
import { MINIBUS } from './minibus';
import { MOTORCYCLE } from './motorcycle';
import { OFF_ROADER } from './off-roader';
import { PICK_UP } from './pick-up';
import { SALOON } from './saloon';
import type { ItemTemplate } from './template';
import { vehicleTemplate } from './vehicle';
import { viewsTemplate } from './views';

/** Every built-in template. A new one is one new file and a line here. */
export const TEMPLATES: readonly ItemTemplate[] = [
  ...[HATCHBACK, SALOON, ESTATE, OFF_ROADER, PICK_UP, HIGH_VAN, MINIBUS, CLASSIC].map(vehicleTemplate),
  ...[MOTORCYCLE, LAUNCH, CARAVAN, AEROPLANE, TABLE, FLAT_PANEL].map(viewsTemplate),
];

/** @returns undefined for an id that names no template. */
export function templateById(id: string): ItemTemplate | undefined {
  return TEMPLATES.find((template) => template.id === id);
}
