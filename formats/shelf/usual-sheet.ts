import type { SubstrateId } from '#core/item/substrates';
import { FAMILIES, type FamilyId } from '#core/products/families';
import type { ProductProperty } from '#core/products/sheets';
import type { MilestoneName } from '#core/time/clocks';
import type { ProductSheetInput } from './product';

type Minutes = Readonly<Partial<Record<MilestoneName, number>>>;

/** What is usual for a family, in the trade's orders of magnitude. Minutes at reference. */
interface Usual {
  readonly unit?: 'ml' | 'g' | 'm2';
  readonly flash?: 'solvent' | 'water' | 'moisture';
  readonly set: 'solvent' | 'water' | 'moisture' | 'thermal';
  readonly coveragePerM2: number;
  readonly pack: { readonly size: number; readonly price: number };
  readonly min: Minutes;
  readonly on: readonly SubstrateId[];
  readonly over: readonly string[];
  readonly prime?: number;
  readonly applicatorM2?: number;
  readonly properties?: readonly ProductProperty[];
}

const PAINT: readonly SubstrateId[] = ['clear-gloss', 'single-stage', 'gloss-black'];
const COATED: readonly FamilyId[] = ['ceramic', 'ceramic-top', 'spray-coating', 'film'];
const WAXED: readonly SubstrateId[] = [...PAINT, 'film-gloss', 'chrome', 'bare-metal', 'wheel', 'gelcoat'];
const CURED: Minutes = { waterSafe: 720, handover: 960, washOk: 10080, fullCure: 20160 };

