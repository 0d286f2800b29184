import { CUTTERS, type CutterId } from '#core/film/cutters';
import { type CutPlan, cutPlanOf } from '#core/film/cut-plan';
import {
  lain,
  lyingElsewhere,
  nest,
  type NestCase,
  notClear,
  pieceKey,
  pieceKeys,
  type Placement,
} from '#core/film/nest';
import { boundingBox, type Polygon } from '#core/item/geometry';
import { filmAreaM2, filmLengthMm, type Flaw, grouped } from '#core/stock';
import type { Job } from '#formats/job';
import { type FilmWork, filmWork, rollWidthsOf } from './film-work';

/** Blanks as they are kept on one roll. */
export type FilmNest = NonNullable<Job['film']>[number];

/** A roll or an offcut as it lies in stock; m² and mm. */
export interface RollInStock {
  readonly remaining: number;
  readonly flaws?: readonly Flaw[] | undefined;
}
/** A roll in stock as it is now, by its thing; undefined: gone. */
type RollOf = (thing: string) => RollInStock | undefined;
/** Rolls that were cut for the job already. */
type CutRolls = ReadonlySet<string>;

/** One of the rolls a film is cut from, and what is wrong with how it is kept. */
export interface FilmOnRoll {
  readonly nest: FilmNest;
  /** What lies on it and is still a blank of the job. */
  readonly placements: readonly Placement[];
  /** It was cut off its roll: nothing of it moves any more. */
  readonly isCut: boolean;
  /** Nested anew, it is nested so: what lies on the other rolls left there. */
  readonly onRoll: NestCase;
  readonly plan: CutPlan;
  /** Copies that do not lie clear any more: the panel was changed, or the roll. */
  readonly notClear: readonly string[];
  /** Film in the pieces of each panel, all copies here. */
  readonly panels: readonly { readonly surface: string; readonly areaM2: number }[];
  /** Film in the pieces, m². */
  readonly areaM2: number;
}

/** The rolls one film of a job is cut from, in their order, and copies of blanks that are on none of them. */
export interface FilmRolls {
  readonly rolls: readonly FilmOnRoll[];
  readonly missing: readonly string[];
}

/** What is nested of a film on one roll, or on one to buy: with its flaws, and what is pinned where it is. */
export function nestCaseOf(
  { pieces }: Pick<FilmWork, 'pieces'>,
  { widthMm, cutter, placements, pinned }: Pick<FilmNest, 'widthMm' | 'cutter'> & Partial<FilmNest>,
  roll?: RollInStock,
  elsewhere?: ReadonlySet<string>,
): NestCase {
  const stays = new Set(pinned);
  return {
    rollWidthMm: widthMm,
    rollLengthMm: roll && filmLengthMm(roll.remaining, widthMm),
    gapMm: CUTTERS[cutter].gapMm,
    pieces,
    blocked: (roll?.flaws ?? []).map(flawOutline),
    seed: 1,
    elsewhere,
    pinned: placements?.filter((each) => stays.has(pieceKey(each))),
  };
}

const flawOutline = ({ fromMm, toMm, lowMm, highMm }: Flaw): Polygon => [
  [fromMm, lowMm],
  [toMm, lowMm],
  [toMm, highMm],
  [fromMm, highMm],
];

/** The nest a film has before anybody has made one: on the widest roll there is to buy. */
export const firstNest = ({ product, widthMm }: Pick<FilmWork, 'product' | 'widthMm'>): FilmNest => ({
  product: product.id,
  widthMm,
  cutter: USUAL_CUTTER,
  placements: [],
});
const USUAL_CUTTER: CutterId = 'plotter';

/**
 * Kept nests of one film as they stand: what is no blank any more since the job changed is left out, and a copy lies on
 * the first roll that has it.
 */
export function filmRolls(
  work: FilmWork,
  nests: readonly FilmNest[],
  rollOf: RollOf = () => undefined,
  cut: CutRolls = new Set(),
): FilmRolls {
  const { blanks } = work;
  const wanted = pieceKeys(blanks);
  const left = new Set(wanted);
  const lying = nests.map(({ placements }) => placements.filter((each) => left.delete(pieceKey(each))));
  const areas = new Map(blanks.map(({ id, areaM2, panel }) => [id, { areaM2, panel }]));
  return {
    missing: [...left],
    rolls: nests.map((kept, index): FilmOnRoll => {
      const placements = lying[index]!;
      const isCut = kept.thing !== undefined && cut.has(kept.thing);
      // What was cut lies on its roll no more: what is left of that says nothing of it.
      const roll = kept.thing === undefined || isCut ? undefined : rollOf(kept.thing);
      const onRoll = nestCaseOf(work, { ...kept, placements }, roll, lyingElsewhere(lying, index));
      const pieces = placements.map(({ id }) => areas.get(id)!);
      const sum = (own: readonly { readonly areaM2: number }[]) => own.reduce((all, { areaM2 }) => all + areaM2, 0);
      return {
        nest: kept,
        placements,
        isCut,
        onRoll,
        plan: cutPlanOf(blanks, placements, kept.widthMm),
        notClear: isCut ? [] : notClear(onRoll, placements).map(pieceKey),
        panels: [...grouped(pieces, ({ panel }) => panel)].map(([surface, own]) => ({ surface, areaM2: sum(own) })),
        areaM2: sum(pieces),
      };
    }),
  };
}

