import type { FamilyId } from '../families';
import { expectedLife, stackedMonths } from '../life';
import type { Product } from '../products';
import { planRemoval } from '../removal';
import { DEFAULT_PACE } from '../sections';
import { substrateFactors, type SubstrateId, SUBSTRATES } from '../substrates';
import type { ChoiceSurface, ValidStack } from './stacks';
import { CONCERN_WORTH_MIN, type Concern, CONCERNS, type Wishes } from './wishes';

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
  /** 0 poor to 1 best. */
  readonly scores: Readonly<Record<Concern, number>>;
  /** What falls short in the concerns, in money. */
  readonly penalty: number;
}

const ORDER_SIGMAS = 1.2816;
/** Taking a bottle, wetting, walking round: minutes a coat on a surface. */
const HANDLING_MIN = 0.8;
const DEFAULT_HOUR_RATE = 4000;
/** Panels that stones hit wear sooner unless film takes it. Engineering default. */
const HIT_LIFE_FACTOR = 0.8;

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
const MINUTES_PER_HOUR = 60;

/** A kind of surface, as far as what a m² of a stack costs and how long it lasts depend on it. */
export interface Kind extends Pick<ChoiceSurface, 'substrate' | 'tone' | 'hit'> {
  /** Pieces on a m²: each is walked to and begun by itself. */
  readonly piecesPerM2: number;
}

/** Works out stacks by the m² of a kind of surface. */
export function stackValuer(wishes: Wishes) {
  const removals = new Map<string, { minutes: number; clearUm: number }>();
  const rate = wishes.hourRate / MINUTES_PER_HOUR;
  const worth = ((wishes.hourRate || DEFAULT_HOUR_RATE) / MINUTES_PER_HOUR) * CONCERN_WORTH_MIN;

  const removalOf = (surface: Kind, { layers }: ValidStack, lifeMonths: number) => {
    const key = [surface.substrate, ...layers.map(({ product }) => product.family)].join('/');
    const known = removals.get(key);
    if (known) return known;
    const { expectedMin, expectedClearUm } = planRemoval({
      substrate: surface.substrate,
      areaM2: 1,
      layers: layers.map(({ product: { name, family } }) => ({
        name,
        family,
        ageMonths: lifeMonths,
        hard: true,
        lifeMonths,
      })),
    });
    const removal = { minutes: expectedMin, clearUm: expectedClearUm };
    removals.set(key, removal);
    return removal;
  };

  const lives = new Map<string, number>();
  const lifeOf = (product: Product, tone: Kind['tone']) => {
    const key = `${product.id}/${tone ?? ''}`;
    const months =
      lives.get(key) ?? expectedLife(product, tone ? { ...wishes.exposure, tone } : wishes.exposure).months;
    lives.set(key, months);
    return months;
  };

  return (surface: Kind, stack: ValidStack): StackValue => {
    const { substrate, tone, hit, piecesPerM2 } = surface;
    const { layers } = stack;
    const amounts = new Map<string, number>();
    let minutes = 0;
    let material = 0;
    for (const { product, coats } of layers) {
      const units = coats * unitsPerM2(substrate, product);
      amounts.set(product.id, units);
      material += units * cheapestUnit(product);
      const perM2 =
        1 / (DEFAULT_PACE.layM2PerMin * product.layPace) + 1 / (DEFAULT_PACE.levelM2PerMin * product.levelPace);
      minutes += coats * (perM2 + HANDLING_MIN * piecesPerM2);
    }
    const filmed = layers.some(({ product }) => product.family === 'film');
    const ages = layers.map(({ product, coats }) => ({ coats, months: lifeOf(product, tone) }));
    const lifeMonths = stackedMonths(ages, wishes.beyondTwo) * (hit && !filmed ? HIT_LIFE_FACTOR : 1);
    const removal = layers.length === 0 ? { minutes: 0, clearUm: 0 } : removalOf(surface, stack, lifeMonths);
    const renewals = lifeMonths > 0 ? Math.max(0, Math.ceil(wishes.keptMonths / lifeMonths - ROUNDING) - 1) : 0;
    const renewalMinutes = minutes + removal.minutes;
    const scores = scoresOf(stack, substrate, removal.minutes);
    const penalty = CONCERNS.reduce(
      (sum, concern) => sum + (wishes.concerns[concern] ?? 0) * (1 - scores[concern]) * worth,
      0,
    );
    return {
      amounts,
      minutes,
      lifeMonths,
      renewals,
      renewalMoney: material + renewalMinutes * rate,
      renewalMinutes,
      removalUm: removal.clearUm,
      scores,
      penalty,
    };
  };
}

/** A life that just reaches the time it is kept needs no renewal on its last day. */
const ROUNDING = 1e-6;

/** Units of a product that a m² of one coat takes, as ordered: 90 % quantity and its share of applicators. */
export function unitsPerM2(substrate: SubstrateId, product: Product): number {
  const coverage = product.substrates[substrate]?.coverage ?? substrateFactors(substrate).coverage;
  const laid = product.coveragePerM2 * coverage * product.usageFactor;
  const applicators = product.applicatorM2 === null ? 0 : product.prime / product.applicatorM2;
  return laid * Math.exp(ORDER_SIGMAS * product.usageSigma) + applicators;
}

/** Money a unit at the pack that is cheapest by the unit. */
export const cheapestUnit = ({ packs }: Pick<Product, 'packs'>): number =>
  Math.min(...packs.map(({ size, price }) => price / size));

function scoresOf(
  { layers }: ValidStack,
  substrate: ChoiceSurface['substrate'],
  removalMinPerM2: number,
): Record<Concern, number> {
  const top = layers.at(-1)?.product;
  if (!top) return { look: 0.3, washing: 0, removal: 1, skill: 1 };
  const deepens = layers.some(({ product }) => product.properties.includes('gloss-enhancer'));
  const look = LOOK[top.family] ?? USUAL_LOOK;
  const windows = layers.map(({ product: { milestones } }) => {
    const minutes = (name: string) => milestones.find((milestone) => milestone.name === name)?.min;
    const by = minutes('levelBy');
    return by === undefined ? FORGIVING_MIN : by - (minutes('levelFrom') ?? 0);
  });
  return {
    // Satin is liked as it is; on gloss, depth is.
    look: SUBSTRATES[substrate].matte ? (deepens ? 0.3 : 1) : Math.min(1, look + (deepens ? 0.15 : 0)),
    washing: WASHING[top.family] ?? USUAL_WASHING,
    removal: 1 - Math.min(1, removalMinPerM2 / HARDEST_REMOVAL_MIN_PER_M2),
    skill: Math.min(1, Math.min(...windows) / FORGIVING_MIN),
  };
}
