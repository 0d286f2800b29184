import type { SubstrateId } from '#core/item/substrates';
import type { Product } from '#core/products/sheets';

/** A product that flashes in minutes and goes on gloss paint, and what is said otherwise. */
export const product = (id: string, changes: Partial<Product> = {}): Product => ({
  id,
  name: id,
  family: 'ceramic',
  unit: 'ml',
  coveragePerM2: 6,
  densityGPerMl: 1,
  vocGPerL: 0,
  packs: [{ size: 50, price: 6000 }],
  onHand: 0,
  prime: 1,
  applicatorM2: 4,
  residue: 1,
  layPace: 1,
  levelPace: 1,
  clocks: { flash: { mechanism: 'solvent' }, set: { mechanism: 'moisture' } },
  milestones: [
    { name: 'levelFrom', clock: 'flash', min: 2 },
    { name: 'levelBy', clock: 'flash', min: 8 },
  ],
  substrates: on('clear-gloss'),
  over: ['bare'],
  freshPaintDays: 60,
  properties: [],
  ratedMonths: 36,
  flashFactor: 1,
  flashSigma: 0.2,
  usageFactor: 1,
  usageSigma: 0.15,
  ...changes,
});

/** A sheet's word that a product goes on some kinds of surface. */
export const on = (...ids: readonly SubstrateId[]): Product['substrates'] =>
  Object.fromEntries(ids.map((id) => [id, { use: 'yes' as const }]));
