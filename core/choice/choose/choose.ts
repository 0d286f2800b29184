import { MINUTES_PER_HOUR, MONTHS_PER_YEAR } from '#core/measures';
import type { Product } from '#core/products/sheets';
import { purchase, type Purchase } from '#core/work/quantity';
import { type Option, type SurfaceKind, unbeaten } from './options';
import { ProgramBuilder, type Row, type Solve } from './program';
import type { ChoiceSurface, StackLayer } from './stacks';
import { cheapestUnit, unitsMoney, workMoney } from './value';
import type { Wishes } from './wishes';

/** A joint choice for the whole item. Money in minor units. */
export interface Choice {
  readonly surfaces: readonly {
    readonly id: string;
    readonly layers: readonly StackLayer[];
    readonly testSpot: boolean;
    readonly lifeMonths: number;
  }[];
  readonly purchases: readonly (Purchase & { readonly product: string })[];
  /** Packs to buy and hours, now. */
  readonly materialMoney: number;
  readonly firstMoney: number;
  readonly minutes: number;
  /** Over the time it is kept, renewals included. */
  readonly keptMoney: number;
  readonly keptMinutes: number;
  /** Per year of the time it is kept, renewals included. */
  readonly yearMoney: number;
  readonly yearMinutes: number;
  readonly yearUm: number;
  /** Area-weighted expected months before the first renewal. */
  readonly lifeMonths: number;
  /** Clear that removals are expected to take over the time it is kept, µm, area-weighted. */
  readonly removalUm: number;
  /** What was minimised, and how far it may be from the best there is, as a share. */
  readonly objective: number;
  readonly gap: number;
}

/** What is minimised. */
export type Goal = 'wishes' | 'first-money' | 'life' | 'minutes';

export interface ChooseOptions {
  /** Area-weighted months that are wanted at least, instead of the wishes' own. */
  readonly leastMonths?: number | undefined;
  readonly relativeGap?: number;
  readonly seconds?: number;
  readonly onProgress?: (bestSoFar: number, bound: number) => boolean;
}
/** Proven to be within a hundredth of the best is near enough for anything that is quoted. */
export const USUAL_GAP = 0.01;
const USUAL_SECONDS = 20;
/** Weight of money where something else is minimised: only ties are broken by it. */
const TIE = 1e-6;

/** Nothing that answers to the wishes was found in the time that was given: not the same as that there is nothing. */
export class OutOfTime extends Error {
  constructor(seconds: number) {
    super(`nothing was found within ${seconds} s: ask for less at once, or fewer layers`);
  }
}

/** A part of the item that gets one stack: a kind as far as it is split, or a single surface. */
interface Portion {
  readonly areaM2: number;
  readonly options: readonly Option[];
  /** Split between options by area, or given one whole. */
  readonly divisible: boolean;
}

/**
 * The best joint choice for a goal; undefined where the wishes cannot be met together.
 *
 * Everything is linear in the area, so that kinds of surface may first be split between stacks by area, with whole
 * packs: a small program whose proven bound holds for any choice surface by surface. Then single surfaces are given
 * the stacks that were found. The gap told is that of the second answer to the bound of the first.
 * @throws OutOfTime where neither an answer nor its absence was found in time
 */
