import type { Tone } from '#core/survey/condition';

/** One circumstance that shortens or lengthens a life, each choice with its factor on the rated months. */
interface Circumstance<K extends string> {
  readonly name: string;
  readonly choices: Readonly<Record<K, { readonly name: string; readonly factor: number }>>;
}

export const PARKING_IDS = ['indoor', 'covered', 'street', 'coastal'] as const;
export type Parking = (typeof PARKING_IDS)[number];
export const WASH_IDS = ['hand', 'rinseless', 'touchless', 'brush'] as const;
export type Wash = (typeof WASH_IDS)[number];
export const CLIMATE_IDS = ['mild', 'hot', 'salted-winter'] as const;
export type Climate = (typeof CLIMATE_IDS)[number];
export const DISTANCE_IDS = ['little', 'usual', 'much', 'very-much'] as const;
export type Distance = (typeof DISTANCE_IDS)[number];
export const GROUNDWORK_IDS = ['thorough', 'usual', 'rushed'] as const;
export type Groundwork = (typeof GROUNDWORK_IDS)[number];

/** How an item lives, and how well it was prepared. What is not known is taken as usual. */
export interface Exposure {
  readonly parking?: Parking | undefined;
  readonly wash?: Wash | undefined;
  readonly climate?: Climate | undefined;
  readonly distance?: Distance | undefined;
  readonly preparation?: Groundwork | undefined;
  /** How dark the panel is: dark paint gets hotter in the sun. */
  readonly tone?: Tone | undefined;
}

type Circumstances = {
  readonly parking: Circumstance<Parking>;
  readonly wash: Circumstance<Wash>;
  readonly climate: Circumstance<Climate>;
  readonly distance: Circumstance<Distance>;
  readonly preparation: Circumstance<Groundwork>;
};
export type CircumstanceId = keyof Circumstances;

/** Factors on the rated life of a coating. Engineering defaults: a factor of two either way, all together. */
export const CIRCUMSTANCES: Circumstances = {
  parking: {
    name: 'Parking',
    choices: {
      indoor: { name: 'Indoors', factor: 1 },
      covered: { name: 'Under cover', factor: 0.92 },
      street: { name: 'In the street', factor: 0.78 },
      coastal: { name: 'By the sea', factor: 0.68 },
    },
  },
  wash: {
    name: 'Washing',
    choices: {
      hand: { name: 'By hand', factor: 1 },
      rinseless: { name: 'Rinseless', factor: 0.98 },
      touchless: { name: 'Touchless, strong cleaners', factor: 0.85 },
      brush: { name: 'Brush wash', factor: 0.6 },
    },
  },
  climate: {
    name: 'Climate',
    choices: {
      mild: { name: 'Mild', factor: 1 },
      hot: { name: 'Hot sun', factor: 0.82 },
      'salted-winter': { name: 'Salted winters', factor: 0.86 },
    },
  },
  distance: {
    name: 'Distance',
    choices: {
      little: { name: 'Under 5,000 km a year', factor: 1.04 },
      usual: { name: '5,000 to 20,000 km', factor: 1 },
      much: { name: '20,000 to 40,000 km', factor: 0.88 },
      'very-much': { name: 'Over 40,000 km', factor: 0.76 },
    },
  },
  preparation: {
    name: 'Preparation',
    choices: {
      thorough: { name: 'Thorough', factor: 1.05 },
      usual: { name: 'Usual', factor: 1 },
      rushed: { name: 'Rushed', factor: 0.7 },
    },
  },
};
export const CIRCUMSTANCE_IDS = Object.keys(CIRCUMSTANCES) as CircumstanceId[];

/** What is taken where nobody says. */
export const USUAL_EXPOSURE = {
  parking: 'covered',
  wash: 'hand',
  climate: 'mild',
  distance: 'usual',
  preparation: 'usual',
} as const;

/** The factor of one circumstance. */
export function circumstanceFactor(id: CircumstanceId, exposure: Exposure): number {
  const chosen = exposure[id] ?? USUAL_EXPOSURE[id];
  const choices: Readonly<Record<string, { readonly factor: number }>> = CIRCUMSTANCES[id].choices;
  return choices[chosen]!.factor;
}

/** Hottest a panel in the sun gets, °C, by where it stands and how dark it is. Engineering defaults. */
export const HOTTEST_C: Readonly<Record<Climate, number>> = { mild: 58, hot: 74, 'salted-winter': 55 };
export const SHADED_C = 38;
export const TONE_C: Readonly<Record<Tone, number>> = { pale: -10, mid: 0, dark: 6 };

/** The same at noon of a sunny day in midwinter, °C. Engineering defaults. */
export const WINTER_SUN_C: Readonly<Record<Climate, number>> = { mild: 18, hot: 35, 'salted-winter': 8 };
/** Of all days so many are sunny. Engineering default. */
export const SUNNY_SHARE = 0.7;

/**
 * Share of all days on which a panel gets hotter than something melts: its noon swings through the year as a cosine between
 * a winter's and a summer's sun, and only sunny days count. 0 in the shade.
 */
export function hotDaysShare(
  meltsC: number,
  { parking = 'covered', climate = 'mild', tone = 'mid' }: Exposure,
): number {
  if (parking === 'indoor' || parking === 'covered') return SHADED_C > meltsC ? 1 : 0;
  const [low, high] = [WINTER_SUN_C[climate] + TONE_C[tone], HOTTEST_C[climate] + TONE_C[tone]];
  const swing = (2 * meltsC - low - high) / (high - low);
  return (SUNNY_SHARE * Math.acos(Math.min(1, Math.max(-1, swing)))) / Math.PI;
}

/** How hot the surface gets on the worst day of the year, °C. */
export function hottestC({ parking = 'covered', climate = 'mild', tone = 'mid' }: Exposure): number {
  if (parking === 'indoor' || parking === 'covered') return SHADED_C;
  return HOTTEST_C[climate] + TONE_C[tone];
}
