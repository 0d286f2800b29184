import { type Air, rhAfterTemperatureChange, STILL_AIR, warmedSurfaceC } from '#core/time/air';
import { type GoAnswer, type GoCase, goIn, type GoVerdict, verdictIn } from './go-or-wait';
import { warmUpTauMin } from './surface-track';

/** What would open a coat sooner, each by itself and with its number. */
export type WayToGo = { readonly verdict: Exclude<GoVerdict, 'not'> } & (
  | { readonly kind: 'stand'; readonly min: number }
  | { readonly kind: 'heat'; readonly toC: number; readonly min: number }
  | { readonly kind: 'cool'; readonly toC: number; readonly min: number }
  | { readonly kind: 'dry'; readonly toRhPct: number }
  | { readonly kind: 'damp'; readonly toRhPct: number }
  | { readonly kind: 'close-door' }
  | { readonly kind: 'shade' }
  | { readonly kind: 'no-dust' }
  | { readonly kind: 'close-door-and-heat'; readonly toC: number; readonly min: number }
);

/** How the room answers its heater: time constant, minutes. An engineering default for a bay with a fan heater. */
export const HEATER_TAU_MIN = 25;
/** Nobody waits longer for a bay to warm up, and no bay is heated or cooled further, K. */
const LONGEST_MIN = 8 * 60;
const FARTHEST_K = 15;
const STEP_MIN = 5;

type Asked = Omit<GoCase, 'ambient' | 'surface'>;

/**
 * Ways to open a coat that is not good now: to let the item stand, heat, cool, dry, damp, close the door. Each is solved
 * for its number: the least change with which nothing stands against it, else nothing forbids it. Empty where it is good,
 * or where nothing alone helps.
 */
export function waysToGo(asked: Asked, now: GoAnswer): WayToGo[] {
  if (now.verdict === 'good') return [];
  const { air, surfaceC, around } = now;
  const tauMin = warmUpTauMin(asked.substrate);
  const still: Air = { ...air, airSpeed: STILL_AIR };
  const hasDraught = now.reasons.some(({ cause }) => cause === 'draught');
  const alone = [
    ...standing(asked, now, tauMin),
    ...tempered(asked, now, air, tauMin),
    ...moistened(asked, now),
    ...(hasDraught
      ? better(goIn(asked, still, surfaceC, around), now, (verdict): WayToGo => ({ kind: 'close-door', verdict }))
      : []),
    ...(around.sunK > 0
      ? better(goIn(asked, air, surfaceC, { ...around, sunK: 0 }), now, (verdict): WayToGo => ({
          kind: 'shade',
          verdict,
        }))
      : []),
    ...(around.dusty
      ? better(goIn(asked, air, surfaceC, { ...around, dusty: false }), now, (verdict): WayToGo => ({
          kind: 'no-dust',
          verdict,
        }))
      : []),
  ];
  const best = alone.some(({ verdict }) => verdict === 'good');
  if (best || !hasDraught) return sorted(alone);
  const both = tempered(asked, now, still, tauMin).flatMap((way): WayToGo[] =>
    way.kind === 'heat' && way.verdict === 'good' ? [{ ...way, kind: 'close-door-and-heat' }] : [],
  );
  return sorted([...alone, ...both]);
}

/** Good ones first; among them what is done at once, then the shortest. */
const sorted = (ways: readonly WayToGo[]): WayToGo[] => {
  const minutes = (way: WayToGo) => ('min' in way ? way.min : 0);
  return ways.toSorted(
    (a, b) => Number(b.verdict === 'good') - Number(a.verdict === 'good') || minutes(a) - minutes(b),
  );
};

const RANK: Readonly<Record<GoVerdict, number>> = { not: 0, marginal: 1, good: 2 };
const better = <T>(then: GoAnswer, now: GoAnswer, way: (verdict: 'good' | 'marginal') => T): T[] =>
  then.verdict !== 'not' && RANK[then.verdict] > RANK[now.verdict] ? [way(then.verdict)] : [];

