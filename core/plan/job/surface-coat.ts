import type { SubstrateId } from '#core/item/substrates';
import { answerOf, intervalRulingsOn, judgeStack, type Ruling, seenSubstrate, withOverruled } from '#core/layers/rules';
import { layFactorOf, type MethodId } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { type LevelWindow, stepAt, type WindowVerdict } from '#core/time/clocks';
import { slowness } from '#core/plan/sections';
import { inOnePiece, surfaceAreaM2 } from './amount';
import { type CoatCase, type CoatMilestones, levelling } from './coat';
import { type CoatName, type Move, type PlanInput, type InputSurface } from './input';
import type { Refusal } from './refusal';
import { refusalCode } from './say';

/** When a coat may be levelled, minutes after its laying starts; no window where it stays closed. */
export interface CoatOpening {
  readonly verdict: WindowVerdict;
  readonly window?: LevelWindow | undefined;
}

/** One coat of a surface, alike for all its copies. */
export interface SurfaceCoat {
  /** The surface as this coat meets it: a film below is what it lies on. */
  readonly surface: InputSurface;
  readonly at: number;
  readonly layer: number;
  readonly coat: number;
  /** Counted out over the layers, from 0. */
  readonly round: number;
  readonly product: Product;
  readonly method: MethodId;
  readonly rulings: readonly Ruling[];
  /** Refused by kind: it is not laid, and what comes over it is judged as if it were there. */
  readonly refused: boolean;
  readonly coatCase: CoatCase;
  /** Area of one copy, and whether it goes in one piece. */
  readonly oneM2: number;
  readonly onePiece: boolean;
  /** No section of it is larger, m²; null: whatever the window lets. */
  readonly mostSectionM2: number | null;
  /** Factors on a person's own pace. */
  readonly layFactor: number;
  readonly levelFactor: number;
  /** Alike for coats with the same window at any moment and the same pace. */
  readonly alike: string;
  /** Its window for a laying that starts at a moment. */
  readonly openingAt: (startMin: number) => CoatOpening;
  /** Moved by hand: when and by whom it is laid. */
  readonly moved?: Move | undefined;
}

/** A coat as a finished sheet tells of it: facts alone, which can be handed from thread to thread. */
export type ToldCoat = Omit<SurfaceCoat, 'openingAt'>;

export const told = ({ openingAt: _, ...facts }: SurfaceCoat): ToldCoat => facts;

/** A coat by where it is in its job. */
export const coatName = ({ surface, layer, coat }: Pick<SurfaceCoat, 'surface' | 'layer' | 'coat'>): CoatName => ({
  surface: surface.id,
  layer,
  coat,
});

/**
 * The coats of every surface of a job in their order, counted out over the layers, judged by kind.
 * @param slownessOf how many times as long a surface takes as a flat of its size: by the piece, and by its curves
 * @throws RangeError for a layer whose product is not among the job's products
 */
export function coatsOf(job: PlanInput, slownessOf: typeof slowness = slowness): SurfaceCoat[][] {
  const products = new Map(job.products.map((product) => [product.id, product]));
  const known = new Map<string, SurfaceCoat['openingAt']>();
  return job.surfaces.map((surface, at) => {
    const oneM2 = surfaceAreaM2(surface);
    const coats = coatsInOrder(surface, products);
    const stack = coats.map(({ product }) => product);
    const judged = judgeStack({ ...surface, layers: stack, refinishedAgoMin: undefined }, []);
    return coats.map(({ product, method, layer, coat }, index): SurfaceCoat => {
      const seen = asSeen(surface, stack.slice(0, index));
      const { substrate } = seen;
      const slow = slownessOf(surface, oneM2, product);
      const rulings = withOverruled(judged[index]!.rulings, surface.layers[layer]!.overruled);
      const { ambient, matteSchool, crew } = job;
      const coatCase: CoatCase = { product, substrate, surfaceC: surface.surfaceC, ambient, matteSchool };
      const alike = [product.id, method, substrate, surface.surfaceC, slow].join(' ');
      const openingAt = known.get(alike) ?? openings(coatCase, crew.guardSigma);
      known.set(alike, openingAt);
      return {
        surface: seen,
        at,
        layer,
        coat,
        round: index,
        product,
        method,
        rulings,
        refused: answerOf(rulings) === 'no',
        coatCase,
        oneM2,
        onePiece: inOnePiece(seen),
        mostSectionM2: crew.mostSectionM2 ?? null,
        layFactor: layFactorOf(product, method) / slow,
        levelFactor: product.levelPace / slow,
        alike,
        openingAt,
      };
    });
  });
}

/**
 * The coats of a surface in their order, counted out over its layers.
 * @throws RangeError for a layer whose product is not known
 */
