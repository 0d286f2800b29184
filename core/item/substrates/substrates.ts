import type { MilestoneName } from '#core/time/clocks';

/** Factors on a sheet's figures where the sheet itself says nothing for a substrate. */
export interface SubstrateFactors {
  readonly coverage: number;
  readonly cue: number;
  readonly levelFrom: number;
  readonly levelBy: number;
}

export interface Substrate {
  readonly name: string;
  /** Defaults differing from 1. */
  readonly factors?: Partial<SubstrateFactors>;
  /** A matte finish shows every seam and turns glossy under any polish: one piece, never polished. */
  readonly matte?: true;
  /** A paint-thickness gauge reads it: paint straight on metal. */
  readonly gaugeReads?: true;
  /** Nothing at all may be laid on it: someone could be hurt. */
  readonly keepClear?: true;
  /** Inside a cabin: never washed with running water. */
  readonly inside?: true;
  readonly glass?: true;
  /** Trim that fades and is restored. */
  readonly trim?: true;
  /** Metal polished as metal, with no coat on it. */
  readonly metalFinish?: true;
  /** Stands on or in the bodywork with a gap round it: dirt and water come out of it later. */
  readonly moulding?: true;
  /** Solvent lifts, dulls or crazes it. */
  readonly noSolvent?: true;
  /** Masked beside what is polished. */
  readonly masked?: true;
  /** Plastic under its finish: it softens under a hot pad, and a gauge reads nothing. */
  readonly plastic?: true;
  /** There is a clear or colour coat that a polish takes from, and so a paint ledger. */
  readonly polishable?: true;
}

const define = <T extends Record<string, Substrate>>(table: T) => table;

/**
 * Every kind of surface. Factors are engineering defaults of the trade: porous and rough surfaces take more
 * product, film is slower to flash, matte is levelled early.
 */
const TABLE = define({
  'clear-gloss': { name: 'Clear-coated paint, gloss', gaugeReads: true, polishable: true },
  'clear-matte': {
    name: 'Clear-coated paint, matte or satin',
    factors: { coverage: 1.4, levelFrom: 0, levelBy: 0.2 },
    matte: true,
    gaugeReads: true,
  },
  'single-stage': { name: 'Single-stage paint', gaugeReads: true, polishable: true },
  'film-gloss': {
    name: 'Paint-protection film, gloss',
    factors: { coverage: 1.15, cue: 1.3, levelFrom: 1.3, levelBy: 1.3 },
  },
  'film-matte': {
    name: 'Paint-protection film, matte',
    factors: { coverage: 1.4, levelFrom: 0, levelBy: 0.2 },
    matte: true,
  },
  vinyl: { name: 'Coloured vinyl wrap', noSolvent: true, masked: true },
  'gloss-black': { name: 'Gloss-black trim', polishable: true, plastic: true, moulding: true },
  'textured-plastic': {
    name: 'Textured plastic',
    factors: { coverage: 1.5 },
    trim: true,
    moulding: true,
    masked: true,
  },
  'lens-plastic': {
    name: 'Clear plastic lens',
    polishable: true,
    plastic: true,
    moulding: true,
    noSolvent: true,
    masked: true,
  },
  glass: { name: 'Glass', factors: { coverage: 0.8 }, glass: true },
  windscreen: { name: 'Windscreen', factors: { coverage: 0.8 }, glass: true },
  chrome: { name: 'Chrome', metalFinish: true, moulding: true },
  'bare-metal': { name: 'Bare metal', metalFinish: true },
  wheel: { name: 'Wheel', factors: { coverage: 1.2 }, gaugeReads: true },
  caliper: { name: 'Brake caliper', factors: { coverage: 1.2 }, gaugeReads: true },
  rubber: { name: 'Rubber seal', trim: true, moulding: true, masked: true },
  plate: { name: 'Number plate', moulding: true },
  fabric: { name: 'Fabric', inside: true },
  leather: { name: 'Leather', inside: true },
  'interior-plastic': { name: 'Interior plastic', inside: true },
  gelcoat: { name: 'Gelcoat', factors: { coverage: 1.25 }, polishable: true },
  'aircraft-paint': { name: 'Aircraft paint', gaugeReads: true, polishable: true },
  'acrylic-window': { name: 'Acrylic window', noSolvent: true, moulding: true },
  carbon: { name: 'Bare carbon' },
  wood: { name: 'Varnished wood' },
  'camera-lens': { name: 'Camera lens', noSolvent: true },
  sensor: { name: 'Radar, sonar or port', keepClear: true },
  'brake-disc': { name: 'Brake disc', keepClear: true },
  grip: { name: 'Tread, grip or step', keepClear: true },
});

export type SubstrateId = keyof typeof TABLE;
export const SUBSTRATES: Readonly<Record<SubstrateId, Substrate>> = TABLE;
export const SUBSTRATE_IDS = Object.keys(TABLE) as [SubstrateId, ...SubstrateId[]];

const NEUTRAL: SubstrateFactors = { coverage: 1, cue: 1, levelFrom: 1, levelBy: 1 };

/** When to level a matte finish: at a fixed early moment, or while it is still wet, before any rainbow. */
export type MatteSchool = 'fixed-early' | 'keep-wet';
/** Share of the time to the cue within which the second school has matte level. */
export const KEEP_WET_SHARE_OF_CUE = 0.8;

/** The factors in force: the sheet's where it gives them, else the substrate's, else 1. */
export function substrateFactors(
  id: SubstrateId,
  sheet: { readonly [K in keyof SubstrateFactors]?: SubstrateFactors[K] | undefined } = {},
): SubstrateFactors {
  const fallback = { ...NEUTRAL, ...SUBSTRATES[id].factors };
  return {
    coverage: sheet.coverage ?? fallback.coverage,
    cue: sheet.cue ?? fallback.cue,
    levelFrom: sheet.levelFrom ?? fallback.levelFrom,
    levelBy: sheet.levelBy ?? fallback.levelBy,
  };
}

/** Factor on one milestone's reference minutes; 1 for all that is not watched while levelling. */
export function milestoneFactor(factors: SubstrateFactors, name: MilestoneName): number {
  return name === 'cue' || name === 'levelFrom' || name === 'levelBy' ? factors[name] : 1;
}
