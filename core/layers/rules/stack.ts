import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import { MINUTES_PER_DAY } from '#core/measures';
import { FAMILIES, foundName, type FoundId, topComesOffAlone } from '#core/products/families';
import type { Answer, Product } from '#core/products/sheets';
import {
  answerOf,
  type Below,
  bondsTo,
  type LayeringCase,
  type Overruled,
  type Ruling,
  rulingsOn,
  type TooLate,
  whenTooLate,
  withOverruled,
} from './rules';

const FILM_SURFACES = { gloss: 'film-gloss', matte: 'film-matte' } as const satisfies Record<string, SubstrateId>;

/**
 * What a layer lies on, as it sees it: what is on top is the surface. A film below it, in the stack or found, decides
 * use, clocks and coverage of what comes over it; what is to stay clear stays so under film too; a found film's finish is gloss where the surface does not tell it.
 * @param laid what lies below it in the stack, bottom first
 */
export function seenSubstrate(
  own: SubstrateId,
  existing: readonly FoundId[],
  laid: readonly Pick<Product, 'family' | 'film'>[],
): SubstrateId {
  if (SUBSTRATES[own].keepClear) return own;
  const film = laid.findLast(({ family }) => family === 'film');
  if (film) return FILM_SURFACES[film.film?.finish ?? 'gloss'];
  return existing.includes('film') && own !== 'film-matte' ? 'film-gloss' : own;
}

/** What is known of each layer found, bottom first: its name where somebody knows which product it is. */
export type NamesOfFound = readonly ({ readonly name?: string | undefined } | null)[];

/** What directly carries the first layer to come: the last thing found on the surface, or the surface. */
export function foundOn(existing: readonly FoundId[], told: NamesOfFound = []): Below {
  const last = existing.at(-1);
  return last ? { kind: 'existing', family: last, name: told[existing.length - 1]?.name } : { kind: 'bare' };
}

/** A change that would turn a `no` into something allowed. */
export type WayOut =
  | { readonly kind: 'instead'; readonly product: Product; readonly answer: Answer }
  | { readonly kind: 'beneath'; readonly product: Product }
  | { readonly kind: 'strip'; readonly what: string }
  /** Only the layer found on top comes off; what carried it carries the new one. */
  | { readonly kind: 'renew-top'; readonly what: string }
  | { readonly kind: 'wait'; readonly days: number }
  /** Its paint is a painter's work first. */
  | { readonly kind: 'repaint' }
  /** It comes too late: done at the panel first, and said so on the record. */
  | { readonly kind: 'first'; readonly do: TooLate; readonly what: string };

export interface LayerJudgement {
  readonly answer: Answer;
  readonly rulings: readonly Ruling[];
  /** For a `no` only: the nearest allowed things, nearest first. */
  readonly waysOut: readonly WayOut[];
}

export interface StackCase {
  readonly substrate: SubstrateId;
  readonly existing: readonly FoundId[];
  readonly existingTold?: NamesOfFound | undefined;
  /** Bottom first, each coat of a layer once. */
  readonly layers: readonly Product[];
  /** What was set aside by hand, coat by coat. */
  readonly overruled?: readonly (Overruled | undefined)[] | undefined;
  /** Minutes since local midnight of the refinishing, at the time of laying; absent for paint long cured. */
  readonly refinishedAgoMin?: number | undefined;
  readonly aircraft?: boolean | undefined;
  /** Its own paint is crazed, failing or burnt through. */
  readonly worn?: boolean | undefined;
}

const MOST_ALTERNATIVES = 2;

/**
 * Judges a stack from the bottom up. A refused layer is taken as if it were there when the next is judged,
 * so that each answer is about that layer alone.
 * @param shelf where the ways out of a refusal are looked for
 */
export function judgeStack(stack: StackCase, shelf: readonly Product[]): LayerJudgement[] {
  return stack.layers.map((product, index) => {
    const underneath = stack.layers[index - 1];
    const below: Below = underneath
      ? { kind: 'product', product: underneath }
      : foundOn(stack.existing, stack.existingTold);
    const { aircraft } = withOwnAircraft(stack);
    const substrate = seenSubstrate(stack.substrate, stack.existing, stack.layers.slice(0, index));
    const { worn } = stack;
    const layer = { product, substrate, below, aircraft, worn, breathesForMin: breathesFor(product, stack) };
    const rulings = withOverruled(rulingsOn(layer), stack.overruled?.[index]);
    const answer = answerOf(rulings);
    return { answer, rulings, waysOut: answer === 'no' ? waysOut(layer, rulings, stack, shelf) : [] };
  });
}

