import { conditionLeft, expectedLife } from '#core/layers/life';
import { type PaintSystem, reserveOf } from '#core/survey/paint';
import { SUBSTRATES } from '#core/item/substrates';
import { MONTHS_PER_YEAR } from '#core/measures';
import { foundName, type FoundId } from '#core/products/families';
import {
  REMOVAL_METHODS,
  removalLadder,
  type RemovalMethod,
  type RemovalMethodId,
} from '#core/products/removal-methods';
import { mostTrusted, prepareRuling, type RuledPanel } from '#core/prepare/rules';
import { fromFinish, type StepKindId, takenUm } from '#core/prepare/steps';

/** A layer as it stands on the day it is to come off. */
export interface AgedLayer {
  readonly name: string;
  readonly family: FoundId;
  /** Methods its sheet names. */
  readonly comesOffBy?: readonly RemovalMethodId[] | undefined;
  /** Methods it was tried with on a patch, and stood. */
  readonly resists?: readonly RemovalMethodId[] | undefined;
  readonly ageMonths: number;
  /** Whether it has reached full hardness. */
  readonly hard: boolean;
  readonly lifeMonths: number;
  /** How many times as fast as usual it ages, by sun and by how the item lives; absent: as usual. */
  readonly aging?: number | undefined;
}

/** The paint a removal has to spare. */
export interface PaintToSpare extends RuledPanel {
  /** Factory paint where nobody says otherwise. */
  readonly paint?: PaintSystem | undefined;
  /** Clear (or single-stage colour, or gelcoat) now, micrometres; undefined where nobody knows. */
  readonly clearUm?: number | undefined;
  /** Stays whatever is done, micrometres; absent: as usual for such paint. */
  readonly reserveUm?: number | undefined;
  /** Its clear cannot be read from outside: nobody ever will know more of it. */
  readonly unreadable?: boolean | undefined;
}

export interface RemovalCase extends PaintToSpare {
  readonly areaM2: number;
  /** How many times as long it takes as a flat of its area: small shaped parts, awkward ones. Absent: once. */
  readonly slow?: number | undefined;
  /** Bottom first. */
  readonly layers: readonly AgedLayer[];
}

/** For what a removal usually takes where no panel is asked about: paint with as much as is wanted. */
export const ENOUGH_CLEAR = Infinity;

export interface RemovalStep {
  readonly method: RemovalMethodId;
  readonly name: string;
  /** Chance that it takes the layer off once it is tried, and that it has to be tried at all. */
  readonly chance: number;
  readonly reached: number;
  /** If tried: minutes and clear for the whole surface. */
  readonly minutes: number;
  readonly clearUm: readonly [number, number];
  readonly uses: RemovalMethod['uses'];
  readonly caution: string;
  readonly test: string;
  /** Set where the paint cannot stand it: why, and what remains. */
  readonly refused?: string;
}

export interface LayerRemoval {
  readonly layer: AgedLayer;
  /** Comes away with the film beneath it. */
  readonly withFilm: boolean;
  /** Comes off with the layer above it: they are one system, counted once. */
  readonly together?: true;
  readonly steps: readonly RemovalStep[];
  /** Expected over the ladder: minutes, clear, what it uses. */
  readonly expectedMin: number;
  readonly expectedClearUm: number;
  /** Clear gone if every step allowed has to be tried and takes its most: what the ledger counts. */
  readonly worstClearUm: number;
  readonly uses: readonly { readonly what: string; readonly unit: string; readonly amount: number }[];
  /** Chance that some of it is still there after all that is allowed. */
  readonly staysChance: number;
}

export interface Removal {
  /** From the top down, in the order they come off. */
  readonly layers: readonly LayerRemoval[];
  readonly expectedMin: number;
  readonly expectedClearUm: number;
  /** At the least, where the clear was known before. */
  readonly clearLeftUm?: number;
  /** Stays whatever is done, micrometres. */
  readonly reserveUm: number;
  readonly warnings: readonly string[];
}

