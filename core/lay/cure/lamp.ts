import type { SubstrateId } from '#core/item/substrates';
import type { Product } from '#core/products/sheets';
import { type AmbientSeries, airAt } from '#core/time/air';
import { clockRate, clockRunMin, reachedAtMin } from '#core/time/clocks';

/** A short-wave curing lamp. */
export interface Lamp {
  readonly name: string;
  /** What it warms evenly in one place, m². */
  readonly coversM2: number;
  /** What it brings a surface to at its working distance, °C. */
  readonly targetC: number;
}

/** Lamps as workshops have them. Engineering defaults: the maker's distance and times stand above them. */
export const LAMPS = {
  hand: { name: 'Hand lamp', coversM2: 0.25, targetC: 55 },
  stand: { name: 'Lamp on a stand, two heads', coversM2: 0.9, targetC: 60 },
  arch: { name: 'Arch of lamps', coversM2: 2.4, targetC: 60 },
} as const satisfies Record<string, Lamp>;
export type LampId = keyof typeof LAMPS;
export const LAMP_IDS = Object.keys(LAMPS) as [LampId, ...LampId[]];

/**
 * What no lamp may bring a surface above, °C: it softens, lifts or crazes; null: no lamp at all, for a window that
 * crazes, a lens that sees, leather that shrinks. Engineering defaults: every kind of surface has its own word.
 */
export const LAMP_CAPS_C: Readonly<Record<SubstrateId, number | null>> = {
  'clear-gloss': 65,
  'clear-matte': 65,
  'single-stage': 65,
  'film-gloss': 50,
  'film-matte': 50,
  vinyl: 45,
  'gloss-black': 55,
  'textured-plastic': 55,
  'lens-plastic': 50,
  glass: 65,
  windscreen: 65,
  chrome: 65,
  'bare-metal': 65,
  wheel: 65,
  caliper: 65,
  rubber: 45,
  plate: 65,
  fabric: null,
  leather: null,
  'interior-plastic': 65,
  gelcoat: 45,
  'aircraft-paint': 50,
  'acrylic-window': null,
  carbon: 50,
  wood: 45,
  'camera-lens': null,
  sensor: null,
  'brake-disc': 65,
  grip: 65,
};
/** A lamp is moved, set to its distance and warms the surface, minutes a place. */
const SETTING_MIN = 5;

export const lampCapC = (substrate: SubstrateId): number | null => LAMP_CAPS_C[substrate];

export interface LampCase {
  readonly product: Product;
  readonly substrate: SubstrateId;
  readonly areaM2: number;
  /** When it was levelled, and when the lamp can begin. Minutes of the job. */
  readonly endMin: number;
  readonly fromMin: number;
  readonly ambient: AmbientSeries;
}

/** What a lamp does for a panel. Minutes of the job. */
export interface LampPlan {
  readonly placements: number;
  /** Under the lamp in each place, and in all with setting it. */
  readonly minutesEach: number;
  readonly wholeMin: number;
  /** What the surface comes to, °C, and whether that is less than the lamp could. */
  readonly surfaceC: number;
  readonly isCapped: boolean;
  /** When it may be handed over under the lamp, and without; null: never. */
  readonly readyMin: number;
  readonly waitedMin: number | null;
  /** Minutes won; null: without the lamp it is never ready. */
  readonly gainMin: number | null;
}

/**
 * A lamp on a panel until it may be handed over (else get wet, by its sheet): how often it is set, how long each, and
 * whether that beats waiting. Undefined where no lamp may stand, or the sheet names no moment a lamp could bring nearer.
 */
export function lampPlan(
  { product, substrate, areaM2, endMin, fromMin, ambient }: LampCase,
  lamp: Lamp,
): LampPlan | undefined {
  const cap = lampCapC(substrate);
  const milestone =
    product.milestones.find(({ name }) => name === 'handover') ??
    product.milestones.find(({ name }) => name === 'waterSafe');
  const clock = milestone && product.clocks[milestone.clock];
  if (cap === null || !milestone || !clock) return undefined;
  const surfaceC = Math.min(lamp.targetC, cap);
  const begin = Math.max(fromMin, endMin);
  const left = Math.max(0, milestone.min - clockRunMin(clock, ambient, endMin, begin));
  // The air itself is no warmer for the lamp: what water there is in it stays.
  const rate = clockRate(clock, airAt(ambient, begin), surfaceC);
  if (rate <= 0) return undefined;
  const minutesEach = left / rate;
  const placements = Math.max(1, Math.ceil(areaM2 / lamp.coversM2 - 1e-9));
  const wholeMin = placements * (minutesEach + SETTING_MIN);
  const readyMin = begin + wholeMin;
  const waitedMin = reachedAtMin(clock, milestone.min, ambient, endMin);
  return {
    placements,
    minutesEach,
    wholeMin,
    surfaceC,
    isCapped: surfaceC < lamp.targetC,
    readyMin,
    waitedMin,
    gainMin: waitedMin === null ? null : waitedMin - readyMin,
  };
}