export function choose(
  kinds: readonly SurfaceKind[],
  shelf: readonly Product[],
  wishes: Wishes,
  solve: Solve,
  goal: Goal = 'wishes',
  {
    leastMonths = wishes.leastMonths,
    relativeGap = USUAL_GAP,
    seconds = USUAL_SECONDS,
    onProgress,
  }: ChooseOptions = {},
): Choice | undefined {
  // Where no life is asked for, it counts by the renewals alone: what only lasts longer falls away.
  const lifeCounts = goal === 'life' || leastMonths !== undefined;
  const open = kinds
    .filter(({ options }) => options.length > 0)
    .map((kind) => (lifeCounts ? kind : { ...kind, options: unbeaten(kind.options, () => 0) }));
  // Nothing on the shelf may go on any of it: bare is the answer, unless it is to last.
  if (open.length === 0) {
    return leastMonths ? undefined : { ...choiceOf(kinds, new Map(), shelf, wishes), objective: 0, gap: 0 };
  }
  const limits = { ...wishes, leastMonths };
  const how = { relativeGap: relativeGap / 2, seconds, ...(onProgress && { onProgress }) };
  const split = solvePortions(
    open.map(({ areaM2, options }) => ({ areaM2, options, divisible: true })),
    shelf,
    limits,
    goal,
    solve,
    how,
  );
  if (!split) return undefined;
  // Single surfaces choose among all that can be laid from what is opened anyway.
  const opened = new Set(split.shares.flatMap((shares, index) => openedBy(open[index]!.options, shares)));
  const ofOpened = ({ value }: Option) => [...value.amounts.keys()].every((product) => opened.has(product));
  const giveOut = (candidatesOf: (kind: SurfaceKind) => readonly Option[]) => {
    const singles = open.flatMap((kind) =>
      alikeTogether(kind.surfaces, wishes.twinsAlike).map((alike) => ({
        ids: alike.map(({ id }) => id),
        areaM2: alike.reduce((sum, { areaM2 }) => sum + areaM2, 0),
        options: candidatesOf(kind),
        divisible: false,
      })),
    );
    const solved = solvePortions(singles, shelf, limits, goal, solve, how);
    return solved && { ...solved, singles };
  };
  // A limit that a split just meets may be out of reach for whole surfaces of those products: then of all.
  const whole = giveOut(({ options }) => options.filter(ofOpened)) ?? giveOut(({ options }) => options);
  if (!whole) return undefined;
  const found = { ...whole, bound: split.bound };
  // A small item is solved outright where that is nearer to the best.
  const exact =
    gapOf(found) > relativeGap && goal === 'wishes' ? outright(found, open, shelf, limits, solve, how) : found;
  const picked = new Map(
    exact.singles.flatMap(({ ids, options }, index) => {
      const option = options[exact.shares[index]!.findIndex((share) => share > 0.5)]!;
      return ids.map((id) => [id, option] as const);
    }),
  );
  return { ...choiceOf(kinds, picked, shelf, wishes), objective: exact.objective, gap: gapOf(exact) };
}

const gapOf = ({ objective, bound }: Solved) =>
  Math.max(0, (objective - bound) / Math.max(Math.abs(objective), LEAST_SHARE));

interface Single extends Portion {
  readonly ids: readonly string[];
}
interface GivenOut extends Solved {
  readonly singles: readonly Single[];
}

/** More columns than this are not solved outright. */
const MOST_OUTRIGHT = 4000;
const OUTRIGHT_SECONDS = 4;

/**
 * Solves an item surface by surface with every option that could still be in a better answer: one that alone costs
 * more than all others at their cheapest leave room for cannot. Only where few enough are left.
 */
function outright(
  found: GivenOut,
  open: readonly SurfaceKind[],
  shelf: readonly Product[],
  wishes: Wishes,
  solve: Solve,
  how: Parameters<Solve>[1],
): GivenOut {
  const units = new Map(shelf.map((product) => [product.id, product.onHand > 0 ? 0 : cheapestUnit(product)]));
  const leastOf = ({ value }: Option) => unitsMoney(value, units) + workMoney(value, wishes) + value.penalty;
  const kindOf = new Map(open.flatMap((kind) => kind.surfaces.map(({ id }) => [id, kind] as const)));
  const all = found.singles.map((single) => {
    const costs = kindOf.get(single.ids[0]!)!.options.map((option) => ({
      option,
      cost: single.areaM2 * leastOf(option),
    }));
    return { single, costs, least: Math.min(...costs.map(({ cost }) => cost)) };
  });
  const room = found.objective - all.reduce((sum, { least }) => sum + least, 0);
  const singles = all.map(({ single, costs, least }) => ({
    ...single,
    options: costs.filter(({ cost }) => cost - least <= room).map(({ option }) => option),
  }));
  if (singles.reduce((sum, { options }) => sum + options.length, 0) > MOST_OUTRIGHT) return found;
  try {
    const solved = solvePortions(singles, shelf, wishes, 'wishes', solve, { ...how, seconds: OUTRIGHT_SECONDS });
    if (!solved) return found;
    const bound = Math.max(found.bound, Math.min(solved.bound, found.objective));
    return solved.objective < found.objective ? { ...solved, singles, bound } : { ...found, bound };
  } catch (error) {
    if (error instanceof OutOfTime) return found;
    throw error;
  }
}

/** Surfaces of a kind as they are given out: twins together where they are to be alike, each other one alone. */
function alikeTogether(surfaces: readonly ChoiceSurface[], twinsAlike: boolean): readonly (readonly ChoiceSurface[])[] {
  const together = new Map<string, ChoiceSurface[]>();
  for (const surface of surfaces) {
    const key = twinsAlike && surface.pair !== undefined ? `pair ${surface.pair}` : `alone ${surface.id}`;
    together.set(key, [...(together.get(key) ?? []), surface]);
  }
  return [...together.values()];
}

