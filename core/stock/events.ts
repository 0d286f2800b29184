import type { MethodId } from '#core/products/methods';

/** What a thing in stock is one of: a product sheet, a sheet of the preparation shelf, or a supply. */
export const STOCK_KINDS = ['product', 'kit', 'supply'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];
export const STOCK_UNITS = ['ml', 'g', 'm2', 'm', ''] as const;
export type StockUnit = (typeof STOCK_UNITS)[number];

/** Why something left the stock. */
export const GONE_REASONS = {
  empty: 'Empty',
  'too-old': 'Too old',
  spoiled: 'Spoiled',
  recalled: 'Recalled',
  lost: 'Not to be found',
} as const;
export type GoneReason = keyof typeof GONE_REASONS;
export const GONE_REASON_IDS = Object.keys(GONE_REASONS) as [GoneReason, ...GoneReason[]];

/** One bottle, tin, roll or pack as it was bought. */
export interface BoughtThing {
  readonly kind: StockKind;
  /** Id of the sheet or of the supply. */
  readonly of: string;
  /** Units it holds when full. */
  readonly size: number;
  readonly unit: StockUnit;
  readonly batch?: string | undefined;
  readonly place?: string | undefined;
  /** What was paid, minor units of money. */
  readonly paid?: number | undefined;
  /** Printed on it, epoch ms. */
  readonly useByMs?: number | undefined;
  /** What it weighs empty, g. */
  readonly emptyG?: number | undefined;
  /** Width of a roll or an offcut of film, mm. */
  readonly rollMm?: number | undefined;
  /** The roll it was left of, where it is an offcut. */
  readonly offcutOf?: string | undefined;
}

/** A place on a roll that is not to be cut from, mm: along it from its free end, and across it. */
export interface Flaw {
  readonly fromMm: number;
  readonly toMm: number;
  readonly lowMm: number;
  readonly highMm: number;
}

/** What happened to one thing in stock. Nothing is changed or taken out: a mistake is undone by a later entry. */
export type StockEntry =
  | { readonly type: 'bought'; readonly thing: string; readonly as: BoughtThing }
  | { readonly type: 'opened' | 'put-back'; readonly thing: string }
  /** Taken in hand at a job: what is laid there draws from it. */
  | { readonly type: 'taken'; readonly thing: string; readonly job: string }
  | StockUse
  /** On the scale, g; `emptyG` where it is told what the vessel weighs. */
  | {
      readonly type: 'weighed';
      readonly thing: string;
      readonly grossG: number;
      readonly densityGPerMl: number;
      readonly emptyG?: number | undefined;
      readonly simulated?: boolean | undefined;
    }
  | { readonly type: 'counted'; readonly thing: string; readonly remaining: number }
  | { readonly type: 'moved'; readonly thing: string; readonly place: string }
  | ({ readonly type: 'flawed'; readonly thing: string } & Flaw)
  | {
      readonly type: 'thrown-away';
      readonly thing: string;
      readonly reason: GoneReason;
      readonly job?: string | undefined;
    }
  | { readonly type: 'undo'; readonly thing: string; readonly entry: string }
  /** What a weighing taught is taken back; what it weighed stands. */
  | { readonly type: 'untaught'; readonly thing: string; readonly entry: string };

/** Drawn from it at a job. */
export interface StockUse {
  readonly type: 'used';
  readonly thing: string;
  readonly job: string;
  readonly surface: string;
  /** As predicted, units. */
  readonly amount: number;
  /** The learned factor that is in the amount. */
  readonly factor: number;
  readonly method?: MethodId | undefined;
  /** The patch of the run that was laid with it, by its key; film that was cut for a job: `cut/` and its sheet. */
  readonly patch?: string | undefined;
}

/** An entry with its name, its moment and who made it. */
export interface LoggedStock {
  readonly id: string;
  readonly atMs: number;
  readonly by?: string | undefined;
  readonly entry: StockEntry;
}
