import { MINUTES_PER_HOUR } from '#core/measures';
import { ADDED_MIN } from '#core/schedule/hours';
import type { Product } from '#core/products/sheets';
import { type Goal, TIE } from './goal';
import type { Option } from './options';
import { OutOfTime } from './out-of-time';
import { ProgramBuilder, type Row, type Solve } from './program';
import { workMoney } from './value';
import type { Wishes } from './wishes';

/** A part of the item that gets one stack: a kind as far as it is split, or a single surface. */
export interface Portion {
  readonly areaM2: number;
  readonly options: readonly Option[];
  /** Split between options by area, or given one whole. */
  readonly divisible: boolean;
}

/** A share of a kind smaller than this is rounding. */
export const LEAST_SHARE = 1e-6;

export const openedBy = (options: readonly Option[], shares: readonly number[]) =>
  options.flatMap(({ value }, at) => (shares[at]! > LEAST_SHARE ? [...value.amounts.keys()] : []));

export interface Solved {
  /** Share of each option in each portion. */
  readonly shares: readonly (readonly number[])[];
  readonly objective: number;
  readonly bound: number;
}

/** One option a portion (or shares of several), whole packs for what all take beyond what is in stock, and the wishes' limits. */
export function solvePortions(
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
  const setUp = goal === 'minutes' ? ADDED_MIN.product : moneyWeight * ADDED_MIN.product * rate;
  const { used, paid } = addPacks(builder, portions, columns, shelf, wishes, { money: moneyWeight, setUp });
  const onceMin = ADDED_MIN.setUp + ADDED_MIN.packUp;
  const prepared = (perMin: number) => used.map((column): [number, number] => [column, ADDED_MIN.product * perMin]);
  if (wishes.leastMonths !== undefined) {
    builder.row(
      over(({ value }, areaM2) => (capped(value.lifeMonths) * areaM2) / totalM2),
      { lower: capped(wishes.leastMonths) },
    );
  }
  if (wishes.mostHours !== undefined) {
    builder.row([...over(({ value }, areaM2) => areaM2 * value.minutes), ...prepared(1)], {
      upper: MINUTES_PER_HOUR * wishes.mostHours - onceMin,
    });
  }
  if (wishes.mostMoney !== undefined) {
    builder.row([...over(({ value }, areaM2) => areaM2 * value.minutes * rate), ...paid, ...prepared(rate)], {
      upper: wishes.mostMoney - onceMin * rate,
    });
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
  weights: { readonly money: number; readonly setUp: number },
): { readonly used: readonly number[]; readonly paid: Row['entries'] } {
  const used: number[] = [];
  const paid: [number, number][] = [];
  const takersOf = takersByProduct(portions, columns);
  for (const product of shelf) {
    const takers = takersOf.get(product.id);
    if (!takers) continue;
    const use = builder.column(weights.setUp, { upper: 1, integer: true });
    used.push(use);
    const packs = inHandOnly
      ? []
      : product.packs.map(({ size, price }) => {
          const column = builder.column(weights.money * price, { integer: true });
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
