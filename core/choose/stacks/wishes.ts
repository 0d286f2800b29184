import type { Exposure } from '#core/layers/life';
import { DEFAULT_PACE, type Pace } from '#core/plan/sections';

/** What a person may care about besides money; 0: not at all, 3: very much. */
export const CONCERNS = ['look', 'washing', 'removal', 'skill'] as const;
export type Concern = (typeof CONCERNS)[number];

export const CONCERN_NAMES: Readonly<Record<Concern, string>> = {
  look: 'Depth and gloss',
  washing: 'Easy to wash',
  removal: 'Easy to take off',
  skill: 'Forgiving to lay',
};

/** Where film may go: it is dear, and stops what no coating stops. */
export const FILM_WISHES = ['nowhere', 'if-worth-it', 'where-hit', 'everywhere'] as const;
export type FilmWish = (typeof FILM_WISHES)[number];

export const FILM_WISH_NAMES: Readonly<Record<FilmWish, string>> = {
  nowhere: 'No film',
  'if-worth-it': 'Film if it is worth it',
  'where-hit': 'Film where stones hit',
  everywhere: 'Film on all paint',
};

/** What has to be met and what is worth how much. Money in minor units. */
export interface Wishes {
  /** How long it is kept, or the owner plans for. */
  readonly keptMonths: number;
  readonly exposure: Exposure;
  readonly hourRate: number;
  /** How fast the crew lays and levels. */
  readonly pace: Pace;
  /** `first`: what is paid now; `kept`: all of it over the years it is kept, renewals included. */
  readonly count: 'first' | 'kept';
  readonly concerns: Readonly<Partial<Record<Concern, 0 | 1 | 2 | 3>>>;
  readonly film: FilmWish;
  /** Area-weighted months of protection that are wanted at least, up to how long it is kept. */
  readonly leastMonths?: number | undefined;
  readonly mostHours?: number | undefined;
  /** Days from when laying starts until it is handed over. */
  readonly mostDays?: number | undefined;
  /** Also what the bay's air does not allow: it will be warmed, dried or moved. */
  readonly anyAir?: boolean | undefined;
  readonly mostMoney?: number | undefined;
  /** Different products at most: one bottle for everything is 1. */
  readonly mostProducts?: number | undefined;
  /** Only what is in stock: nothing is bought. */
  readonly inHandOnly?: boolean | undefined;
  /** Whether left and right of an item get the same: seen from the front they stand side by side. */
  readonly twinsAlike: boolean;
  /** Whether what wants a hidden test spot may be chosen. */
  readonly testSpots: boolean;
  readonly mostLayers: number;
  /** The school that counts coats beyond the second. */
  readonly beyondTwo: boolean;
}

export const USUAL_WISHES: Wishes = {
  keptMonths: 48,
  exposure: {},
  hourRate: 4800,
  pace: DEFAULT_PACE,
  count: 'kept',
  concerns: {},
  film: 'nowhere',
  twinsAlike: true,
  testSpots: false,
  mostLayers: 4,
  beyondTwo: false,
};

/** What a step of a concern is worth, minutes of work a m². Engineering default. */
export const CONCERN_WORTH_MIN = 12;
