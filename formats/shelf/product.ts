import { z } from 'zod';
import { REMOVAL_METHOD_IDS } from '#core/products/removal-methods';
import { SUBSTRATE_IDS } from '#core/item/substrates';
import { FAMILY_IDS } from '#core/products/families';
import { METHOD_IDS } from '#core/products/methods';
import { ANSWERS, FILM_FINISHES, PROPERTY_IDS, UNITS, USUAL_BREATHING_DAYS, WORN } from '#core/products/sheets';
import { CLOCK_NAMES, MECHANISMS, MILESTONES } from '#core/time/clocks';
import {
  anyNumber,
  celsius,
  flag,
  list,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  percent,
  positive,
  range,
  text,
  wholeNonNegative,
} from '#formats/values';

const clock = object({
  mechanism: oneOf(MECHANISMS),
  eKj: nonNegative().optional(),
  n: nonNegative().optional(),
  refC: celsius().optional(),
  refRh: percent()
    .gt(0, { error: 'expected more than 0 and less than 100 %' })
    .lt(100, { error: 'expected more than 0 and less than 100 %' })
    .optional(),
  refAirSpeed: nonNegative().optional(),
});

const milestone = object({ name: oneOf(MILESTONES), clock: oneOf(CLOCK_NAMES), min: nonNegative() });

const substrateSheet = object({
  use: oneOf(ANSWERS),
  coverage: positive().optional(),
  levelFrom: nonNegative().optional(),
  levelBy: nonNegative().optional(),
  cue: nonNegative().optional(),
  why: text().optional(),
});

/** Where a figure came from. */
export const SOURCES = ['sheet', 'measured', 'assumed'] as const;
/** Figures whose source is kept. */
export const SOURCED_FIELDS = [
  'coveragePerM2',
  'densityGPerMl',
  'vocGPerL',
  'limitMgPerM3',
  'lowerExplosiveGPerM3',
  'packs',
  'prime',
  'applicatorM2',
  'residue',
  'layPace',
  'levelPace',
  'clocks',
  'milestones',
  'limits',
  'substrates',
  'over',
  'freshPaintDays',
  'ratedMonths',
  'meltsAtC',
  'film',
  'comesOffBy',
  'careDays',
] as const;

/** How often a layer is looked after, days between. */
export const careDays = object({
  wash: positive().optional(),
  topper: positive().optional(),
  booster: positive().optional(),
  inspection: positive().optional(),
});

/** A product as it stands in a job file and in a shelf file: its maker's sheet with what the shop has and has learned of it. */
export const productSchema = object({
  id: nonEmpty(),
  name: nonEmpty(),
  family: oneOf(FAMILY_IDS),
  unit: oneOf(UNITS).default('ml'),
  coveragePerM2: positive(),
  densityGPerMl: positive().default(1),
  vocGPerL: nonNegative().optional(),
  /** What has to be worn while it is laid; absent: by its family and vapour. */
  wear: list(oneOf(WORN)).optional(),
  /** Its safety sheet's: what a person may breathe of it, and its lower explosive limit. */
  limitMgPerM3: positive().optional(),
  lowerExplosiveGPerM3: positive().optional(),
  packs: list(object({ size: positive(), price: wholeNonNegative() })).min(1, {
    error: 'expected at least one pack on sale',
  }),
  onHand: nonNegative().default(0),
  prime: nonNegative().default(0),
  applicatorM2: positive().nullable().default(null),
  residue: nonNegative().default(0),
  layPace: positive().default(1),
  levelPace: positive().default(1),
  clocks: object({ flash: clock.optional(), set: clock.optional() }),
  milestones: list(milestone),
  limits: object({
    airC: range(celsius).optional(),
    rhPct: range(percent).optional(),
    surfaceC: range(celsius).optional(),
  }).optional(),
  substrates: z.partialRecord(z.enum(SUBSTRATE_IDS), substrateSheet, { error: 'expected an object' }),
  over: list(nonEmpty()),
  freshPaintDays: nonNegative().default(USUAL_BREATHING_DAYS),
  properties: list(oneOf(PROPERTY_IDS)).default([]),
  ratedMonths: positive().optional(),
  /** How often it is looked after by its sheet, days: washed, given a topper or the maker's booster, inspected. */
  careDays: careDays.optional(),
  flashFactor: positive().default(1),
  flashSigma: nonNegative().default(0.2),
  usageFactor: positive().default(1),
  usageSigma: nonNegative().default(0.15),
  /** Learned: times the sheet's paces. */
  layFactor: positive().optional(),
  levelFactor: positive().optional(),
  /** Learned: how much faster it goes on in one way than in the others it was laid in. */
  layByMethod: z.partialRecord(z.enum(METHOD_IDS), positive(), { error: 'expected an object' }).optional(),
  // What a sheet carries besides, for people and for removal.
  sheetVersion: nonEmpty().optional(),
  sheetDate: z.iso.date({ error: 'expected a date such as 2026-05-01' }).optional(),
  hazards: list(nonEmpty()).optional(),
  /** Where each figure came from, by the name of its field; what is not named is from the data sheet. */
  sources: z.partialRecord(z.enum(SOURCED_FIELDS), oneOf(SOURCES), { error: 'expected an object' }).optional(),
  batch: text().optional(),
  hardness: text().optional(),
  shelfMonths: object({ closed: positive().optional(), open: positive().optional() }).optional(),
  method: oneOf(METHOD_IDS).optional(),
  /** Methods of removal its maker names. */
  comesOffBy: list(oneOf(REMOVAL_METHOD_IDS)).optional(),
  /** Of a film. */
  film: object({
    thicknessUm: positive(),
    finish: oneOf(FILM_FINISHES),
    rollWidthsMm: list(positive()).min(1, { error: 'expected at least one roll width' }),
    stretchPct: percent(),
    /** Looks otherwise when it is turned by a quarter: then it is not. */
    grain: flag().optional(),
    adhesive: text().optional(),
    maxSurfaceC: celsius(),
  }).optional(),
  meltsAtC: anyNumber().optional(),
});

