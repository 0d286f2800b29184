import type { MatteSchool, SubstrateId } from '#core/item/substrates';
import type { Product } from '#core/products/sheets';
import { type Air, airAt, type AmbientSeries, condensation, type Condensation, DEW_MARGIN_K } from '#core/time/air';
import { NARROW_WINDOW_MIN } from '#core/time/clocks';
import { type CoatWindow, coatWindow } from '#core/plan/job';
import { type Around, QUIET } from './around';
import type { SurfaceTrack } from './surface-track';

/** Go, mind, or wait. */
export const GO_VERDICTS = ['good', 'marginal', 'not'] as const;
export type GoVerdict = (typeof GO_VERDICTS)[number];
export const worst = (verdicts: readonly GoVerdict[]): GoVerdict =>
  verdicts.includes('not') ? 'not' : verdicts.includes('marginal') ? 'marginal' : 'good';

export type GoCause =
  | 'air-cold'
  | 'air-hot'
  | 'air-dry'
  | 'air-damp'
  | 'surface-cold'
  | 'surface-hot'
  | 'dew'
  | 'draught'
  | 'sun'
  | 'dust'
  | 'window';

/** What stands against laying now, and its number: what is measured, and what it should be. */
export interface GoReason {
  readonly cause: GoCause;
  readonly verdict: Exclude<GoVerdict, 'good'>;
  readonly value: number;
  readonly limit: number;
}

/** One coat of a product on one kind of surface, in the air that is expected. */
export interface GoCase {
  readonly product: Product;
  readonly substrate: SubstrateId;
  readonly ambient: AmbientSeries;
  readonly surface: SurfaceTrack;
  readonly matteSchool: MatteSchool;
  readonly guardSigma: number;
  /** What is going on around it at a moment; absent: nothing. */
  readonly around?: (tMin: number) => Around;
}

export interface GoAnswer {
  readonly atMin: number;
  readonly verdict: GoVerdict;
  /** The gravest first. */
  readonly reasons: readonly GoReason[];
  readonly air: Air;
  readonly surfaceC: number;
  readonly dew: Condensation;
  readonly window: CoatWindow;
  readonly around: Around;
}

/** This near a limit of the sheet one minds it: K of temperature, per cent of humidity. Engineering defaults. */
export const NEAR_K = 1;
export const NEAR_RH_PCT = 3;
/** Air moving faster than this over a panel, m/s, carries dust and uneven flash with it; an open door does. */
export const DRAUGHT_M_PER_S = 0.5;

/** Whether a coat may be laid at a moment, and what stands against it. */
export function goAt(asked: GoCase, tMin: number): GoAnswer {
  const around = asked.around?.(tMin) ?? QUIET;
  return judged(asked, tMin, airAt(asked.ambient, tMin), asked.surface(tMin), asked.ambient, around);
}

/** The same in air that holds: as it would be if somebody changed it. */
export function goIn(
  asked: Omit<GoCase, 'ambient' | 'surface'>,
  air: Air,
  surfaceC: number,
  around: Around = QUIET,
): GoAnswer {
  const { airC, rhPct, airSpeed } = air;
  return judged(asked, 0, air, surfaceC, [{ atMin: 0, airC, rhPct, airSpeed }], around);
}

/**
 * The verdict of `goIn` alone, for searching: the sheet's limits and the dew point are asked first, and where they forbid
 * it no window is worked out.
 */
export function verdictIn(
  asked: Omit<GoCase, 'ambient' | 'surface'>,
  air: Air,
  surfaceC: number,
  around: Around,
): GoVerdict {
  const dew = condensation(air.airC, air.rhPct, surfaceC);
  const isForbidden = limitReasons(asked.product, air, surfaceC, dew).some(({ verdict }) => verdict === 'not');
  return isForbidden ? 'not' : goIn(asked, air, surfaceC, around).verdict;
}

const limitReasons = (
  { limits }: Product,
  { airC, rhPct }: Air,
  surfaceC: number,
  dew: Condensation,
): readonly GoReason[] => [
  ...within('air-cold', 'air-hot', airC, limits?.airC, NEAR_K),
  ...within('air-dry', 'air-damp', rhPct, limits?.rhPct, NEAR_RH_PCT),
  ...within('surface-cold', 'surface-hot', surfaceC, limits?.surfaceC, NEAR_K),
  ...dewReasons(dew),
];

