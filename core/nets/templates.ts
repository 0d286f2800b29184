import { ESTATE } from './estate';
import { HATCHBACK } from './hatchback';
import { HIGH_VAN } from './high-van';
import { OFF_ROADER } from './off-roader';
import { SALOON } from './saloon';
import type { VehicleTemplate } from './vehicle';

/** Every built-in template. A new one is one new file and a line here. */
export const TEMPLATES: readonly VehicleTemplate[] = [HATCHBACK, SALOON, ESTATE, OFF_ROADER, HIGH_VAN];

/** @returns undefined for an id that names no template. */
export function templateById(id: string): VehicleTemplate | undefined {
  return TEMPLATES.find((template) => template.id === id);
}