export type ProductSheet = z.output<typeof productSchema>;
export type ProductSheetInput = z.input<typeof productSchema>;

/** What belongs to the shop and not to the sheet: what is in hand, and what was learned. */
const SHOP_KEYS = {
  onHand: true,
  batch: true,
  flashFactor: true,
  flashSigma: true,
  usageFactor: true,
  usageSigma: true,
  layFactor: true,
  levelFactor: true,
  layByMethod: true,
} as const;

/** A product sheet: what its maker says, and nothing else. */
export const makerSheetSchema = productSchema.omit(SHOP_KEYS);
export type MakerSheet = z.output<typeof makerSheetSchema>;
export type MakerSheetInput = z.input<typeof makerSheetSchema>;

/** Days from ordering to unpacking, where the shop says nothing. */
const USUAL_DELIVERY_DAYS = 3;

export const shopFiguresSchema = productSchema.pick(SHOP_KEYS).extend({
  deliveryDays: nonNegative().max(365, { error: 'expected at most 365 days' }).default(USUAL_DELIVERY_DAYS),
});
export type ShopFigures = z.output<typeof shopFiguresSchema>;

/** What is kept of it: what is in hand, and of which batch, follows from the things in stock. */
export const keptShopSchema = shopFiguresSchema.omit({ onHand: true, batch: true });
export type KeptShop = z.output<typeof keptShopSchema>;

/** A product of a file, parted into what its maker says and what is the shop's. */
export function parted(product: ProductSheet): { readonly sheet: MakerSheet; readonly shop: ShopFigures } {
  const {
    onHand,
    batch,
    flashFactor,
    flashSigma,
    usageFactor,
    usageSigma,
    layFactor,
    levelFactor,
    layByMethod,
    ...sheet
  } = product;
  return {
    sheet,
    shop: {
      onHand,
      flashFactor,
      flashSigma,
      usageFactor,
      usageSigma,
      deliveryDays: USUAL_DELIVERY_DAYS,
      ...(batch !== undefined && { batch }),
      ...(layFactor !== undefined && { layFactor }),
      ...(levelFactor !== undefined && { levelFactor }),
      ...(layByMethod !== undefined && { layByMethod }),
    },
  };
}

/** A sheet with what is the shop's, as jobs and plans take it. */
export function stocked({ sheet, shop }: { readonly sheet: MakerSheet; readonly shop: ShopFigures }): ProductSheet {
  const { deliveryDays: _, ...figures } = shop;
  return { ...sheet, ...figures };
}
