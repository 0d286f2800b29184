import { type Exposure, stackLife } from '#core/layers/life';
import type { ChoiceSurface, StackLayer } from '#core/choose/stacks';
import type { SubstrateId } from '#core/item/substrates';
import { MINUTES_PER_HOUR } from '#core/measures';
import type { FoundId } from '#core/products/families';
import { answerOf, judgeStack } from '#core/layers/rules';
import type { Product } from '#core/products/sheets';
import type { Level } from '#core/prepare/stages';

/** A stack for some kinds of surface. */
export interface OfferLine {
  readonly on: readonly SubstrateId[];
  readonly layers: readonly StackLayer[];
}

/** A named offer of the shop: stacks by kind of surface, how far it is corrected, and what is promised. */
export interface Offer {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly level: Level;
  readonly lines: readonly OfferLine[];
  readonly promised: readonly string[];
  readonly notPromised: readonly string[];
  /** On the material: what is spilt, dries in the bottle, or is thrown away. */
  readonly wastePct: number;
  /** On material and work. */
  readonly marginPct: number;
  /** On all of it; 0 where the shop says its prices without. */
  readonly taxPct: number;
  /** Its total is a multiple of this, minor units; 0: to the last of them. Absent: as is usual. */
  readonly roundToMoney?: number | undefined;
  /** Days it is good for once it is printed; absent: as is usual. */
  readonly validDays?: number | undefined;
}

/** Whole units of most currencies. Engineering default. */
export const USUAL_ROUND_TO_MONEY = 100;
/** Engineering default of the trade: prices of material move. */
export const USUAL_VALID_DAYS = 30;

/** What an offer comes to on one surface. */
export interface Applied {
  readonly id: string;
  readonly layers: readonly StackLayer[];
  /** What the rules left of the offer's stack, and why: said to the installer. */
  readonly adapted?: string;
}

type Ground = Pick<ChoiceSurface, 'id' | 'substrate' | 'existingTold' | 'refinishedAgoMin' | 'aircraft' | 'worn'> & {
  readonly existing: readonly FoundId[];
};

/**
 * An offer on the surfaces of an item: each gets the stack of its kind, without the layers that the rules refuse
 * there; what no line names stays bare.
 */
export function applyOffer(
  { lines }: Pick<Offer, 'lines'>,
  surfaces: readonly Ground[],
  shelf: readonly Product[],
): Applied[] {
  const byId = new Map(shelf.map((product) => [product.id, product]));
  return surfaces.map((surface): Applied => {
    const line = lines.find(({ on }) => on.includes(surface.substrate));
    let layers: readonly StackLayer[] = line?.layers ?? [];
    let adapted: string | undefined;
    for (;;) {
      const refused = firstRefused(layers, surface, byId);
      if (!refused) return { id: surface.id, layers, ...(adapted !== undefined && { adapted }) };
      adapted ??= refused.why;
      layers = layers.filter((_, index) => index !== refused.at);
    }
  });
}

/** The first layer of a stack that may not be laid, bottom up, and why. */
function firstRefused(layers: readonly StackLayer[], surface: Ground, byId: ReadonlyMap<string, Product>) {
  const missing = layers.findIndex(({ product }) => !byId.has(product));
  if (missing !== -1) return { at: missing, why: `"${layers[missing]!.product}" is no longer on the shelf` };
  const coats = layers.flatMap(({ product, coats: count }, at) =>
    Array.from({ length: count }, () => ({ product: byId.get(product)!, at })),
  );
  const judged = judgeStack({ ...surface, layers: coats.map(({ product }) => product) }, []);
  const index = judged.findIndex(({ rulings }) => answerOf(rulings) === 'no');
  return index === -1
    ? undefined
    : { at: coats[index]!.at, why: judged[index]!.rulings.find(({ answer }) => answer === 'no')!.reason };
}

/** What an offer costs on an item. Money in minor units. */
export interface OfferPrice {
  readonly materialMoney: number;
  readonly wasteMoney: number;
  readonly hours: number;
  readonly workMoney: number;
  readonly marginMoney: number;
  /** What rounding the total adds to the net price, or takes from it. */
  readonly roundingMoney: number;
  readonly taxMoney: number;
  readonly totalMoney: number;
  /** Months the stack on most of its area may be planned for: from, to. */
  readonly lifeMonths: readonly [from: number, to: number];
}

