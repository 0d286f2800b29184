import type { Product } from '#core/products/sheets';
import { type Hours, hoursOf, peopleOf } from '#core/plan/crew';
import {
  bestStretch,
  followingAir,
  type GoAnswer,
  type GoCase,
  goStrip,
  type GoStretch,
  type GoVerdict,
  SLOT_MIN,
  sunGainK,
  warmUpTauMin,
  type WayToGo,
  waysToGo,
  worst,
} from '#core/lay/go';
import type { CoatPlan, Plan, PlanInput, InputSurface } from '#core/plan/job';

/** Panels that get the same product on the same kind of surface at the same temperature: one answer for all. */
export interface GoGroup {
  readonly product: Product;
  readonly surfaces: readonly string[];
  readonly asked: GoCase;
  readonly strip: readonly GoAnswer[];
}

/** Go or wait for all that is still to be laid of a job, slot by slot. */
export interface GoView {
  readonly fromMin: number;
  readonly slots: number;
  /** In the order of laying. */
  readonly rows: readonly { readonly product: Product; readonly verdicts: readonly GoVerdict[] }[];
  readonly groups: readonly GoGroup[];
  /** The next coat of a panel: its group. */
  readonly nextOf: ReadonlyMap<string, GoGroup>;
  /** When somebody is there. */
  readonly hours: Hours;
  /** The first stretch long enough to lay what comes next; undefined where there is none. */
  readonly best: GoStretch | undefined;
}

/** An item that came in colder, or hotter, than the bay. */
export interface Arrival {
  readonly atMin: number;
  readonly surfaceC: number;
}

/** Where it is laid, beside the air: whether the sun can reach it, and when somebody makes dust in the same room. */
export interface LaidAt {
  readonly shade: boolean;
  /** Minutes from local midnight to the start of the job. */
  readonly startMinuteOfDay: number;
  readonly dust: Hours;
}

/** Nobody looks for a longer stretch at once, minutes. */
const LONGEST_STRETCH_MIN = 4 * 60;

/**
 * Go or wait, from a moment on. A panel that was measured follows the air from its reading; else from when the item came
 * in; else it has taken on the air.
 * @param arrival when the item came in, and how warm it was
 * @param laidAt absent: in the shade, with nobody making dust
 * @param isDone whether a coat is laid and levelled already
 */
export function goView(
  planned: PlanInput,
  plan: Plan,
  fromMin: number,
  forMin: number,
  arrival?: Arrival,
  laidAt?: LaidAt,
  isDone: (surface: string, coat: CoatPlan) => boolean = () => false,
): GoView {
  const products = new Map(planned.products.map((product) => [product.id, product]));
  const surfaces = new Map(planned.surfaces.map((surface) => [surface.id, surface]));
  const groups = new Map<string, { product: Product; surfaces: string[]; asked: GoCase; startMin: number }>();
  const nextKey = new Map<string, string>();
  for (const { id, coats } of plan.surfaces) {
    const surface = surfaces.get(id)!;
    for (const coat of coats) {
      if (!coat.laid || isDone(id, coat)) continue;
      const product = products.get(coat.product)!;
      const key = [
        product.id,
        coat.substrate,
        surface.substrate,
        surface.surfaceC,
        laidAt?.shade === false && surface.tone,
      ].join(' ');
      const group = groups.get(key) ?? {
        product,
        surfaces: [],
        asked: goCase(planned, surface, product, coat, fromMin, arrival, laidAt),
        startMin: coat.laid.startMin,
      };
      group.startMin = Math.min(group.startMin, coat.laid.startMin);
      if (!group.surfaces.includes(id)) group.surfaces.push(id);
      groups.set(key, group);
      if (!nextKey.has(id)) nextKey.set(id, key);
    }
  }
  const inOrder = [...groups].sort(([, a], [, b]) => a.startMin - b.startMin);
  const known = new Map(
    inOrder.map(([key, { product, surfaces: own, asked }]): [string, GoGroup] => [
      key,
      { product, surfaces: own, asked, strip: goStrip(asked, fromMin, forMin) },
    ]),
  );
  const all = [...known.values()];
  const slots = Math.ceil(forMin / SLOT_MIN);
  const hours = peopleOf(planned.crew).flatMap(hoursOf);
  const nextOf = new Map([...nextKey].map(([surface, key]) => [surface, known.get(key)!]));
  const first = all[0]?.product;
  return {
    fromMin,
    slots,
    rows: [...new Set(all.map(({ product }) => product))].map((product) => {
      const own = all.filter((group) => group.product === product);
      return {
        product,
        verdicts: Array.from({ length: slots }, (_, slot) => worst(own.map(({ strip }) => strip[slot]!.verdict))),
      };
    }),
    groups: all,
    nextOf,
    hours,
    best:
      first &&
      bestStretch(
        all.filter(({ product }) => product === first).map(({ strip }) => strip),
        Math.min(LONGEST_STRETCH_MIN, layingMin(plan, first.id)),
        (tMin) => hours.some(([from, to]) => from <= tMin && tMin < to),
      ),
  };
}

function goCase(
  { ambient, matteSchool, crew }: PlanInput,
  surface: InputSurface,
  product: Product,
  { substrate }: CoatPlan,
  fromMin: number,
  arrival: Arrival | undefined,
  laidAt: LaidAt | undefined,
): GoCase {
  const from = surface.surfaceC === undefined ? arrival : { atMin: fromMin, surfaceC: surface.surfaceC };
  return {
    product,
    substrate,
    ambient,
    surface: followingAir(ambient, warmUpTauMin(surface.substrate), from),
    matteSchool,
    guardSigma: crew.guardSigma,
    ...(laidAt && {
      around: (tMin) => ({
        sunK: laidAt.shade ? 0 : sunGainK(surface.tone, laidAt.startMinuteOfDay + tMin),
        dusty: laidAt.dust.some(([from, to]) => from <= tMin && tMin < to),
      }),
    }),
  };
}

/** From the first patch of a product to its last, minutes; at least a slot. */
function layingMin({ surfaces }: Plan, product: string): number {
  const laid = surfaces.flatMap(({ coats }) =>
    coats.flatMap((coat) => (coat.laid && coat.product === product ? [coat.laid] : [])),
  );
  const from = Math.min(...laid.map(({ startMin }) => startMin));
  return Math.max(SLOT_MIN, Math.max(...laid.map(({ endMin }) => endMin)) - from);
}

/** What would open a group of panels at a slot. */
export const waysFor = ({ asked, strip }: GoGroup, slot: number): WayToGo[] => waysToGo(asked, strip[slot]!);