/** The item takes on the air of the bay as it is. */
function standing(asked: Asked, now: GoAnswer, tauMin: number): WayToGo[] {
  const { air, surfaceC } = now;
  const found = soonest(asked, now, (tMin) => ({
    air,
    surfaceC: warmedSurfaceC(surfaceC, air.airC, tauMin, tMin),
  }));
  return found.map(({ verdict, min }) => ({ kind: 'stand', verdict, min }));
}

/** The bay is brought to another temperature, the water in its air staying what it is, and the panel follows. */
function tempered(asked: Asked, { surfaceC, around }: GoAnswer, air: Air, tauMin: number): WayToGo[] {
  const now = goIn(asked, air, surfaceC, around);
  const through = (toC: number) => (tMin: number) => {
    const airC = warmedSurfaceC(air.airC, toC, HEATER_TAU_MIN, tMin);
    return {
      air: { airC, rhPct: rhAfterTemperatureChange(air.airC, air.rhPct, airC), airSpeed: air.airSpeed },
      surfaceC: surfaceAfter(air.airC, toC, surfaceC, tauMin, tMin),
    };
  };
  return ([1, -1] as const).flatMap((sign): WayToGo[] => {
    const found = new Map<string, WayToGo>();
    for (let by = 1; by <= FARTHEST_K; by++) {
      const toC = (sign > 0 ? Math.floor(air.airC) : Math.ceil(air.airC)) + sign * by;
      for (const { verdict, min } of soonest(asked, now, through(toC)))
        if (!found.has(verdict)) found.set(verdict, { kind: sign > 0 ? 'heat' : 'cool', verdict, toC, min });
      if (found.has('good')) break;
    }
    const good = found.get('good') ?? found.get('marginal');
    return good ? [good] : [];
  });
}

/**
 * A surface of one time constant in air that itself goes from one temperature to another with the heater's: the sum of two
 * exponentials, or its limit where both are alike.
 */
function surfaceAfter(fromC: number, toC: number, surfaceC: number, tauMin: number, tMin: number): number {
  const [own, room] = [Math.exp(-tMin / tauMin), Math.exp(-tMin / HEATER_TAU_MIN)];
  const drive = fromC - toC;
  const share =
    Math.abs(tauMin - HEATER_TAU_MIN) < 1e-9
      ? (tMin / tauMin) * own
      : (HEATER_TAU_MIN * (room - own)) / (HEATER_TAU_MIN - tauMin);
  return toC + (surfaceC - toC) * own + drive * share;
}

/** The first moment from which it is good, else from which it is no longer forbidden; none within the day. */
function soonest(
  asked: Asked,
  now: GoAnswer,
  at: (tMin: number) => { readonly air: Air; readonly surfaceC: number },
): { readonly verdict: 'good' | 'marginal'; readonly min: number }[] {
  let marginal: number | undefined;
  for (let min = STEP_MIN; min <= LONGEST_MIN; min += STEP_MIN) {
    const { air, surfaceC } = at(min);
    const verdict = verdictIn(asked, air, surfaceC, now.around);
    if (verdict === 'good') return [{ verdict, min }];
    if (verdict === 'marginal' && now.verdict === 'not') marginal ??= min;
  }
  return marginal === undefined ? [] : [{ verdict: 'marginal', min: marginal }];
}

/** The air is dried or damped at its temperature. */
function moistened(asked: Asked, now: GoAnswer): WayToGo[] {
  const { air, surfaceC, around } = now;
  return (['dry', 'damp'] as const).flatMap((kind): WayToGo[] => {
    const sign = kind === 'dry' ? -1 : 1;
    let marginal: WayToGo | undefined;
    for (let toRhPct = Math.round(air.rhPct) + sign; toRhPct >= 15 && toRhPct <= 85; toRhPct += sign) {
      const verdict = verdictIn(asked, { ...air, rhPct: toRhPct }, surfaceC, around);
      if (verdict === 'good') return [{ kind, verdict, toRhPct }];
      if (verdict === 'marginal' && now.verdict === 'not') marginal ??= { kind, verdict, toRhPct };
    }
    return marginal ? [marginal] : [];
  });
}