const share = (pct: number) => pct / 100;

/** What an offer is priced from. Money in minor units. */
export interface OfferCosts {
  /** Packs that have to be bought for it. */
  readonly materialMoney: number;
  /** Person-minutes of preparing and laying it, set-up and packing up included. */
  readonly workMin: number;
  /** Minor units an hour. */
  readonly hourRate: number;
  readonly lifeMonths: readonly [from: number, to: number];
}

/** Material as it is bought, waste on it, hours of preparation and laying, margin on both, tax on all, and the total rounded. */
export function priceOffer(
  {
    wastePct,
    marginPct,
    taxPct,
    roundToMoney = USUAL_ROUND_TO_MONEY,
  }: Pick<Offer, 'wastePct' | 'marginPct' | 'taxPct' | 'roundToMoney'>,
  { materialMoney, workMin, hourRate, lifeMonths }: OfferCosts,
): OfferPrice {
  const wasteMoney = materialMoney * share(wastePct);
  const hours = workMin / MINUTES_PER_HOUR;
  const workMoney = hours * hourRate;
  const marginMoney = (materialMoney + wasteMoney + workMoney) * share(marginPct);
  const netMoney = materialMoney + wasteMoney + workMoney + marginMoney;
  const withTax = 1 + share(taxPct);
  const step = Math.max(1, roundToMoney);
  const totalMoney = step * Math.round((netMoney * withTax) / step);
  // The tax is that of the price asked: what rounding changes is net as well.
  const roundedNet = totalMoney / withTax;
  return {
    materialMoney,
    wasteMoney,
    hours,
    workMoney,
    marginMoney,
    roundingMoney: roundedNet - netMoney,
    taxMoney: totalMoney - roundedNet,
    totalMoney,
    lifeMonths,
  };
}

/** The range that may be promised: of the stack that lies on most of the area, from a bad tenth to a good one. */
export function promisedMonths(
  surfaces: readonly ChoiceSurface[],
  shelf: readonly Product[],
  exposure: Exposure,
): readonly [number, number] {
  const byId = new Map(shelf.map((product) => [product.id, product]));
  const areas = new Map<string, { readonly layers: readonly StackLayer[]; areaM2: number }>();
  for (const { fixed = [], areaM2 } of surfaces) {
    if (fixed.length === 0) continue;
    const key = JSON.stringify(fixed);
    const known = areas.get(key) ?? { layers: fixed, areaM2: 0 };
    known.areaM2 += areaM2;
    areas.set(key, known);
  }
  const [most] = [...areas.values()].sort((a, b) => b.areaM2 - a.areaM2);
  const { lowMonths, highMonths } = stackLife(
    (most?.layers ?? []).flatMap(({ product, coats }) => {
      const known = byId.get(product);
      return known ? [{ ...known, coats }] : [];
    }),
    exposure,
  );
  return [lowMonths, highMonths];
}

/** The stacks of a job as the lines of an offer: for each kind of surface the one that lies on most of its area. */
export function linesOf(
  surfaces: readonly {
    readonly substrate: SubstrateId;
    readonly areaM2: number;
    readonly layers: readonly StackLayer[];
  }[],
): OfferLine[] {
  const most = new Map<SubstrateId, { readonly layers: readonly StackLayer[]; readonly areaM2: number }>();
  const areas = new Map<string, number>();
  for (const { substrate, areaM2, layers } of surfaces) {
    if (layers.length === 0) continue;
    const plain = layers.map(({ product, coats }) => ({ product, coats }));
    const key = `${substrate} ${JSON.stringify(plain)}`;
    const area = (areas.get(key) ?? 0) + areaM2;
    areas.set(key, area);
    if (area > (most.get(substrate)?.areaM2 ?? 0)) most.set(substrate, { layers: plain, areaM2: area });
  }
  const lines = new Map<string, { on: SubstrateId[]; layers: readonly StackLayer[] }>();
  for (const [substrate, { layers }] of most) {
    const key = JSON.stringify(layers);
    const line = lines.get(key);
    if (line) line.on.push(substrate);
    else lines.set(key, { on: [substrate], layers });
  }
  return [...lines.values()];
}
