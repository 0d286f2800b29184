import { type AmbientSeries, airAt } from '#core/time/air';
import { type Clock, clockRate, latestMoment, type MilestoneName, stepAt } from '#core/time/clocks';
import { hoursOf, type Hours, type Person } from '#core/plan/crew';
import { coatMilestones, handoverOf, levelling, type PlanInput, waterSafeOf } from '#core/plan/job';
import type { LaidOut } from '#core/lay/run-sheet';

/** What is known of the air, and of people. Log-sigmas but for the air's, which is in kelvin. Engineering defaults. */
export interface Uncertainty {
  /** How far the whole day's air is off what is expected. */
  readonly airK: number;
  /** Of the spread of a flash what is the patch's own; the rest is the same for a product all day. */
  readonly flash: number;
  /** A person's pace on the day, and of one action beside it. */
  readonly pace: number;
  readonly action: number;
  /** Curing against the maker's minutes. */
  readonly cure: number;
  /** Preparation against what was estimated. */
  readonly preparation: number;
}
export const USUAL_UNCERTAINTY: Uncertainty = {
  airK: 1.5,
  flash: 0.12,
  pace: 0.1,
  action: 0.12,
  cure: 0.12,
  preparation: 0.2,
};

/** A patch as it is rehearsed: ages at which it opens and closes in the middle of the estimate, minutes. */
export interface RehearsedPatch {
  /** Which it is. */
  readonly of: {
    readonly surface: string;
    readonly layer: number;
    readonly coat: number;
    readonly copy: number;
    readonly section: number;
  };
  readonly product: number;
  readonly fromMin: number;
  readonly byMin: number;
  /** When it was laid, where it is wet already as the sheet begins. */
  readonly laid?: { readonly fromMin: number; readonly toMin: number };
  /** What it lies on was laid before the sheet begins: it is not laid before it is planned to be. */
  readonly notBeforeMin?: number;
  /** Its coat of its copy, and the one that must have been levelled for so long. */
  readonly coat: number;
  readonly below?: { readonly coat: number; readonly product: number; readonly lagMin: number };
}

export interface RehearsedAction {
  readonly who: number;
  readonly does: 'lay' | 'level';
  readonly patch: number;
  readonly lastsMin: number;
  readonly startMin: number;
  /** The sheet has them hold back so long before it, so that all that is wet can be levelled in time. */
  readonly holdMin: number;
}

/** A product as its clocks answer to the day: by how much a rate changes for one kelvin, and what must be over at the end. */
export interface RehearsedProduct {
  /** Spread of the next patch's flash, log-sigma. */
  readonly flashSigma: number;
  readonly flashPerK: number;
  readonly curePerK: number;
  /** What it has to reach before it is handed over, and before it may get wet: clock and minutes on the sheet. */
  readonly ready?: { readonly clock: Clock; readonly min: number } | undefined;
  readonly wet?: { readonly clock: Clock; readonly min: number } | undefined;
}

/** A run sheet with all that may come otherwise, as plain data. */
export interface RehearsalCase {
  readonly patches: readonly RehearsedPatch[];
  /** By the moment they are planned to begin. */
  readonly actions: readonly RehearsedAction[];
  readonly products: readonly RehearsedProduct[];
  readonly coats: number;
  readonly hours: readonly Hours[];
  readonly ambient: AmbientSeries;
  /** Preparation still to come before the first of it, minutes. */
  readonly preparationMin: number;
  /** The workshop's own margin before it is handed over; absent: the makers' minimum. */
  readonly handover?: PlanInput['handover'];
  /** When all that was laid before the sheet may get wet, and be handed over; null: never. */
  readonly before: { readonly wetMin: number | null; readonly readyMin: number | null };
}

/** Who holds back holds back no longer; a longer wait is a break, or for a coat below, minutes. */
const LONGEST_HOLD_MIN = 30;
/** Step over which the answer of a clock to the air is taken, K. */
const STEP_K = 2;

const perK = (clock: Clock | undefined, series: AmbientSeries, atMin: number): number => {
  if (!clock) return 0;
  const air = airAt(series, atMin);
  const [low, high] = [
    clockRate(clock, air, air.airC),
    clockRate(clock, { ...air, airC: air.airC + STEP_K }, air.airC + STEP_K),
  ];
  return low > 0 && high > 0 ? Math.log(high / low) / STEP_K : 0;
};

/**
 * What a run sheet is rehearsed from, in the air it was laid out in.
 * @param preparationMin preparation still to come before laying begins, as estimated
 * @param handover the workshop's own margin
 */