const USUAL: Readonly<Record<FamilyId, Usual>> = {
  'cleaner-wax': {
    flash: 'water',
    set: 'water',
    coveragePerM2: 8,
    pack: { size: 500, price: 1400 },
    min: { cue: 8, levelFrom: 5, levelBy: 40, waterSafe: 60, washOk: 1440 },
    on: WAXED,
    over: ['bare', 'self', 'cleaner-wax'],
    properties: ['abrasive', 'filler'],
  },
  'paste-wax': {
    unit: 'g',
    flash: 'solvent',
    set: 'solvent',
    coveragePerM2: 3,
    pack: { size: 200, price: 3000 },
    min: { cue: 6, levelFrom: 4, levelBy: 25, recoatFrom: 720, waterSafe: 60, washOk: 1440 },
    on: WAXED,
    over: ['bare', 'self', 'sealant', ...COATED],
    properties: ['gloss-enhancer'],
  },
  'liquid-wax': {
    flash: 'solvent',
    set: 'solvent',
    coveragePerM2: 9,
    pack: { size: 500, price: 2400 },
    min: { cue: 8, levelFrom: 5, levelBy: 30, recoatFrom: 720, waterSafe: 90, washOk: 1440 },
    on: WAXED,
    over: ['bare', 'self', 'sealant', ...COATED],
    properties: ['gloss-enhancer'],
  },
  sealant: {
    flash: 'water',
    set: 'thermal',
    coveragePerM2: 9,
    pack: { size: 500, price: 3600 },
    min: { cue: 10, levelFrom: 8, levelBy: 45, recoatFrom: 1440, waterSafe: 180, washOk: 2880 },
    on: [...WAXED, 'glass', 'vinyl'],
    over: ['bare', 'self', ...COATED],
  },
  'spray-coating': {
    flash: 'moisture',
    set: 'moisture',
    coveragePerM2: 12,
    pack: { size: 500, price: 6000 },
    min: {
      cue: 1.5,
      levelFrom: 1,
      levelBy: 8,
      rewetBy: 45,
      recoatFrom: 30,
      recoatBy: 1440,
      waterSafe: 240,
      handover: 360,
      washOk: 4320,
      fullCure: 10080,
    },
    on: [...WAXED, 'glass', 'vinyl', 'lens-plastic', 'textured-plastic'],
    over: ['bare', 'self', 'ceramic', 'ceramic-top', 'film'],
    prime: 4,
    applicatorM2: 10,
  },
  'ceramic-primer': {
    flash: 'water',
    set: 'thermal',
    coveragePerM2: 8,
    pack: { size: 250, price: 4200 },
    min: { levelFrom: 0, levelBy: 3, recoatFrom: 30, recoatBy: 1440, waterSafe: 60 },
    on: ['clear-gloss', 'single-stage'],
    over: ['bare'],
    properties: ['abrasive', 'filler', 'no-panel-wipe'],
  },
  'ceramic-base': {
    flash: 'solvent',
    set: 'moisture',
    coveragePerM2: 4.5,
    pack: { size: 50, price: 6000 },
    min: { cue: 2.5, levelFrom: 2, levelBy: 5, rewetBy: 60, recoatFrom: 120, recoatBy: 720, ...CURED },
    on: [...PAINT, 'film-gloss', 'wheel', 'gelcoat'],
    over: ['bare', 'ceramic-primer'],
    prime: 1.2,
    applicatorM2: 3,
  },
  'ceramic-top': {
    flash: 'solvent',
    set: 'moisture',
    coveragePerM2: 4,
    pack: { size: 50, price: 6500 },
    min: { cue: 3, levelFrom: 2.5, levelBy: 9, rewetBy: 60, ...CURED },
    on: [...PAINT, 'film-gloss', 'wheel', 'gelcoat'],
    over: ['ceramic-base'],
    prime: 1.2,
    applicatorM2: 3,
  },
  ceramic: {
    flash: 'solvent',
    set: 'moisture',
    coveragePerM2: 4.5,
    pack: { size: 50, price: 6500 },
    min: { cue: 3, levelFrom: 2, levelBy: 7, rewetBy: 60, recoatFrom: 60, recoatBy: 240, ...CURED },
    on: [...PAINT, 'film-gloss', 'wheel', 'caliper', 'lens-plastic', 'gelcoat', 'chrome'],
    over: ['bare', 'self', 'ceramic-primer', 'film'],
    prime: 1.2,
    applicatorM2: 3,
  },
  'glass-coating': {
    flash: 'solvent',
    set: 'moisture',
    coveragePerM2: 6,
    pack: { size: 30, price: 2200 },
    min: { cue: 4, levelFrom: 3, levelBy: 12, recoatFrom: 30, waterSafe: 180, washOk: 2880, fullCure: 4320 },
    on: ['glass', 'windscreen', 'camera-lens'],
    over: ['bare', 'self'],
    prime: 1,
    applicatorM2: 4,
    properties: ['strong-solvent'],
  },
  'wheel-coating': {
    flash: 'solvent',
    set: 'moisture',
    coveragePerM2: 8,
    pack: { size: 50, price: 5000 },
    min: { cue: 2, levelFrom: 1, levelBy: 10, recoatFrom: 45, ...CURED },
    on: ['wheel', 'caliper', 'chrome', 'bare-metal'],
    over: ['bare', 'self'],
    prime: 1,
    applicatorM2: 2,
  },
  'trim-coating': {
    flash: 'solvent',
    set: 'moisture',
    coveragePerM2: 8,
    pack: { size: 30, price: 2800 },
    min: { cue: 5, levelFrom: 3, levelBy: 15, recoatFrom: 60, waterSafe: 360, washOk: 4320, fullCure: 10080 },
    on: ['textured-plastic', 'rubber', 'plate'],
    over: ['bare', 'self'],
    prime: 1,
    applicatorM2: 2,
  },
  'vinyl-coating': {
    flash: 'water',
    set: 'moisture',
    coveragePerM2: 9,
    pack: { size: 100, price: 5200 },
    min: { cue: 4, levelFrom: 2, levelBy: 12, recoatFrom: 60, waterSafe: 480, washOk: 7200, fullCure: 14400 },
    on: ['vinyl', 'film-gloss', 'film-matte'],
    over: ['bare', 'self', 'film'],
    prime: 1.5,
    applicatorM2: 4,
  },
  'fabric-guard': {
    flash: 'water',
    set: 'water',
    coveragePerM2: 60,
    pack: { size: 500, price: 3200 },
    min: { levelFrom: 0, levelBy: 30, waterSafe: 720, handover: 720, fullCure: 1440 },
    on: ['fabric', 'leather', 'interior-plastic'],
    over: ['bare', 'self'],
  },
  topper: {
    flash: 'water',
    set: 'water',
    coveragePerM2: 10,
    pack: { size: 500, price: 2600 },
    min: { levelFrom: 0, levelBy: 10, waterSafe: 30, washOk: 1440 },
    on: [...WAXED, 'glass', 'lens-plastic', 'vinyl', 'textured-plastic'],
    over: [...COATED, 'ceramic-base', 'glass-coating', 'wheel-coating', 'trim-coating', 'vinyl-coating', 'self'],
  },
  film: {
    unit: 'm2',
    set: 'water',
    coveragePerM2: 1.12,
    pack: { size: 7.6, price: 42000 },
    min: { recoatFrom: 1440, waterSafe: 720, handover: 1440, washOk: 10080 },
    on: ['clear-gloss', 'gloss-black', 'lens-plastic'],
    over: ['bare'],
  },
  dressing: {
    flash: 'water',
    set: 'water',
    coveragePerM2: 20,
    pack: { size: 500, price: 1500 },
    min: { levelFrom: 0, levelBy: 20, waterSafe: 120, washOk: 1440 },
    on: ['textured-plastic', 'rubber'],
    over: ['bare', 'self', 'trim-coating'],
  },
};

