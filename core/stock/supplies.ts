import type { StockUnit } from './events';

/** A thing that is counted beside the products: what it is called, how it is counted, what preparation calls it. */
export interface Supply {
  readonly name: string;
  readonly unit: StockUnit;
  /** It keeps somebody from harm: short at the start is a stop. */
  readonly protective?: true;
  /** Names under which steps of preparation use it. */
  readonly as?: readonly string[];
}

const define = <T extends Record<string, Supply>>(table: T) => table;

/** What lies beside the bottles. A new one is an entry here. */
const TABLE = define({
  gloves: { name: 'Nitrile gloves, pairs', unit: '', protective: true },
  mask: { name: 'Masks against organic vapour', unit: '', protective: true },
  'dust-mask': { name: 'Dust masks', unit: '', protective: true },
  glasses: { name: 'Safety glasses', unit: '', protective: true },
  'coating-towel': { name: 'Coating towels', unit: '' },
  applicator: { name: 'Applicators', unit: '' },
  suede: { name: 'Suede cloths', unit: '' },
  'polishing-towel': { name: 'Polishing towels', unit: '', as: ['polishing towels'] },
  'drying-towel': { name: 'Drying towels', unit: '', as: ['drying towels'] },
  'wipe-cloth': { name: 'Wipe cloths', unit: '', as: ['wipe cloths', 'towels'] },
  tape: { name: 'Masking tape', unit: 'm', as: ['masking tape'] },
  clay: { name: 'Clay', unit: 'g', as: ['clay'] },
  'panel-wipe': { name: 'Panel wipe', unit: 'ml', as: ['panel wipe'] },
  'distilled-water': { name: 'Distilled water', unit: 'ml' },
  'cutting-pad': { name: 'Cutting pads', unit: '', as: ['cutting pads'] },
  'polishing-pad': { name: 'Polishing pads', unit: '', as: ['polishing pads'] },
  'finishing-pad': { name: 'Finishing pads', unit: '', as: ['finishing pads'] },
  blade: { name: 'Blades', unit: '' },
  brush: { name: 'Soft brushes', unit: '' },
});

export type SupplyId = keyof typeof TABLE;
export const SUPPLIES: Readonly<Record<SupplyId, Supply>> = TABLE;
export const SUPPLY_IDS = Object.keys(TABLE) as [SupplyId, ...SupplyId[]];
const BY_USE = new Map(SUPPLY_IDS.flatMap((id) => (SUPPLIES[id].as ?? []).map((name) => [name, id] as const)));

/** The supply that a step of preparation calls by this name; undefined where it is poured from a sheet of its own. */
export const supplyCalled = (what: string): SupplyId | undefined => BY_USE.get(what);