/**
 * A copy taken off its roll, or off none, and put on another where there is room beside what lies there; undefined where
 * there is none. The rolls' nests, with it pinned.
 */
export function movedToRoll({ rolls }: FilmRolls, key: string, to: number): FilmNest[] | undefined {
  const target = rolls[to]!;
  const others = pieceKeys(target.onRoll.pieces).filter((each) => each !== key);
  const { placements } = nest({ ...target.onRoll, elsewhere: new Set(others), pinned: target.placements }, () => true);
  if (!placements.some((each) => pieceKey(each) === key)) return undefined;
  return rolls.map(({ nest: kept, placements: before }, index) =>
    index === to
      ? { ...kept, placements: [...placements], pinned: [...(kept.pinned ?? []), key] }
      : {
          ...kept,
          placements: before.filter((each) => pieceKey(each) !== key),
          pinned: kept.pinned?.filter((each) => each !== key),
        },
  );
}

/** What is known of a roll or an offcut when it is chosen to cut from. */
interface ChosenRoll extends RollInStock {
  readonly id: string;
  readonly rollMm?: number | undefined;
  readonly offcutOf?: string | undefined;
}

/**
 * Rolls for a film in the order they are to be used up: those that were cut already, offcuts, rolls in hand, the emptier
 * the sooner, and one to buy for what they do not hold.
 */
export function stockFirst(
  work: Pick<FilmWork, 'product'>,
  { rolls }: FilmRolls,
  inStock: readonly ChosenRoll[],
): FilmNest[] {
  const cut = rolls.filter(({ isCut }) => isCut).map(({ nest: kept }) => kept);
  const first = firstNest({ ...work, widthMm: rollWidthsOf(work.product)[0]! });
  const cutter = rolls[0]?.nest.cutter ?? first.cutter;
  const taken = new Set(cut.map(({ thing }) => thing));
  const others = inStock
    .filter(({ id, remaining, rollMm }) => remaining > 0 && rollMm !== undefined && !taken.has(id))
    .sort((a, b) => Number(b.offcutOf !== undefined) - Number(a.offcutOf !== undefined) || a.remaining - b.remaining)
    .slice(0, MOST_FROM_STOCK)
    .map(({ id, rollMm }): FilmNest => ({ ...first, cutter, thing: id, widthMm: rollMm! }));
  return [...cut, ...others, { ...first, cutter }];
}
/** Nobody unpacks more pieces than these for one job. */
const MOST_FROM_STOCK = 6;

/** One roll of a job's film as it is cut. */
export interface JobCut extends FilmOnRoll {
  readonly product: string;
  readonly name: string;
  /** It has a grain, which runs along the roll. */
  readonly grain: boolean;
  /** Which of the film's rolls, from 1, and how many there are. */
  readonly roll: number;
  readonly rolls: number;
  /** Copies of blanks that are on no roll of it yet. */
  readonly missing: readonly string[];
}

/** Nests kept of one film. */
export const nestsOf = ({ film = [] }: Pick<Job, 'film'>, product: string): FilmNest[] =>
  film.filter((nest) => nest.product === product);

/** Every roll a job's film is cut from. */
export const jobCuts = (job: Job, rollOf?: RollOf, cut?: CutRolls): JobCut[] =>
  filmWork(job).flatMap((work) => {
    const { product } = work;
    const { rolls, missing } = filmRolls(work, nestsOf(job, product.id), rollOf, cut);
    const of = {
      product: product.id,
      name: product.name,
      grain: product.film?.grain === true,
      missing,
      rolls: rolls.length,
    };
    return rolls.map((each, index): JobCut => ({ ...each, ...of, roll: index + 1 }));
  });

/** Film that is cut for a job, m², waste and all. */
export interface CutFilm {
  readonly wholeM2: number;
  /** Of that, what is nested on rolls to buy. */
  readonly toBuyM2: number;
}

/** What a job's films take, by product: of those whose every blank lies on a roll. */
export function cutFilm(job: Job): ReadonlyMap<string, CutFilm> {
  if (!job.film?.length) return new Map();
  return new Map(
    filmWork(job).flatMap(({ product, blanks }): [string, CutFilm][] => {
      const outlines = new Map(blanks.map(({ id, outline }) => [id, outline]));
      const left = new Set(pieceKeys(blanks));
      const cuts = nestsOf(job, product.id).map(({ thing, widthMm, placements }) => {
        const ends = placements
          .filter((each) => left.delete(pieceKey(each)))
          .map((each) => boundingBox(lain(outlines.get(each.id)!, each)).maxX);
        return { thing, areaM2: filmAreaM2(Math.max(0, ...ends), widthMm) };
      });
      if (left.size > 0 || cuts.length === 0) return [];
      const sum = (own: typeof cuts) => own.reduce((all, { areaM2 }) => all + areaM2, 0);
      return [[product.id, { wholeM2: sum(cuts), toBuyM2: sum(cuts.filter(({ thing }) => thing === undefined)) }]];
    }),
  );
}