/** A share of a kind smaller than this is rounding. */
const LEAST_SHARE = 1e-6;
const openedBy = (options: readonly Option[], shares: readonly number[]) =>
  options.flatMap(({ value }, at) => (shares[at]! > LEAST_SHARE ? [...value.amounts.keys()] : []));

interface Solved {
  /** Share of each option in each portion. */
  readonly shares: readonly (readonly number[])[];
  readonly objective: number;
  readonly bound: number;
}

/** One option a portion (or shares of several), whole packs for what all take beyond what is in stock, and the wishes' limits. */
function solvePortions(
  portions: readonly Portion[],
  shelf: readonly Product[],
  wishes: Wishes,
  goal: Goal,
  solve: Solve,
  how: Parameters<Solve>[1],
): Solved | undefined {
  const builder = new ProgramBuilder();
  const rate = wishes.hourRate / MINUTES_PER_HOUR;
  const totalM2 = portions.reduce((sum, { areaM2 }) => sum + areaM2, 0);
  const capped = (months: number) => Math.min(months, wishes.keptMonths);
  const costPerM2 = ({ value }: Option) => {
    const money = workMoney(value, wishes);
    switch (goal) {
      case 'wishes':
        return money + value.penalty;
      case 'first-money':
        return value.minutes * rate + TIE * money;
      case 'minutes':
        return value.minutes + TIE * money;
      case 'life':
        return -capped(value.lifeMonths) / totalM2 + TIE * money;
    }
  };
  const columns = portions.map(({ areaM2, options, divisible }) =>
    options.map((option) => builder.column(areaM2 * costPerM2(option), { upper: 1, integer: !divisible })),
  );
  for (const own of columns)
    builder.row(
      own.map((column) => [column, 1]),
      { lower: 1, upper: 1 },
    );
  const over = (coefficient: (option: Option, areaM2: number) => number): [number, number][] =>
    portions.flatMap(({ areaM2, options }, index) =>
      options.map((option, at): [number, number] => [columns[index]![at]!, coefficient(option, areaM2)]),
    );
  const moneyWeight = goal === 'wishes' || goal === 'first-money' ? 1 : TIE;
  const { used, paid } = addPacks(builder, portions, columns, shelf, wishes, moneyWeight);
  if (wishes.leastMonths !== undefined) {
    builder.row(
      over(({ value }, areaM2) => (capped(value.lifeMonths) * areaM2) / totalM2),
      { lower: capped(wishes.leastMonths) },
    );
  }
  if (wishes.mostHours !== undefined) {
    builder.row(
      over(({ value }, areaM2) => areaM2 * value.minutes),
      { upper: MINUTES_PER_HOUR * wishes.mostHours },
    );
  }
  if (wishes.mostMoney !== undefined) {
    builder.row([...over(({ value }, areaM2) => areaM2 * value.minutes * rate), ...paid], { upper: wishes.mostMoney });
  }
  if (wishes.mostProducts !== undefined) {
    builder.row(
      used.map((column) => [column, 1]),
      { upper: wishes.mostProducts },
    );
  }
  const { values, objective, gap, ranOut } = solve(builder.build(), how);
  if (!values && ranOut) throw new OutOfTime(how.seconds);
  if (!values) return undefined;
  return {
    shares: columns.map((own) => own.map((column) => values[column]!)),
    objective,
    bound: objective - Math.abs(objective) * (Number.isFinite(gap) ? gap : 1),
  };
}

/** Whole packs of each product for what all portions take of it, beyond what is in stock. */
function addPacks(
  builder: ProgramBuilder,
  portions: readonly Portion[],
  columns: readonly (readonly number[])[],
  shelf: readonly Product[],
  { inHandOnly = false }: Wishes,
  moneyWeight: number,
): { readonly used: readonly number[]; readonly paid: Row['entries'] } {
  const used: number[] = [];
  const paid: [number, number][] = [];
  const takersOf = takersByProduct(portions, columns);
  for (const product of shelf) {
    const takers = takersOf.get(product.id);
    if (!takers) continue;
    const use = builder.column(0, { upper: 1, integer: true });
    used.push(use);
    const packs = inHandOnly
      ? []
      : product.packs.map(({ size, price }) => {
          const column = builder.column(moneyWeight * price, { integer: true });
          paid.push([column, price]);
          return [column, -size] as [number, number];
        });
    // What stays in the bottle and the first wetting are needed once a product is used at all.
    const fixed = product.residue + product.prime;
    builder.row([...takers.flat(), [use, fixed], ...packs], { upper: product.onHand });
    for (const own of takers) {
      builder.row([...own.map(([column]): [number, number] => [column, 1]), [use, -1]], { upper: 0 });
    }
    // Nothing in stock: using it at all means a pack. Said outright, it is proven sooner.
    if (product.onHand <= fixed && packs.length > 0) {
      builder.row([...packs.map(([column]): [number, number] => [column, 1]), [use, -1]], { lower: 0 });
    }
  }
  return { used, paid };
}

