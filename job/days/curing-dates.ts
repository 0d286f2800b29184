import { MINUTES_PER_DAY, MS_PER_MIN } from '#core/measures';
import { type DatedCare, firstWashOf, hardOf, latestDated } from '#core/care/upkeep';
import { type AmbientSeries, type AmbientStep, STILL_AIR } from '#core/time/air';
import { curingCoats } from '#core/lay/cure';
import { inOrder, nextFit } from '#core/plan/crew';
import { coatMilestones, type Plan, type PlanInput } from '#core/plan/job';
import type { YardForecast } from '#formats/bay';
import type { Job } from '#formats/job';
import { minutesBetween } from '#formats/values';
import { type DaysView, USUAL_HANDOVER_MIN } from './days-view';

/** The air an item stands in once it has been handed over. Minutes of the job. */
export interface Outdoors {
  readonly fromMin: number;
  /** As it is expected, the earliest first. */
  readonly air: readonly {
    readonly atMin: number;
    readonly airC: number;
    readonly rhPct: number;
    /** How far it may be off, one sigma, K. */
    readonly spreadK: number;
  }[];
}

/** A date with the product that decides it. */
export interface DatedProduct extends DatedCare {
  readonly product: string;
}

/** When a whole item may first be washed, and when all on it is fully hard. Minutes of the job; null: never in this air. */
export interface CuringDates {
  readonly firstWashMin: number | null;
  readonly hardMin: number | null;
  /** Which product decides that, and where its date comes from; absent: nothing is laid. */
  readonly firstWash?: DatedProduct | undefined;
  readonly hard?: DatedProduct | undefined;
}

/**
 * When what is planned on an item may be washed and is hard.
 * @param outdoors where it stands after it has been handed over; absent: it stays in its bay
 * @param sigmas the weather is warmer than expected by so many of its spread
 */
export function curingDates(
  planned: PlanInput,
  plan: Pick<Plan, 'surfaces'>,
  outdoors?: Outdoors,
  sigmas = 0,
): CuringDates {
  const ambient = airOnceOutside(planned.ambient, outdoors, sigmas);
  const { matteSchool } = planned;
  const coats = curingCoats(planned, plan).map(({ product, substrate, startMin, endMin }) => ({
    product,
    endMin,
    milestones: coatMilestones({ product, substrate, ambient, matteSchool }, startMin, endMin),
  }));
  const dated = (of: typeof firstWashOf): DatedProduct | undefined =>
    latestDated(coats.map((coat) => ({ ...of(coat, planned), product: coat.product.name })));
  const [firstWash, hard] = [dated(firstWashOf), dated(hardOf)];
  return { firstWashMin: firstWash?.atMin ?? null, hardMin: hard?.atMin ?? null, firstWash, hard };
}

/** The air of the bay until an item leaves it, the weather from then on; of the bay all through where it stays there. */
export function airOnceOutside(bay: AmbientSeries, outdoors: Outdoors | undefined, sigmas = 0): AmbientSeries {
  if (!outdoors) return bay;
  const { fromMin, air } = outdoors;
  const step = ({ airC, rhPct, spreadK }: Outdoors['air'][number], atMin: number): AmbientStep => ({
    atMin,
    airC: airC + sigmas * spreadK,
    rhPct,
    airSpeed: STILL_AIR,
  });
  const begun = air.findLast(({ atMin }) => atMin <= fromMin) ?? air[0]!;
  const coming = air.filter(({ atMin }) => atMin > fromMin);
  const [first, ...rest] = [
    ...bay.filter(({ atMin }) => atMin < fromMin),
    step(begun, fromMin),
    ...coming.map((each) => step(each, each.atMin)),
  ];
  return [first!, ...rest];
}

/** Nobody leaves an item in the bay for longer than this once it is ready, minutes. */
const FETCHED_WITHIN_MIN = 2 * MINUTES_PER_DAY;

/** When an item leaves its bay: as its days have it; one that has been ready for long left when they had it. */
export function leavesMin(
  { handedOverMin, people }: Pick<DaysView, 'handedOverMin' | 'people'>,
  { handoverMin }: Pick<Plan, 'handoverMin'>,
  nowMin: number,
): number | null {
  if (handoverMin === null || handoverMin >= nowMin - FETCHED_WITHIN_MIN) return handedOverMin;
  const fetched = nextFit(inOrder(people.flat()), handoverMin, USUAL_HANDOVER_MIN) ?? handoverMin;
  return fetched + USUAL_HANDOVER_MIN;
}

/** Beside the hours of the forecast a month's mean stands for so many days at a time, and for so long in all. */
const SEASON_STEP_MIN = 5 * MINUTES_PER_DAY;
const SEASON_DAYS = 240;
/** How far weeks of weather are off the mean of their months, one sigma, K (engineering default). */
const SEASON_SPREAD_K = 1.5;

/**
 * Where an item stands after it has been handed over: the hours of the yard's forecast, before and after them the year as it usually goes.
 * One that is kept indoors by its owner has the mean of the forecast's air instead of its swings. Undefined: it is never
 * handed over.
 * @param fromMin when it leaves its bay
 */
export function outdoorsOf(
  { startAt, owner }: Pick<Job, 'startAt' | 'owner'>,
  fromMin: number | null,
  { hours, monthMeansC }: Pick<YardForecast, 'hours' | 'monthMeansC'>,
): Outdoors | undefined {
  const last = hours.at(-1);
  if (fromMin === null || !last) return undefined;
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [meanC, meanRh] = [mean(hours.map(({ airC }) => airC)), mean(hours.map(({ rhPct }) => rhPct))];
  const [firstMin, lastMin] = [minutesBetween(startAt, hours[0]!.at), minutesBetween(startAt, last.at)];
  const usual = (atMin: number) => ({
    atMin,
    airC: seasonC(monthMeansC, new Date(Date.parse(startAt) + atMin * MS_PER_MIN)),
    rhPct: meanRh,
    spreadK: SEASON_SPREAD_K,
  });
  const usually = (from: number, until: number) =>
    Array.from({ length: Math.max(0, Math.ceil((until - from) / SEASON_STEP_MIN)) }, (_, index) =>
      usual(from + index * SEASON_STEP_MIN),
    );
  return {
    fromMin,
    air: [
      ...usually(fromMin, Math.min(firstMin, fromMin + SEASON_DAYS * MINUTES_PER_DAY)),
      ...hours.map(({ at, airC, rhPct, spreadK }) => ({
        atMin: minutesBetween(startAt, at),
        airC: owner?.parking === 'indoor' ? meanC : airC,
        rhPct,
        spreadK,
      })),
      ...usually(lastMin + 60, lastMin + SEASON_DAYS * MINUTES_PER_DAY),
    ],
  };
}

/** Between the middles of two months their means, by how near each is. */
function seasonC(monthMeansC: readonly number[], at: Date): number {
  const place = at.getMonth() + (at.getDate() - 1) / DAYS_OF_MONTH - 0.5 + 12;
  const [month, share] = [Math.floor(place), place % 1];
  return (1 - share) * monthMeansC[month % 12]! + share * monthMeansC[(month + 1) % 12]!;
}
const DAYS_OF_MONTH = 30.5;