const CLOCK_OF: Readonly<Partial<Record<MilestoneName, 'flash'>>> = {
  cue: 'flash',
  levelFrom: 'flash',
  levelBy: 'flash',
};

/**
 * A sheet with what is usual for its family, to be replaced by what its data sheet says: each of those figures is
 * marked as assumed.
 */
export function usualSheet(family: FamilyId): Omit<ProductSheetInput, 'id' | 'name'> {
  const {
    unit = 'ml',
    flash,
    set,
    coveragePerM2,
    pack,
    min,
    on,
    over,
    prime,
    applicatorM2,
    properties,
  } = USUAL[family];
  const milestones = (Object.entries(min) as [MilestoneName, number][])
    .filter(([name]) => flash !== undefined || CLOCK_OF[name] === undefined)
    .map(([name, minutes]) => ({ name, clock: CLOCK_OF[name] ?? ('set' as const), min: minutes }));
  return {
    family,
    unit,
    coveragePerM2,
    packs: [{ ...pack }],
    ...(prime !== undefined && { prime }),
    ...(applicatorM2 !== undefined && { applicatorM2 }),
    clocks: { ...(flash && { flash: { mechanism: flash } }), set: { mechanism: set } },
    milestones,
    substrates: Object.fromEntries(on.map((id) => [id, { use: 'yes' as const }])),
    over: [...over],
    ...(properties && { properties: [...properties] }),
    ...(family === 'film' && {
      layPace: 0.08,
      levelPace: 0.12,
      freshPaintDays: 90,
      film: { ...USUAL_FILM, rollWidthsMm: [...USUAL_FILM.rollWidthsMm] },
    }),
    ratedMonths: FAMILIES[family].usualLifeMonths,
    sources: Object.fromEntries(
      [...ASSUMED, ...(family === 'film' ? (['film'] as const) : [])].map((field) => [field, 'assumed' as const]),
    ),
  };
}

const USUAL_FILM = {
  thicknessUm: 200,
  finish: 'gloss',
  rollWidthsMm: [1524],
  stretchPct: 30,
  maxSurfaceC: 60,
} as const;

/** What a new sheet takes from its family until its data sheet is read. */
const ASSUMED = ['coveragePerM2', 'packs', 'clocks', 'milestones', 'substrates', 'over', 'ratedMonths'] as const;