export function rehearsalCase(
  { actions, people, plan }: Pick<LaidOut, 'actions' | 'people' | 'plan'>,
  ambient: AmbientSeries,
  preparationMin: number,
  handover?: PlanInput['handover'],
): RehearsalCase {
  const products = new Map<string, number>();
  const known: RehearsedProduct[] = [];
  const coats = new Map<
    string,
    {
      readonly coat: number;
      readonly endMin: number;
      readonly startMin: number;
      readonly asked: LaidOut['actions'][number];
    }
  >();
  const coatKey = (action: LaidOut['actions'][number], round = action.coat.round) =>
    [action.coat.surface.id, action.copy, round].join('/');
  for (const action of actions) {
    const key = coatKey(action);
    const before = coats.get(key);
    coats.set(key, {
      coat: before?.coat ?? coats.size,
      startMin: Math.min(before?.startMin ?? Infinity, action.startMin),
      endMin: Math.max(before?.endMin ?? -Infinity, action.endMin),
      asked: action,
    });
    const { product } = action.coat;
    if (products.has(product.id)) continue;
    products.set(product.id, known.length);
    const milestone = (name: MilestoneName) => {
      const on = product.milestones.find((each) => each.name === name);
      const clock = on && product.clocks[on.clock];
      return on && clock ? { clock, min: on.min } : undefined;
    };
    known.push({
      flashSigma: product.flashSigma,
      flashPerK: perK(product.clocks.flash, ambient, action.startMin),
      curePerK: perK(product.clocks.set, ambient, action.startMin),
      ready: milestone('handover') ?? milestone('waterSafe'),
      wet: milestone('waterSafe'),
    });
  }
  const windows = new Map<string, { readonly fromMin: number; readonly byMin: number }>();
  const patches: RehearsedPatch[] = [];
  const patchOf = new Map<string, number>();
  const busyUntil = new Map<number, number>();
  const rehearsed = actions.map((action): RehearsedAction => {
    const { who, does, startMin, endMin, coat } = action;
    const key = [coatKey(action), action.section].join('/');
    let patch = patchOf.get(key);
    if (patch === undefined) {
      patchOf.set(key, (patch = patches.length));
      const alike = `${coat.alike} ${stepAt(ambient, startMin)}`;
      let window = windows.get(alike);
      if (!window) {
        const { levelFromMin, levelByMin } = levelling(coat.coatCase, startMin, 0);
        windows.set(alike, (window = { fromMin: levelFromMin ?? 0, byMin: levelByMin ?? Infinity }));
      }
      const below = coats.get(coatKey(action, coat.round - 1));
      const recoat = below && coatMilestones(below.asked.coat.coatCase, below.startMin, below.endMin).recoatFrom;
      const { copy, section } = action;
      const ages = does === 'level' ? action.ages : undefined;
      patches.push({
        ...(ages && { laid: { fromMin: startMin - ages[0], toMin: endMin - ages[1] } }),
        ...(!below && coat.round > 0 && { notBeforeMin: startMin }),
        of: { surface: coat.surface.id, layer: coat.layer, coat: coat.coat, copy, section },
        product: products.get(coat.product.id)!,
        ...window,
        coat: coats.get(coatKey(action))!.coat,
        ...(below && {
          below: {
            coat: below.coat,
            product: products.get(below.asked.coat.product.id)!,
            lagMin: recoat === undefined || recoat === null ? 0 : Math.max(0, recoat - below.endMin),
          },
        }),
      });
    }
    const idleMin = startMin - (busyUntil.get(who) ?? startMin);
    busyUntil.set(who, endMin);
    const holdMin = does === 'lay' && idleMin <= LONGEST_HOLD_MIN ? idleMin : 0;
    return { who, does, patch, lastsMin: endMin - startMin, startMin, holdMin };
  });
  return {
    patches,
    actions: rehearsed,
    products: known,
    coats: coats.size,
    hours: people.map((person: Person) => hoursOf(person)),
    ambient,
    preparationMin,
    handover,
    before: before(plan, new Set(actions.map(({ coat }) => [coat.surface.id, coat.layer, coat.coat].join('/')))),
  };
}

/** What is laid and not of the sheet any more. */
function before({ surfaces }: LaidOut['plan'], onSheet: ReadonlySet<string>): RehearsalCase['before'] {
  const laid = surfaces.flatMap(({ id, coats }) =>
    coats.flatMap((coat) => (coat.laid && !onSheet.has([id, coat.layer, coat.coat].join('/')) ? [coat.laid] : [])),
  );
  if (laid.length === 0) return { wetMin: -Infinity, readyMin: -Infinity };
  return { wetMin: latestMoment(laid.map(waterSafeOf)), readyMin: latestMoment(laid.map(handoverOf)) };
}