function judged(
  { product, substrate, matteSchool, guardSigma }: Omit<GoCase, 'ambient' | 'surface'>,
  atMin: number,
  air: Air,
  surfaceC: number,
  ambient: AmbientSeries,
  around: Around,
): GoAnswer {
  const { airC, rhPct, airSpeed } = air;
  const dew = condensation(airC, rhPct, surfaceC);
  const window = coatWindow({ product, substrate, surfaceC, ambient, matteSchool }, atMin, guardSigma);
  const reasons = [
    ...limitReasons(product, air, surfaceC, dew),
    ...(airSpeed > DRAUGHT_M_PER_S
      ? [{ cause: 'draught', verdict: 'marginal', value: airSpeed, limit: DRAUGHT_M_PER_S } as const]
      : []),
    ...windowReasons(window),
    ...sunReasons({ product, substrate, surfaceC, ambient, matteSchool }, atMin, guardSigma, around),
    ...(around.dusty ? [{ cause: 'dust', verdict: 'marginal', value: 0, limit: 0 } as const] : []),
  ].sort((a, b) => Number(b.verdict === 'not') - Number(a.verdict === 'not'));
  return {
    atMin,
    verdict: worst(reasons.map(({ verdict }) => verdict)),
    reasons,
    air: { airC, rhPct, airSpeed },
    surfaceC,
    dew,
    window,
    around,
  };
}

/** Warmer than this, °C, nothing is laid where the sheet does not say (engineering default). */
export const HOTTEST_PANEL_C = 35;

/** Where the sun can reach it: no, if the panel is then hotter than the sheet lets or its window is gone; else to be minded. */
function sunReasons(
  coat: Parameters<typeof coatWindow>[0] & { readonly surfaceC: number },
  atMin: number,
  guardSigma: number,
  { sunK }: Around,
): GoReason[] {
  if (sunK <= 0) return [];
  const [value, limit] = [coat.surfaceC + sunK, coat.product.limits?.surfaceC?.[1] ?? HOTTEST_PANEL_C];
  const gone = coatWindow({ ...coat, surfaceC: value }, atMin, guardSigma).verdict === 'closed';
  return [{ cause: 'sun', verdict: value > limit || gone ? 'not' : 'marginal', value, limit }];
}

function within(
  low: GoCause,
  high: GoCause,
  value: number,
  limit: readonly [number, number] | undefined,
  near: number,
): GoReason[] {
  if (!limit) return [];
  const [least, most] = limit;
  // Both ends belong to the limits.
  if (value < least + near && value - least <= most - value)
    return [{ cause: low, verdict: value < least ? 'not' : 'marginal', value, limit: least }];
  if (value > most - near) return [{ cause: high, verdict: value > most ? 'not' : 'marginal', value, limit: most }];
  return [];
}

const dewReasons = ({ marginK, verdict }: Condensation): GoReason[] =>
  verdict === 'ok'
    ? []
    : [{ cause: 'dew', verdict: verdict === 'stop' ? 'not' : 'marginal', value: marginK, limit: DEW_MARGIN_K }];

function windowReasons({ verdict, levelFromMin, levelByMin }: CoatWindow): GoReason[] {
  if (verdict === 'open') return [];
  const value = levelFromMin === null || levelByMin === null ? 0 : Math.max(0, levelByMin - levelFromMin);
  return [{ cause: 'window', verdict: verdict === 'closed' ? 'not' : 'marginal', value, limit: NARROW_WINDOW_MIN }];
}

/** Half an hour at a time. */
export const SLOT_MIN = 30;

/** Slot after slot for so long. */
export function goStrip(asked: GoCase, fromMin: number, forMin: number): GoAnswer[] {
  return Array.from({ length: Math.ceil(forMin / SLOT_MIN) }, (_, slot) => goAt(asked, fromMin + slot * SLOT_MIN));
}

/** A stretch of slots in which it may be laid. */
export interface GoStretch {
  readonly fromMin: number;
  readonly toMin: number;
  readonly verdict: 'good' | 'marginal';
}

/**
 * The first stretch that is long enough and good all through; where there is none, the first that is at least marginal.
 * @param strips one for each coat that is to be laid in it: all of them have to be
 * @param open whether anybody is there in a slot, by its beginning
 */
export function bestStretch(
  strips: readonly (readonly GoAnswer[])[],
  lastsMin: number,
  open: (tMin: number) => boolean = () => true,
): GoStretch | undefined {
  const [first] = strips;
  if (!first) return undefined;
  const slots = first.map(({ atMin }, slot) => ({
    atMin,
    verdict: open(atMin) ? worst(strips.map((strip) => strip[slot]!.verdict)) : ('not' as const),
  }));
  for (const verdict of ['good', 'marginal'] as const) {
    const counts = (slot: (typeof slots)[number]) => slot.verdict === 'good' || slot.verdict === verdict;
    for (let from = 0; from < slots.length; from++) {
      if (!counts(slots[from]!)) continue;
      let to = from;
      while (to < slots.length && counts(slots[to]!)) to += 1;
      const stretch = { fromMin: slots[from]!.atMin, toMin: slots[from]!.atMin + (to - from) * SLOT_MIN, verdict };
      if (stretch.toMin - stretch.fromMin >= lastsMin) return stretch;
      from = to;
    }
  }
  return undefined;
}