type Entries = [column: number, amount: number][];

/** For each product, portion by portion, the options that take of it and how much. */
function takersByProduct(
  portions: readonly Portion[],
  columns: readonly (readonly number[])[],
): ReadonlyMap<string, readonly Entries[]> {
  const takers = new Map<string, Entries[]>();
  portions.forEach(({ areaM2, options }, index) => {
    const own = new Map<string, Entries>();
    options.forEach(({ value }, at) => {
      for (const [product, amount] of value.amounts) {
        const entry: Entries[number] = [columns[index]![at]!, amount * areaM2];
        const entries = own.get(product);
        if (entries) entries.push(entry);
        else own.set(product, [entry]);
      }
    });
    for (const [product, entries] of own) takers.set(product, [...(takers.get(product) ?? []), entries]);
  });
  return takers;
}

/** What given picks come to, packs bought together; surfaces without a pick stay bare. */
export function choiceOf(
  kinds: readonly SurfaceKind[],
  picked: ReadonlyMap<string, Option>,
  shelf: readonly Product[],
  wishes: Wishes,
): Omit<Choice, 'objective' | 'gap'> {
  const rate = wishes.hourRate / MINUTES_PER_HOUR;
  const surfaces = kinds.flatMap((kind) => kind.surfaces);
  const needs = new Map<string, number>();
  const sums = { minutes: 0, later: 0, laterMinutes: 0, life: 0, removalUm: 0, areaM2: 0 };
  for (const { id, areaM2 } of surfaces) {
    const value = picked.get(id)?.value;
    if (!value) continue;
    for (const [product, amount] of value.amounts) needs.set(product, (needs.get(product) ?? 0) + amount * areaM2);
    sums.areaM2 += areaM2;
    sums.minutes += areaM2 * value.minutes;
    sums.later += areaM2 * value.renewals * value.renewalMoney;
    sums.laterMinutes += areaM2 * value.renewals * value.renewalMinutes;
    sums.life += areaM2 * value.lifeMonths;
    sums.removalUm += areaM2 * value.renewals * value.removalUm;
  }
  const purchases = shelf.flatMap((product) => {
    const need = needs.get(product.id);
    return need === undefined ? [] : [{ product: product.id, ...buy(product, need) }];
  });
  const materialMoney = purchases.reduce((sum, { cost }) => sum + cost, 0);
  const firstMoney = materialMoney + sums.minutes * rate;
  const keptMoney = firstMoney + sums.later;
  const keptMinutes = sums.minutes + sums.laterMinutes;
  const removalUm = sums.areaM2 > 0 ? sums.removalUm / sums.areaM2 : 0;
  const keptYears = wishes.keptMonths / MONTHS_PER_YEAR;
  return {
    surfaces: surfaces.map((surface: ChoiceSurface) => {
      const option = picked.get(surface.id);
      return {
        id: surface.id,
        layers: (option?.stack.layers ?? []).map(({ product, coats }): StackLayer => ({ product: product.id, coats })),
        testSpot: option?.stack.answer === 'test',
        lifeMonths: option?.value.lifeMonths ?? 0,
      };
    }),
    purchases,
    materialMoney,
    firstMoney,
    minutes: sums.minutes,
    keptMoney,
    keptMinutes,
    yearMoney: keptMoney / keptYears,
    yearMinutes: keptMinutes / keptYears,
    yearUm: removalUm / keptYears,
    lifeMonths: sums.areaM2 > 0 ? sums.life / sums.areaM2 : 0,
    removalUm,
  };
}

/** Packs for an amount that is a 90 % quantity with its applicators already. */
function buy({ prime, residue, onHand, packs }: Product, amount: number): Purchase {
  return purchase({ laid: amount, laidM2: 1, prime, applicatorM2: null, residue, usageSigma: 0, onHand, packs });
}
