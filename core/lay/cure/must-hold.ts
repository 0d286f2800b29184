import { type Hours, minutesWithin } from '#core/plan/crew';
import { NINE_IN_TEN_SIGMAS } from '#core/measures';
import type { Plan, PlanInput } from '#core/plan/job';
import { curingCoats, curedIn } from './laid-coats';

/** Something that has to stay so until a job is handed over, and whether it may be trusted to. Minutes of the job. */
export type MustHold =
  | {
      /** Nothing wets it until then. */
      readonly kind: 'dry';
      readonly holds: boolean;
      readonly untilMin: number;
      /** From when on it stands outside. */
      readonly outFromMin: number;
      /** When rain is expected on it; undefined: none. */
      readonly rainMin: number | undefined;
    }
  | {
      /** The air is no colder than it is expected by more than this. */
      readonly kind: 'air';
      readonly holds: boolean;
      /** May be colder by so much, K; null: it is too late however warm it is. */
      readonly spareK: number | null;
      /** So much warmer it would be in time, K; undefined where it is, null where no bay is that warm. */
      readonly warmerK: number | null | undefined;
    }
  | {
      /** The next coat is begun before this one closes. */
      readonly kind: 'recoat';
      readonly holds: boolean;
      readonly product: string;
      readonly surface: string;
      readonly byMin: number;
      readonly startsMin: number;
    };

export interface MustHoldCase {
  readonly planned: PlanInput;
  readonly plan: Plan;
  /** When it goes out of the bay; undefined: never, it stays inside. */
  readonly outFromMin: number | undefined;
  /** When rain is expected outside. */
  readonly rain: Hours;
  /** How far the air of the bay may be off its forecast, one sigma, K. */
  readonly airK: number;
  /** From here on. */
  readonly nowMin: number;
}

/** No bay is heated further than this above what it is, and none is looked at that is colder by more, K. */
const MOST_K = 15;
const STEP_K = 0.1;
/** A coat that is begun later than this before it closes is told, minutes. */
const SHORT_OF_CLOSING_MIN = 60;

/** What must hold for a job to be ready as it is planned, what is in danger first. */
export function mustHold(asked: MustHoldCase): MustHold[] {
  const { planned, plan, outFromMin, rain, nowMin } = asked;
  const coats = curingCoats(planned, plan);
  if (coats.length === 0) return [];
  const { waterSafeMin } = curedIn(planned, coats, 0);
  const holds: MustHold[] = [];
  if (waterSafeMin !== null && waterSafeMin > nowMin) {
    const outFrom = outFromMin ?? Infinity;
    const wet = rain.find(([from, to]) => minutesWithin([[from, to]], Math.max(outFrom, nowMin), waterSafeMin) > 0);
    holds.push({
      kind: 'dry',
      holds: wet === undefined,
      untilMin: waterSafeMin,
      outFromMin: outFrom,
      rainMin: wet && Math.max(wet[0], outFrom, nowMin),
    });
  }
  const wanted = planned.needsByMin;
  if (wanted !== undefined) {
    const inTime = (byK: number) => {
      const { readyMin } = curedIn(planned, coats, byK);
      return readyMin !== null && readyMin <= wanted;
    };
    const spareK = inTime(0) ? largest((byK) => inTime(-byK)) : null;
    const warmerK =
      spareK !== null ? undefined : inTime(MOST_K) ? MOST_K - largest((byK) => inTime(MOST_K - byK)) : null;
    holds.push({ kind: 'air', holds: spareK !== null && spareK >= NINE_IN_TEN_SIGMAS * asked.airK, spareK, warmerK });
  }
  holds.push(...recoats(plan, nowMin));
  return holds.toSorted((a, b) => Number(a.holds) - Number(b.holds));
}

/** The largest of some kelvin for which something is so, that is so at none: found by halving. */
function largest(isSo: (byK: number) => boolean): number {
  if (isSo(MOST_K)) return MOST_K;
  let [low, high] = [0, MOST_K];
  while (high - low > STEP_K) {
    const middle = (low + high) / 2;
    if (isSo(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Coats that close before, or little after, the next one is begun: the nearest of each product. */
function recoats({ surfaces }: Plan, nowMin: number): MustHold[] {
  const nearest = new Map<string, Extract<MustHold, { kind: 'recoat' }>>();
  for (const { id: surface, coats } of surfaces) {
    for (const [index, { product, laid }] of coats.entries()) {
      const byMin = laid?.milestones.recoatBy;
      const next = coats[index + 1]?.laid;
      if (typeof byMin !== 'number' || !next || next.startMin < nowMin) continue;
      const spareMin = byMin - next.startMin;
      const known = nearest.get(product);
      if (spareMin > SHORT_OF_CLOSING_MIN || (known && known.byMin - known.startsMin <= spareMin)) continue;
      nearest.set(product, { kind: 'recoat', holds: spareMin >= 0, product, surface, byMin, startsMin: next.startMin });
    }
  }
  return [...nearest.values()];
}