/** Film grows brittle: minutes to pull a m² of it by its age in years. The trade's rates: a whole car is one to two days. */
const FILM_PULL_MIN_PER_M2 = [
  [0, 35],
  [3, 60],
  [6, 90],
] as const;
/** Glue baked on by sun, minutes a m². */
const GLUE_MIN_PER_M2 = 25;

/** Minutes to pull a m² of film that has lain so many years. */
function filmPullMinPerM2(years: number): number {
  const at = Math.max(
    1,
    FILM_PULL_MIN_PER_M2.findIndex(([age]) => age >= years),
  );
  const [from, to] =
    years > 6
      ? [FILM_PULL_MIN_PER_M2[1], FILM_PULL_MIN_PER_M2[2]]
      : [FILM_PULL_MIN_PER_M2[at - 1]!, FILM_PULL_MIN_PER_M2[at]!];
  return from[1] + ((to[1] - from[1]) * (years - from[0])) / (to[0] - from[0]);
}

/** Chance that glue stays on the paint: new, more each year, at most. */
const GLUE_LEFT = { fresh: 0.15, perYear: 0.1, most: 0.9 } as const;
/** Film this old is expected to tear. */
const BRITTLE_FILM_MONTHS = 60;

/**
 * How a stack comes off: from the top down, each layer by the mildest method first, with what each step costs
 * if it has to be tried. What sits on film leaves with the film. A step is refused where the rules of preparation
 * are against it on such a panel, where its upper end would break the reserve, and where more would be taken on trust
 * than preparation does.
 */
export function planRemoval(subject: RemovalCase): Removal {
  const topDown = [...subject.layers].reverse();
  const filmAt = topDown.findIndex(({ family }) => family === 'film');
  let clearLeft = subject.clearUm;
  const layers = topDown.map((layer, index): LayerRemoval => {
    if (filmAt !== -1 && index < filmAt) return carriedByFilm(layer);
    if (isOneSystem(topDown[index - 1]?.family, layer.family))
      return { ...carriedByFilm(layer), withFilm: false, together: true };
    const removal = layer.family === 'film' ? pullFilm(subject, layer, clearLeft) : climb(subject, layer, clearLeft);
    if (clearLeft !== undefined) clearLeft -= removal.worstClearUm;
    return removal;
  });
  const sum = (pick: (layer: LayerRemoval) => number) => layers.reduce((total, layer) => total + pick(layer), 0);
  return {
    layers,
    expectedMin: sum((layer) => layer.expectedMin),
    expectedClearUm: sum((layer) => layer.expectedClearUm),
    ...(clearLeft !== undefined && { clearLeftUm: clearLeft }),
    reserveUm: reserve(subject),
    warnings: warnings(subject, layers),
  };
}

/** A primer and its coating, a base and its top are one skin: what takes the upper one off takes the lower one with it. */
function isOneSystem(above: FoundId | undefined, below: FoundId): boolean {
  const upper = above === 'ceramic-top' || above === 'ceramic-base' || above === 'ceramic';
  return upper && (below === 'ceramic-base' || below === 'ceramic-primer');
}

function carriedByFilm(layer: AgedLayer): LayerRemoval {
  return {
    layer,
    withFilm: true,
    steps: [],
    expectedMin: 0,
    expectedClearUm: 0,
    worstClearUm: 0,
    uses: [],
    staysChance: 0,
  };
}

interface Rung {
  readonly method: RemovalMethodId;
  readonly chance: number;
  readonly minPerM2: number;
}

function climb(subject: RemovalCase, layer: AgedLayer, clearUm: number | undefined): LayerRemoval {
  const worn = 1 - conditionLeft(layer.ageMonths, layer.lifeMonths);
  const rungs = removalLadder(layer.family, layer.comesOffBy)
    .filter(({ method }) => REMOVAL_METHODS[method].worksOn(subject.substrate) && !layer.resists?.includes(method))
    .map(({ method, fresh, hard, worn: atEnd }): Rung => {
      const chance = layer.hard ? hard + (atEnd - hard) * worn : fresh;
      return { method, chance, minPerM2: REMOVAL_METHODS[method].minPerM2 };
    });
  return expected(subject, layer, withoutNeedless(rungs), clearUm);
}

