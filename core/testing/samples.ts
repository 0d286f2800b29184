/** Small made-up things that core tests are told with. */
import { TENTH_SIGMAS } from '#core/measures';
import type { Product } from '#core/products/sheets';
import type { PlanInput, InputSurface } from '#core/plan/job';

export function product(changes: Partial<Product> = {}): Product {
  return {
    id: 'base',
    name: 'Base',
    family: 'ceramic-base',
    unit: 'ml',
    coveragePerM2: 6.5,
    densityGPerMl: 1,
    vocGPerL: 0,
    packs: [{ size: 30, price: 4200 }],
    onHand: 0,
    prime: 0,
    applicatorM2: null,
    residue: 0,
    layPace: 1,
    levelPace: 1,
    clocks: { flash: { mechanism: 'solvent' }, set: { mechanism: 'moisture' } },
    milestones: [
      { name: 'levelFrom', clock: 'flash', min: 2 },
      { name: 'levelBy', clock: 'flash', min: 5 },
      { name: 'rewetBy', clock: 'set', min: 60 },
      { name: 'recoatFrom', clock: 'set', min: 120 },
      { name: 'waterSafe', clock: 'set', min: 720 },
    ],
    substrates: { 'clear-gloss': { use: 'yes' } },
    over: ['bare', 'ceramic-primer'],
    freshPaintDays: 60,
    properties: [],
    flashFactor: 1,
    flashSigma: 0.2,
    usageFactor: 1,
    usageSigma: 0.15,
    ...changes,
  };
}

export function surface(changes: Partial<InputSurface> = {}): InputSurface {
  return {
    id: 'bonnet',
    name: 'Bonnet',
    substrate: 'clear-gloss',
    shape: { kind: 'rectangle', aMm: 1400, bMm: 980 },
    count: 1,
    curvature: 1,
    onePiece: false,
    existing: [],
    readingsUm: [],
    paint: 'factory',
    layers: [{ product: 'base', coats: 1, method: 'small-block' }],
    measuredBy: 'tape',
    ...changes,
  };
}

export function job(changes: Partial<PlanInput> = {}): PlanInput {
  return {
    surfaces: [surface()],
    products: [product()],
    ambient: [{ atMin: 0, airC: 20, rhPct: 50, airSpeed: 0.1 }],
    crew: { mode: 'solo', layM2PerMin: 0.45, levelM2PerMin: 0.5, guardSigma: TENTH_SIGMAS },
    matteSchool: 'fixed-early',
    ...changes,
  };
}
