import type { RemovalMethodId } from '#core/products/removal-methods';
import type { SubstrateId } from '#core/item/substrates';
import type { FamilyId } from '#core/products/families';
import type { MethodId } from '#core/products/methods';
import type { Clock, ClockName, Milestone } from '#core/time/clocks';
import type { Pack } from '#core/products/quantity';

export const UNITS = ['ml', 'g', 'm2'] as const;
export type Unit = (typeof UNITS)[number];

export const ANSWERS = ['yes', 'test', 'no'] as const;
/** Whether something may be done: yes, only after a hidden test spot, or no. */
export type Answer = (typeof ANSWERS)[number];

/** What a sheet says of one kind of surface; factors on its own reference figures. */
export interface SheetSubstrate {
  readonly use: Answer;
  readonly coverage?: number | undefined;
  readonly levelFrom?: number | undefined;
  readonly levelBy?: number | undefined;
  readonly cue?: number | undefined;
  readonly why?: string | undefined;
}

export type Range = readonly [low: number, high: number];

export const FILM_FINISHES = ['gloss', 'matte'] as const;

/** What a sheet says of a film besides. */
export interface FilmSheet {
  readonly thicknessUm: number;
  readonly finish: (typeof FILM_FINISHES)[number];
  readonly rollWidthsMm: readonly number[];
  readonly stretchPct: number;
  /** Looks otherwise when it is turned by a quarter. */
  readonly grain?: boolean | undefined;
  readonly adhesive?: string | undefined;
  readonly maxSurfaceC: number;
}

/** Days fresh paint breathes where neither sheet nor painter says. */
export const USUAL_BREATHING_DAYS = 60;

/** What a rule may turn on, in the words of a sheet. A new one is an entry here and a rule that asks for it. */
export const PROPERTIES = {
  abrasive: 'Polishes: takes from the finish',
  filler: 'Fills: hides marks until it is washed out',
  'gloss-enhancer': 'Enhances gloss, deepens the colour',
  'strong-solvent': 'Carries a strong solvent',
  'not-for-wipers': 'Not made for wipers',
  'no-panel-wipe': 'A panel wipe takes it off again',
  'aviation-approved': 'Approved for aircraft',
} as const;
export type ProductProperty = keyof typeof PROPERTIES;
export const PROPERTY_IDS = Object.keys(PROPERTIES) as [ProductProperty, ...ProductProperty[]];

/** What keeps a person from harm while they work. */
export const WORN = ['gloves', 'glasses', 'mask', 'dust-mask'] as const;
export type Worn = (typeof WORN)[number];

/** A product as its data sheet has it, with what the shop has learned of it. */
export interface Product {
  readonly id: string;
  readonly name: string;
  readonly family: FamilyId;
  readonly unit: Unit;
  /** Units per m² and coat on gloss clear coat. */
  readonly coveragePerM2: number;
  readonly densityGPerMl: number;
  /** Solvent it gives off; absent: its sheet does not say, which is not none. */
  readonly vocGPerL?: number | undefined;
  /** What has to be worn while it is laid; absent: by its family and vapour. */
  readonly wear?: readonly Worn[] | undefined;
  /** What a person may breathe of it, and where its vapour begins to burn: by its safety sheet. */
  readonly limitMgPerM3?: number | undefined;
  readonly lowerExplosiveGPerM3?: number | undefined;
  readonly packs: readonly Pack[];
  readonly onHand: number;
  /** Units that wet one applicator, and the area one lasts, m² (null: any). */
  readonly prime: number;
  readonly applicatorM2: number | null;
  /** Units that stay in the bottle. */
  readonly residue: number;
  /** Factors on a person's pace. */
  readonly layPace: number;
  readonly levelPace: number;
  readonly clocks: { readonly [K in ClockName]?: Clock | undefined };
  readonly milestones: readonly Milestone[];
  readonly limits?:
    | { readonly airC?: Range | undefined; readonly rhPct?: Range | undefined; readonly surfaceC?: Range | undefined }
    | undefined;
  readonly substrates: { readonly [K in SubstrateId]?: SheetSubstrate | undefined };
  /** What it may lie on: product ids, families, `bare`, `self`. */
  readonly over: readonly string[];
  readonly freshPaintDays: number;
  readonly properties: readonly ProductProperty[];
  readonly ratedMonths?: number | undefined;
  /** How often it is looked after, days: washed, given a topper or the maker's booster, inspected. Absent: as is usual. */
  readonly careDays?:
    | {
        readonly wash?: number | undefined;
        readonly topper?: number | undefined;
        readonly booster?: number | undefined;
        readonly inspection?: number | undefined;
      }
    | undefined;
  /** How its sheet has it laid; absent: as is usual for its family. */
  readonly method?: MethodId | undefined;
  readonly film?: FilmSheet | undefined;
  /** How its sheet says it comes off. */
  readonly comesOffBy?: readonly RemovalMethodId[] | undefined;
  /** Softening point of a wax, °C at the surface. */
  readonly meltsAtC?: number | undefined;
  /** Learned: factor on all flash-clock minutes, and the spread of the next patch. */
  readonly flashFactor: number;
  readonly flashSigma: number;
  readonly usageFactor: number;
  readonly usageSigma: number;
  /** Learned: factors on the sheet's paces in this shop's hands; absent: 1. */
  readonly layFactor?: number | undefined;
  readonly levelFactor?: number | undefined;
  /** Learned: how much faster it goes on in one way than in the others it was laid in here; absent: 1. */
  readonly layByMethod?: Readonly<Partial<Record<MethodId, number>>> | undefined;
  /** What the workshop's own schools say of it, where the trade disagrees. */
  readonly shop?:
    { readonly windscreen: 'never' | 'test' | 'like-glass'; readonly satinGloss: 'never' | 'test' } | undefined;
}

/** Millilitres of an amount in the product's unit; 0 for film, which is not poured. */
export function millilitres(product: Pick<Product, 'unit' | 'densityGPerMl'>, amount: number): number {
  switch (product.unit) {
    case 'ml':
      return amount;
    case 'g':
      return amount / product.densityGPerMl;
    case 'm2':
      return 0;
  }
}

/** What was measured, or is expected, where a product is laid. */
export type Measured = { readonly [K in 'airC' | 'rhPct' | 'surfaceC']?: number };

/** What lies outside the limits a sheet names, with the limit; what is not measured or not limited is not asked. */
export function outsideLimits({ limits }: Pick<Product, 'limits'>, measured: Measured) {
  return (['airC', 'rhPct', 'surfaceC'] as const).flatMap((key) => {
    const [limit, value] = [limits?.[key], measured[key]];
    return limit && value !== undefined && (value < limit[0] || value > limit[1]) ? [{ key, value, limit }] : [];
  });
}