/** Nothing milder that cannot work is tried, and waiting ends a ladder only where nothing else can. */
function withoutNeedless(rungs: readonly Rung[]): Rung[] {
  const useful = rungs.filter(({ chance }) => chance > 0.01);
  const certain = useful.findIndex(({ chance }) => chance >= 0.99);
  return certain === -1 ? useful : useful.slice(0, certain + 1);
}

/** Age of a film by what sun has done to it. */
const weatheredMonths = ({ ageMonths, aging = 1 }: AgedLayer) => ageMonths * aging;

function pullFilm(subject: RemovalCase, layer: AgedLayer, clearUm: number | undefined): LayerRemoval {
  const years = weatheredMonths(layer) / MONTHS_PER_YEAR;
  const glueLeft = Math.min(GLUE_LEFT.most, GLUE_LEFT.fresh + GLUE_LEFT.perYear * years);
  const pull = filmPullMinPerM2(years);
  const glue = GLUE_MIN_PER_M2;
  const rungs: Rung[] = [
    { method: 'heat-and-pull', chance: 1 - glueLeft, minPerM2: pull },
    { method: 'adhesive-remover', chance: 0.99, minPerM2: glue },
  ];
  return expected(subject, layer, rungs, clearUm);
}

/** Expected time, clear and consumables: each rung counts with the chance of getting to it. */
function expected(
  subject: RemovalCase,
  layer: AgedLayer,
  rungs: readonly Rung[],
  clearUm: number | undefined,
): LayerRemoval {
  let reached = 1;
  let worstClear = 0;
  const amounts = new Map<string, { what: string; unit: string; amount: number }>();
  let expectedMin = 0;
  let expectedClearUm = 0;
  const steps = rungs.map(({ method, chance, minPerM2 }, index): RemovalStep => {
    const data = REMOVAL_METHODS[method];
    const takesClear = fromFinish(data.clearUm, subject.substrate);
    const minutes = minPerM2 * subject.areaM2 * (subject.slow ?? 1);
    const left = clearUm === undefined ? undefined : clearUm - worstClear;
    const refused = refusal(subject, method, takesClear[1], left, rungs[index - 1]?.method);
    const step = {
      method,
      name: data.name,
      chance,
      reached: refused ? 0 : reached,
      minutes,
      clearUm: takesClear,
      uses: data.uses,
      caution: data.caution,
      test: data.test,
    };
    if (refused) return { ...step, refused };
    expectedMin += reached * minutes;
    expectedClearUm += reached * ((takesClear[0] + takesClear[1]) / 2);
    worstClear += takesClear[1];
    for (const { what, unit, perM2 } of data.uses) {
      const before = amounts.get(what)?.amount ?? 0;
      amounts.set(what, { what, unit, amount: before + reached * perM2 * subject.areaM2 });
    }
    reached *= 1 - chance;
    return step;
  });
  const uses = [...amounts.values()];
  return {
    layer,
    withFilm: false,
    steps,
    expectedMin,
    expectedClearUm,
    worstClearUm: worstClear,
    uses,
    staysChance: reached,
  };
}

/** The step of preparation that a method is, on a panel: the rules of the one hold for the other. Waiting is none. */
const AS_STEP: Readonly<Record<RemovalMethodId, StepKindId | undefined>> = {
  'strip-wash': 'wash',
  'alkali-acid-wash': 'degrease',
  'panel-wipe': 'panel-wipe',
  clay: 'clay',
  'finishing-polish': 'finishing',
  'single-stage-polish': 'single-stage',
  cutting: 'cutting',
  'glass-polish': 'glass-polish',
  'metal-polish': 'metal-polish',
  'acrylic-polish': 'acrylic-polish',
  'trim-cleaner': 'trim-restore',
  extraction: 'interior-clean',
  'heat-and-pull': 'peel-transit',
  'adhesive-remover': 'tar',
  'wear-off': undefined,
};

