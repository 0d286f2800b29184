import { MINUTES_PER_DAY } from '#core/measures';
import type { Product } from '#core/products/sheets';
import { type BayAir, readyAfterMin } from './in-bay';
import { type ChoiceSurface, stackOf, type ValidStack, validStacks } from './stacks';
import { type StackValue, stackValuer } from './value';
import type { Wishes } from './wishes';

/** One thing that may be done with a kind of surface. */
export interface Option {
  readonly stack: ValidStack;
  /** By the m². */
  readonly value: StackValue;
}

/** Surfaces that the rules and the models treat alike, with what may be done with them. */
export interface SurfaceKind {
  readonly surfaces: readonly ChoiceSurface[];
  readonly areaM2: number;
  /** None: nothing on the shelf may go there, or nothing that answers to the wishes. */
  readonly options: readonly Option[];
  /** Products of all stacks that the rules allow there, of those the bay and the days allow, and of those wished as well. */
  readonly allowed: ReadonlySet<string>;
  readonly fitting: ReadonlySet<string>;
  readonly wished: ReadonlySet<string>;
}

/**
 * Surfaces by kind, each with its options, without those that another beats in every respect.
 * @param air of the bay it is laid in; without it, nothing is asked of air and days
 */
export function optionsFor(
  surfaces: readonly ChoiceSurface[],
  shelf: readonly Product[],
  wishes: Wishes,
  air?: BayAir,
): SurfaceKind[] {
  const byId = new Map(shelf.map((product) => [product.id, product]));
  const valueOf = stackValuer(wishes);
  const valid = new Map<string, ValidStack[]>();
  const validOn = (surface: ChoiceSurface) => {
    const { substrate, existing, existingTold, refinishedAgoMin, aircraft, worn } = surface;
    const key = JSON.stringify([substrate, existing, existingTold, refinishedAgoMin, aircraft, worn]);
    const stacks = valid.get(key) ?? validStacks(surface, shelf, wishes);
    valid.set(key, stacks);
    return stacks;
  };
  return byKind(surfaces).map((alike) => {
    const [surface] = alike;
    const areaM2 = alike.reduce((sum, each) => sum + each.areaM2, 0);
    const value = valueOf({ ...surface, piecesPerM2: alike.length / areaM2 });
    const allowed = surface.fixed ? [stackOf(surface.fixed, byId)] : validOn(surface);
    const fitting = surface.fixed || !air ? allowed : allowed.filter((stack) => fitsTheBay(stack, air, wishes));
    const wished = surface.fixed ? allowed : withFilmAsWished(surface, fitting, wishes);
    const options = unbeaten(
      wished.map((stack) => ({ stack, value: value(stack) })),
      ({ value: { lifeMonths } }) => Math.min(lifeMonths, wishes.keptMonths),
    );
    return {
      surfaces: alike,
      areaM2,
      options,
      allowed: productsOf(allowed),
      fitting: productsOf(fitting),
      wished: productsOf(wished),
    };
  });
}

/** Whether a stack can be laid in the air of the bay and is ready within the days there are. */
function fitsTheBay({ layers }: ValidStack, air: BayAir, { anyAir, mostDays }: Wishes): boolean {
  if (!anyAir && layers.some(({ product }) => air.get(product.id)?.barred !== undefined)) return false;
  return mostDays === undefined || readyAfterMin(layers, air) <= mostDays * MINUTES_PER_DAY;
}

const productsOf = (stacks: readonly ValidStack[]): ReadonlySet<string> =>
  new Set(stacks.flatMap(({ layers }) => layers.map(({ product }) => product.id)));

/** What tells kinds apart; a surface given by hand is of a kind with others given the same. */
const kindKey = ({
  substrate,
  existing,
  existingTold,
  refinishedAgoMin,
  aircraft,
  worn,
  tone,
  hit,
  fixed,
}: ChoiceSurface) =>
  JSON.stringify([substrate, existing, existingTold, refinishedAgoMin, aircraft, worn, tone, hit, fixed]);

function byKind(surfaces: readonly ChoiceSurface[]): [ChoiceSurface, ...ChoiceSurface[]][] {
  const kinds = new Map<string, [ChoiceSurface, ...ChoiceSurface[]]>();
  for (const surface of surfaces) {
    const alike = kinds.get(kindKey(surface));
    if (alike) alike.push(surface);
    else kinds.set(kindKey(surface), [surface]);
  }
  return [...kinds.values()];
}

/** Stacks that answer to where film is wanted; where film cannot go, nothing is asked of it. */
function withFilmAsWished(
  { hit }: ChoiceSurface,
  stacks: readonly ValidStack[],
  { film }: Wishes,
): readonly ValidStack[] {
  if (film === 'if-worth-it') return stacks;
  const filmed = ({ layers }: ValidStack) => layers.some(({ product }) => product.family === 'film');
  const wanted = film === 'everywhere' || (film === 'where-hit' && hit);
  const fitting = stacks.filter((stack) => filmed(stack) === wanted);
  return wanted && fitting.length === 0 ? stacks : fitting;
}

/**
 * Drops options that another beats in every respect. Only one laid from the same products, in no more coats of
 * each, can use no more of every product: others need not be asked.
 * @param lifeOf what a life is worth here, months: nothing where renewals alone tell it
 */
export function unbeaten(options: readonly Option[], lifeOf: (option: Option) => number): Option[] {
  const signs = new Map<string, number>();
  const signOf = (product: string) => {
    const sign = signs.get(product) ?? ((signs.size + 1) * SIGN_STEP) % SIGN_SPAN;
    signs.set(product, sign);
    return sign;
  };
  const sorted = options.toSorted(
    (a, b) => coatsOf(a) - coatsOf(b) || lifeOf(b) - lifeOf(a) || b.value.lifeMonths - a.value.lifeMonths,
  );
  const kept = new Map<number, Option[]>();
  return sorted.filter((option) => {
    const sums = lesserSums(option, signOf);
    if (sums.some((sum) => kept.get(sum)?.some((other) => lifeOf(other) >= lifeOf(option) && beats(other, option))))
      return false;
    // The last of them is that of the option itself.
    const own = sums.at(-1)!;
    const alike = kept.get(own);
    if (alike) alike.push(option);
    else kept.set(own, [option]);
    return true;
  });
}

/** Numbers that tell products apart when they are added up; sums that meet by chance are found out by `beats`. */
const SIGN_STEP = 0x9e3779b1;
const SIGN_SPAN = 2 ** 32;

const coatsOf = ({ stack }: Option) => stack.layers.reduce((sum, { coats }) => sum + coats, 0);

/** Sums of everything that can be laid from no more coats of each of an option's products. */
function lesserSums({ stack }: Option, signOf: (product: string) => number): number[] {
  let sums = [0];
  for (const { product, coats } of stack.layers) {
    const sign = signOf(product.id);
    const next: number[] = [];
    for (const sum of sums) for (let count = 0; count <= coats; count++) next.push(sum + count * sign);
    sums = next;
  }
  return sums;
}

function beats({ value: a, stack }: Option, { value: b, stack: other }: Option): boolean {
  if (a.minutes > b.minutes || a.penalty > b.penalty) return false;
  if (a.renewals * a.renewalMoney > b.renewals * b.renewalMoney) return false;
  if (stack.answer === 'test' && other.answer === 'yes') return false;
  for (const [product, amount] of a.amounts) if (amount > (b.amounts.get(product) ?? 0)) return false;
  return true;
}