/** A film hides the paint of an aircraft, not the aircraft. */
export const withOwnAircraft = <T extends Pick<StackCase, 'substrate' | 'aircraft'>>(stack: T): T =>
  stack.substrate === 'aircraft-paint' ? { ...stack, aircraft: true } : stack;

/** A judgement with what the plan says of when the layer goes over the one below, and the way out of coming too late. */
export function withIntervals(
  judged: LayerJudgement,
  intervals: readonly Ruling[],
  below: Pick<Product, 'name' | 'family'>,
  substrate: SubstrateId,
): LayerJudgement {
  if (intervals.length === 0) return judged;
  const rulings = [...judged.rulings, ...intervals];
  const late = intervals.some(({ rule, answer }) => rule === 'recoat-late' && answer === 'no');
  const first: WayOut[] = late ? [{ kind: 'first', do: whenTooLate(below.family, substrate), what: below.name }] : [];
  return { answer: answerOf(rulings), rulings, waysOut: [...first, ...judged.waysOut] };
}

/** Minutes until the paint may be closed with this product; 0 where it long may. */
export function breathesFor(product: Product, stack: Pick<StackCase, 'refinishedAgoMin'>): number {
  if (stack.refinishedAgoMin === undefined) return 0;
  return Math.max(0, product.freshPaintDays * MINUTES_PER_DAY - stack.refinishedAgoMin);
}

function waysOut(
  layer: LayeringCase,
  rulings: readonly Ruling[],
  stack: StackCase,
  shelf: readonly Product[],
): WayOut[] {
  const refusedBy = (rule: Ruling['rule']) => rulings.some((r) => r.rule === rule && r.answer === 'no');
  const ways: WayOut[] = [];
  if (refusedBy('bond') || refusedBy('film-first')) {
    const carrier = refusedBy('bond') && shelf.find((other) => carries(other, layer));
    if (carrier) ways.push({ kind: 'beneath', product: carrier });
    const { below } = layer;
    const allowedOver = (other: Below) => answerOf(rulingsOn({ ...layer, below: other })) !== 'no';
    if (
      below.kind === 'existing' &&
      topComesOffAlone(stack.existing) &&
      allowedOver(foundOn(stack.existing.slice(0, -1), stack.existingTold))
    ) {
      ways.push({ kind: 'renew-top', what: foundName(below.family).toLowerCase() });
    }
    if (below.kind !== 'bare' && allowedOver({ kind: 'bare' })) {
      const found = stack.existing.map((one) => foundName(one).toLowerCase()).reverse();
      ways.push({ kind: 'strip', what: below.kind === 'product' ? below.product.name : found.join(' and the ') });
    }
  }
  if (refusedBy('recoat-late') && layer.below.kind === 'existing') {
    const what = foundName(layer.below.family).toLowerCase();
    ways.push({ kind: 'first', do: whenTooLate(layer.product.family, layer.substrate), what });
  }
  if (refusedBy('worn-paint')) ways.push({ kind: 'repaint' });
  if (refusedBy('fresh-paint')) {
    ways.push({ kind: 'wait', days: Math.ceil(breathesFor(layer.product, stack) / MINUTES_PER_DAY) });
  }
  const alternatives = shelf
    .filter((other) => other.id !== layer.product.id)
    .map((product) => ({
      product,
      answer: answerOf(rulingsOn({ ...layer, product, breathesForMin: breathesFor(product, stack) })),
    }))
    .filter(({ answer }) => answer !== 'no')
    .sort((a, b) => distance(a.product, layer.product) - distance(b.product, layer.product));
  return [...ways, ...alternatives.slice(0, MOST_ALTERNATIVES).map((way) => ({ kind: 'instead' as const, ...way }))];
}

/** Whether putting `other` beneath would make the refused layer allowed. */
function carries(other: Product, layer: LayeringCase): boolean {
  if (other.id === layer.product.id || answerOf(rulingsOn({ ...layer, product: other })) === 'no') return false;
  const onTop: Below = { kind: 'product', product: other };
  return bondsTo(layer.product, onTop) && answerOf(rulingsOn({ ...layer, below: onTop })) !== 'no';
}

/** How far a product is from another in what it is for: family first, then how long it lasts. */
function distance(a: Product, b: Product): number {
  const life = (product: Product) => product.ratedMonths ?? FAMILIES[product.family].usualLifeMonths;
  const lifeApart = Math.abs(Math.log(life(a) / life(b)));
  return (a.family === b.family ? 0 : 1) + lifeApart / 3;
}
