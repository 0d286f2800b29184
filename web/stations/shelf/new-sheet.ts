import { FAMILIES, type FamilyId } from '#core/families';
import type { ProductSheetInput } from '#formats';

/** Where a new sheet begins: figures usual for a family, to be replaced by what its data sheet says. */
export function newSheet(family: FamilyId): ProductSheetInput {
  return {
    id: '',
    name: '',
    family,
    unit: 'ml',
    coveragePerM2: 6,
    packs: [{ size: 50, price: 0 }],
    clocks: { flash: { mechanism: 'solvent' }, set: { mechanism: 'moisture' } },
    milestones: [
      { name: 'levelFrom', clock: 'flash', min: 2 },
      { name: 'levelBy', clock: 'flash', min: 6 },
      { name: 'waterSafe', clock: 'set', min: 720 },
    ],
    substrates: { 'clear-gloss': { use: 'yes' } },
    over: ['bare', 'self'],
    ratedMonths: FAMILIES[family].usualLifeMonths,
  };
}