/** The rule of preparation against a method on a panel, as its reason; undefined: none, or waiting. */
function methodRefusal(method: RemovalMethodId, panel: RuledPanel): string | undefined {
  const kind = AS_STEP[method];
  return kind && prepareRuling({ kind, panel, polished: false })?.reason;
}

function refusal(
  subject: RemovalCase,
  method: RemovalMethodId,
  takesUm: number,
  leftUm: number | undefined,
  milder: RemovalMethodId | undefined,
): string | undefined {
  const ruled = methodRefusal(method, subject);
  if (ruled !== undefined || takesUm === 0) return ruled;
  const instead = milder ? `stop at ${REMOVAL_METHODS[milder].name.toLowerCase()}` : 'leave it to wear off';
  if (leftUm === undefined) {
    const { step, why } = mostTrusted(subject.unreadable === true);
    return takesUm > takenUm(step, subject.substrate)[1] ? `${why}; ${instead}` : undefined;
  }
  const reserveUm = reserve(subject);
  const left = leftUm - takesUm;
  if (left >= reserveUm) return undefined;
  return `would leave ${Math.max(0, left).toFixed(0)} µm of clear, less than the reserve of ${reserveUm}: ${instead}`;
}

const reserve = ({ reserveUm, substrate, paint = 'factory' }: PaintToSpare): number =>
  reserveUm ?? reserveOf({ substrate, paint });

function warnings(subject: RemovalCase, layers: readonly LayerRemoval[]): string[] {
  const { substrate, clearUm, paint, unreadable } = subject;
  const told: string[] = [];
  const polishes = layers.some(({ steps }) => steps.some((step) => step.clearUm[1] > 0));
  if (polishes && clearUm === undefined) {
    told.push(
      unreadable
        ? 'The clear coat cannot be read here: the mildest polish at most, tried on a spot first.'
        : 'Nobody has measured the clear coat here: take readings before any polishing step.',
    );
  }
  if (SUBSTRATES[substrate].matte && layers.some(({ withFilm, staysChance }) => !withFilm && staysChance === 0)) {
    told.push('Matte is never polished: what chemistry leaves has to wear off.');
  }
  const film = layers.find(({ layer }) => layer.family === 'film');
  if (film && paint === 'refinished')
    told.push('Refinished paint may lift with the film: test a corner and have the owner sign.');
  if (film && weatheredMonths(film.layer) >= BRITTLE_FILM_MONTHS) {
    told.push('Film as weathered as this tears and leaves glue: allow for patience.');
  }
  const carried = layers.filter(({ withFilm }) => withFilm).map(({ layer }) => layer.name);
  if (carried.length > 0) told.push(`${carried.join(' and ')} leave${carried.length === 1 ? 's' : ''} with the film.`);
  for (const { layer, staysChance } of layers) {
    if (staysChance >= 0.05) {
      told.push(
        `${layer.name} (${foundName(layer.family).toLowerCase()}) may still be there after all this: ${Math.round(staysChance * 100)} %.`,
      );
    }
  }
  return told;
}

/** Months taken for something of unknown age, and its life: hard, and half-way through. */
const UNKNOWN_LIFE_MONTHS = 36;

/** Laid by others: it has had time to harden, months. */
const HARD_AFTER_MONTHS = 1;

/** Something found on a surface; of unknown age it is taken as hard and half-way through its life. */
export const foundLayer = (family: FoundId, ageMonths?: number): AgedLayer => {
  const lifeMonths = family === 'unknown' ? UNKNOWN_LIFE_MONTHS : expectedLife({ family }, {}).months;
  return {
    name: `${foundName(family)}, found`,
    family,
    ageMonths: ageMonths ?? lifeMonths / 2,
    hard: ageMonths === undefined || ageMonths >= HARD_AFTER_MONTHS,
    lifeMonths,
  };
};
