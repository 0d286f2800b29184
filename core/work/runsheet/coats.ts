import { answerOf, judgeStack, type Ruling, withOverruled } from '#core/products/layering';
import { layFactorOf, type MethodId } from '#core/products/methods';
import type { Product } from '#core/products/sheets';
import { slowness } from '#core/work/sections';
import {
  asSeen,
  type CoatCase,
  coatsInOrder,
  inOnePiece,
  levelling,
  type Move,
  type PlannedJob,
  type PlannedSurface,
  surfaceAreaM2,
} from '#core/work/plan';
import { type LevelWindow, stepAt, type WindowVerdict } from '#core/time/clocks';

/** When a coat may be levelled, minutes after its laying starts; no window where it stays closed. */
export interface CoatOpening {
  readonly verdict: WindowVerdict;
  readonly window?: LevelWindow | undefined;
}

/** One coat of a surface, alike for all its copies. */
export interface SurfaceCoat {
  /** The surface as this coat meets it: a film below is what it lies on. */
  readonly surface: PlannedSurface;
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

/**
 * The coats of every surface of a job in their order, counted out over the layers, judged by kind.
 * @throws RangeError for a layer whose product is not among the job's products
 */
export function coatsOf(job: PlannedJob): SurfaceCoat[][] {
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
      const slow = slowness(surface, oneM2, product);
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