export function coatsInOrder(surface: InputSurface, products: ReadonlyMap<string, Product>) {
  return surface.layers.flatMap(({ product: id, coats, method }, layer) => {
    const product = products.get(id);
    if (!product) throw new RangeError(`surface ${surface.id}: no product ${id}`);
    return Array.from({ length: coats }, (_, index) => ({ product, layer, method, coat: index + 1 }));
  });
}

/** What the layers below leave a layer of a surface to lie on. */
export function substrateUnder(
  { substrate, existing, layers }: Pick<InputSurface, 'substrate' | 'existing' | 'layers'>,
  layer: number,
  products: ReadonlyMap<string, Product>,
): SubstrateId {
  const below = layers.slice(0, layer).flatMap(({ product }) => products.get(product) ?? []);
  return seenSubstrate(substrate, existing, below);
}

/** A surface as a coat over `laid` meets it: a film below is what it lies on. */
export function asSeen(surface: InputSurface, laid: readonly Product[]): InputSurface {
  const substrate = seenSubstrate(surface.substrate, surface.existing, laid);
  return substrate === surface.substrate ? surface : { ...surface, substrate };
}

/** What the rules say of a coat that starts over the one below at a moment, and what was set aside of it by hand. */
export const overBelow = ({ surface, product, layer }: SurfaceCoat, below: CoatBelow, startMin: number): Ruling[] =>
  withOverruled(intervalRulings(surface, product, below, startMin), surface.layers[layer]!.overruled);

/** The coat last laid below another, as far as its interval is concerned. */
interface CoatBelow {
  readonly coat: Pick<SurfaceCoat, 'product'>;
  readonly milestones: CoatMilestones;
  readonly endMin: number;
}

function intervalRulings(
  { substrate }: Pick<InputSurface, 'substrate'>,
  product: Product,
  { coat, milestones: { recoatFrom: recoatFromMin, recoatBy: recoatByMin }, endMin: belowEndMin }: CoatBelow,
  startMin: number,
): Ruling[] {
  return intervalRulingsOn({
    product,
    substrate,
    below: { kind: 'product', product: coat.product },
    interval: { startMin, belowEndMin, recoatFromMin, recoatByMin },
  });
}

/** How a coat starts: with what the rules say of its interval, or not at all. */
export interface CoatStart {
  readonly byTime: readonly Ruling[];
  readonly refusal?: Refusal;
}

/**
 * Judges a coat at the moment it could start: by its kind, over the coat last laid below, by its window. The plan and
 * the run sheet ask this and nothing else.
 * @param fromMin when what it waits for is done
 * @param startMin when somebody is there to lay it
 */
export function coatStart(
  coat: SurfaceCoat,
  below: CoatBelow | undefined,
  fromMin: number,
  startMin: number,
): CoatStart {
  if (coat.refused) return { byTime: [], refusal: { ...refusalByKind(coat.rulings), atMin: fromMin } };
  const byTime = below ? overBelow(coat, below, startMin) : [];
  if (below?.milestones.recoatFrom === null && answerOf(byTime) === 'no')
    return { byTime, refusal: { code: 'recoat-window', rulings: byTime, atMin: fromMin } };
  if (coat.openingAt(startMin).verdict === 'closed')
    return { byTime, refusal: { code: 'window-closed', rulings: [], atMin: startMin } };
  return { byTime };
}

/** Why a coat is refused by kind, in the plan's words. */
function refusalByKind(rulings: readonly Ruling[]): Omit<Refusal, 'atMin'> {
  const bonds = rulings.filter(({ answer }) => answer === 'no').every(({ rule }) => refusalCode(rule) === 'bond');
  return { code: bonds ? 'bond' : 'not-allowed', rulings };
}

/**
 * Windows of a coat by the moment its laying starts. While the air does not change before it closes there is only one
 * for each step of the air.
 */
function openings(coatCase: CoatCase, guardSigma: number): SurfaceCoat['openingAt'] {
  const { ambient } = coatCase;
  const opening = (coat: CoatCase, startMin: number) => {
    const { verdict, guarded, levelFromMin, levelByMin } = levelling(coat, startMin, guardSigma);
    const settledMin = levelFromMin === null ? Infinity : Math.max(levelFromMin, levelByMin ?? levelFromMin);
    return { settledMin, verdict, ...(verdict !== 'closed' && { window: guarded }) };
  };
  const ofStep = new Map<number, ReturnType<typeof opening>>();
  return (startMin) => {
    const at = stepAt(ambient, startMin);
    const step = ofStep.get(at) ?? opening({ ...coatCase, ambient: [ambient[at]!] }, startMin);
    ofStep.set(at, step);
    const until = ambient[at + 1]?.atMin ?? Infinity;
    const never = step.settledMin === Infinity || step.window?.byMin === null;
    return until === Infinity || (!never && startMin + step.settledMin <= until) ? step : opening(coatCase, startMin);
  };
}
