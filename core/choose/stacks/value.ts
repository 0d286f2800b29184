import { expectedLife, stackedMonths } from '#core/layers/life';
import { ENOUGH_CLEAR, planRemoval } from '#core/prepare/removal';
import { substrateFactors, type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { MINUTES_PER_HOUR, TENTH_SIGMAS } from '#core/measures';
import type { FamilyId } from '#core/products/families';
import { seenSubstrate } from '#core/layers/rules';
import { layFactorOf, METHODS, usualMethod } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { ADDED_MIN } from '#core/schedule/hours';
import type { ChoiceSurface, ValidStack } from './stacks';
import { type Concern, CONCERN_WORTH_MIN, CONCERNS, type Wishes } from './wishes';

/** What a m² of a stack is worth and costs, packs apart: those are shared. Money in minor units. */
export interface StackValue {
  /** Units of each product on a m², 90 % quantity, applicators included. */
  readonly amounts: ReadonlyMap<string, number>;
  readonly minutes: number;
  readonly lifeMonths: number;
  /** Renewals over the time it is kept: taken off and laid again so often. */
  readonly renewals: number;
  /** What one renewal costs: material at the cheapest unit price, hours of taking off and laying. */
  readonly renewalMoney: number;
  readonly renewalMinutes: number;
  /** Clear that one removal is expected to take, µm. */
  readonly removalUm: number;
  /** What falls short in the concerns, in money. */
  readonly penalty: number;
}

const DEFAULT_HOUR_RATE = 4000;
/** Panels that stones hit wear sooner unless film takes it. Engineering default. */
export const HIT_LIFE_FACTOR = 0.8;

/** Depth and gloss by family, 0 to 1. The trade's taste in numbers: a setting of the score, not a law. */
const LOOK: Readonly<Partial<Record<FamilyId, number>>> = {
  'cleaner-wax': 0.6,
  'paste-wax': 1,
  'liquid-wax': 0.75,
  sealant: 0.6,
  'spray-coating': 0.65,
  ceramic: 0.75,
  'ceramic-top': 0.85,
  film: 0.45,
  topper: 0.7,
};
const USUAL_LOOK = 0.55;
/** How little dirt holds on to what lies on top, 0 to 1. */
const WASHING: Readonly<Partial<Record<FamilyId, number>>> = {
  'cleaner-wax': 0.3,
  'paste-wax': 0.45,
  'liquid-wax': 0.5,
  sealant: 0.6,
  'spray-coating': 0.8,
  ceramic: 0.85,
  'ceramic-top': 0.95,
  film: 0.35,
  topper: 0.9,
  'glass-coating': 0.95,
};
const USUAL_WASHING = 0.6;
/** A window this long forgives everything, minutes. */
const FORGIVING_MIN = 20;
const HARDEST_REMOVAL_MIN_PER_M2 = 30;

/** A kind of surface, as far as what a m² of a stack costs and how long it lasts depend on it. */
export interface Kind extends Pick<ChoiceSurface, 'substrate' | 'existing' | 'tone' | 'hit'> {
  /** Pieces on a m²: each is walked to and begun by itself. */
  readonly piecesPerM2: number;
}

/** Works out stacks by the m² of a kind of surface. */
export function stackValuer(wishes: Wishes) {
  const removals = new Map<string, { minutes: number; clearUm: number }>();
  const rate = wishes.hourRate / MINUTES_PER_HOUR;
  const worth = ((wishes.hourRate || DEFAULT_HOUR_RATE) / MINUTES_PER_HOUR) * CONCERN_WORTH_MIN;
  const cares = CONCERNS.some((concern) => (wishes.concerns[concern] ?? 0) > 0);

  const removalOf = (surface: Kind, { layers }: ValidStack, lifeMonths: number) => {
    let key: string = surface.substrate;
    for (const { product } of layers) key += `/${product.comesOffBy ? product.id : product.family}`;
    const known = removals.get(key);
    if (known) return known;
    const { expectedMin, expectedClearUm } = planRemoval({
      substrate: surface.substrate,
      areaM2: 1,
      clearUm: ENOUGH_CLEAR,
      layers: layers.map(({ product: { name, family, comesOffBy } }) => ({
        name,
        family,
        comesOffBy,
        ageMonths: lifeMonths,
        hard: true,
        lifeMonths,
      })),
    });
    const removal = { minutes: expectedMin, clearUm: expectedClearUm };
    removals.set(key, removal);
    return removal;
  };

  return (kind: Kind) => {
    const { hit, piecesPerM2 } = kind;
    const known = new Map<string, ProductOnKind>();
    const onKind = (product: Product, substrate: SubstrateId): ProductOnKind => {
      const key = `${substrate} ${product.id}`;
      const seen = known.get(key) ?? productOnKind(product, { ...kind, substrate }, wishes);
      known.set(key, seen);
      return seen;
    };
    return (stack: ValidStack): StackValue => {
      const products = stack.layers.map(({ product }) => product);
      const seenUnder = (index: number) => seenSubstrate(kind.substrate, kind.existing, products.slice(0, index));
      const layers = products.map((product, index) => onKind(product, seenUnder(index)));
      const amounts = new Map<string, number>();
      let minutes = 0;
      let material = 0;
      for (const [index, { id, unitsPerCoat, unitMoney, minPerCoat }] of layers.entries()) {
        const { coats } = stack.layers[index]!;
        amounts.set(id, coats * unitsPerCoat);
        material += coats * unitsPerCoat * unitMoney;
        minutes += coats * (minPerCoat + ADDED_MIN.section * piecesPerM2);
      }
      const ages = layers.map(({ months, ratedMonths }, index) => ({
        months,
        ratedMonths,
        coats: stack.layers[index]!.coats,
      }));
      const worn = hit && !layers.some(({ isFilm }) => isFilm) ? HIT_LIFE_FACTOR : 1;
      const lifeMonths = stackedMonths(ages, wishes.beyondTwo) * worn;
      const removal = layers.length === 0 ? { minutes: 0, clearUm: 0 } : removalOf(kind, stack, lifeMonths);
      const renewals = lifeMonths > 0 ? Math.max(0, Math.ceil(wishes.keptMonths / lifeMonths - ROUNDING) - 1) : 0;
      const renewalMinutes = minutes + removal.minutes;
      return {
        amounts,
        minutes,
        lifeMonths,
        renewals,
        renewalMoney: material + renewalMinutes * rate,
        renewalMinutes,
        removalUm: removal.clearUm,
        penalty: cares ? worth * shortfall(scoresOf(layers, seenUnder(products.length), removal.minutes), wishes) : 0,
      };
    };
  };
}

/** What of a product does not depend on what it is laid with. */
interface ProductOnKind {
  readonly id: string;
  readonly family: FamilyId;
  readonly isFilm: boolean;
  readonly unitsPerCoat: number;
  readonly unitMoney: number;
  readonly minPerCoat: number;
  readonly months: number;
  readonly ratedMonths: number;
  readonly windowMin: number;
  readonly deepens: boolean;
}

function productOnKind(product: Product, { substrate, tone }: Kind, { exposure, pace }: Wishes): ProductOnKind {
  const { id, family, levelPace, milestones, properties } = product;
  const method = usualMethod(product);
  const minutes = (name: string) => milestones.find((milestone) => milestone.name === name)?.min;
  const by = minutes('levelBy');
  const life = expectedLife(product, tone ? { ...exposure, tone } : exposure);
  return {
    id,
    family,
    isFilm: family === 'film',
    unitsPerCoat: unitsPerM2(substrate, product, METHODS[method].amount),
    unitMoney: cheapestUnit(product),
    minPerCoat: 1 / (pace.layM2PerMin * layFactorOf(product, method)) + 1 / (pace.levelM2PerMin * levelPace),
    months: life.months,
    ratedMonths: life.ratedMonths,
    windowMin: by === undefined ? FORGIVING_MIN : by - (minutes('levelFrom') ?? 0),
    deepens: properties.includes('gloss-enhancer'),
  };
}

/** How far the concerns fall short, each by its weight. */
const shortfall = (scores: Readonly<Record<Concern, number>>, { concerns }: Wishes) =>
  CONCERNS.reduce((sum, concern) => sum + (concerns[concern] ?? 0) * (1 - scores[concern]), 0);

/** A life that just reaches the time it is kept needs no renewal on its last day. */
const ROUNDING = 1e-6;

/** Units of a product that a m² of one coat takes, as ordered: 90 % quantity and its share of applicators. */
function unitsPerM2(substrate: SubstrateId, product: Product, methodFactor: number): number {
  const coverage = product.substrates[substrate]?.coverage ?? substrateFactors(substrate).coverage;
  const laid = product.coveragePerM2 * coverage * methodFactor * product.usageFactor;
  const applicators = product.applicatorM2 === null ? 0 : product.prime / product.applicatorM2;
  return laid * Math.exp(TENTH_SIGMAS * product.usageSigma) + applicators;
}

/** Money a unit at the pack that is cheapest by the unit. */
export const cheapestUnit = ({ packs }: Pick<Product, 'packs'>): number =>
  Math.min(...packs.map(({ size, price }) => price / size));

/** 0 poor to 1 best. */
function scoresOf(
  layers: readonly ProductOnKind[],
  substrate: SubstrateId,
  removalMinPerM2: number,
): Record<Concern, number> {
  const top = layers.at(-1);
  if (!top) return { look: 0.3, washing: 0, removal: 1, skill: 1 };
  const deepens = layers.some((layer) => layer.deepens);
  const look = LOOK[top.family] ?? USUAL_LOOK;
  return {
    // Satin is liked as it is; on gloss, depth is.
    look: SUBSTRATES[substrate].matte ? (deepens ? 0.3 : 1) : Math.min(1, look + (deepens ? 0.15 : 0)),
    washing: WASHING[top.family] ?? USUAL_WASHING,
    removal: 1 - Math.min(1, removalMinPerM2 / HARDEST_REMOVAL_MIN_PER_M2),
    skill: Math.min(1, Math.min(...layers.map(({ windowMin }) => windowMin)) / FORGIVING_MIN),
  };
}

/** What a m² of a stack costs besides its packs: hours of laying, and renewals where they count. */
export const workMoney = (
  { minutes, renewals, renewalMoney }: StackValue,
  { hourRate, count }: Pick<Wishes, 'hourRate' | 'count'>,
): number => (minutes * hourRate) / MINUTES_PER_HOUR + (count === 'kept' ? renewals * renewalMoney : 0);

/** What the material of a m² of a stack costs at given prices of a unit. */
export const unitsMoney = ({ amounts }: StackValue, units: ReadonlyMap<string, number>): number =>
  [...amounts].reduce((sum, [product, amount]) => sum + amount * units.get(product)!, 0);
