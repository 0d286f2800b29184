import type { Tone } from '#core/survey/condition';
import type { SubstrateId } from '#core/item/substrates';
import type { FamilyId, FoundId } from '#core/products/families';
import {
  answerOf,
  type Below,
  bondsTo,
  breathesFor,
  foundOn,
  rulingsOn,
  seenSubstrate,
  withOwnAircraft,
  type NamesOfFound,
} from '#core/layers/rules';
import type { Answer, Product } from '#core/products/sheets';
import type { Wishes } from './wishes';

/** A surface that something is chosen for. */
export interface ChoiceSurface {
  readonly id: string;
  readonly substrate: SubstrateId;
  /** All its copies together. */
  readonly areaM2: number;
  readonly existing: readonly FoundId[];
  readonly existingTold?: NamesOfFound | undefined;
  readonly refinishedAgoMin?: number | undefined;
  readonly aircraft?: boolean | undefined;
  readonly tone?: Tone | undefined;
  /** Its own paint is crazed, failing or burnt through. */
  readonly worn?: boolean | undefined;
  /** Stones hit it or hands touch it. */
  readonly hit: boolean;
  /** Names it together with its twin on the other side. */
  readonly pair?: string | undefined;
  /** Given by hand: nothing else is chosen for it. */
  readonly fixed?: readonly StackLayer[] | undefined;
}

export interface StackLayer {
  readonly product: string;
  readonly coats: number;
}

export interface ValidStack {
  readonly layers: readonly { readonly product: Product; readonly coats: number }[];
  readonly answer: Exclude<Answer, 'no'>;
}

interface Allowed {
  readonly product: Product;
  readonly answer: Exclude<Answer, 'no'>;
}

/** Families that are worth a second coat. */
const TWO_COATS: readonly FamilyId[] = [
  'ceramic',
  'spray-coating',
  'sealant',
  'paste-wax',
  'liquid-wax',
  'glass-coating',
];

/**
 * Every stack the rules allow on a surface, up to so many layers, bottom first; none: nothing on the shelf may go
 * there. A product lies in a stack once, in one coat or, where that is usual, two.
 */
export function validStacks(
  surface: Pick<ChoiceSurface, 'substrate' | 'existing' | 'existingTold' | 'refinishedAgoMin' | 'aircraft' | 'worn'>,
  shelf: readonly Product[],
  { testSpots, mostLayers }: Pick<Wishes, 'testSpots' | 'mostLayers'>,
): ValidStack[] {
  const { existing, worn } = surface;
  const { aircraft } = withOwnAircraft(surface);
  const found: ValidStack[] = [];
  const judge = (product: Product, substrate: SubstrateId, below: Below) =>
    answerOf(rulingsOn({ product, substrate, below, aircraft, worn, breathesForMin: breathesFor(product, surface) }));
  const allowedOn = (substrate: SubstrateId, below: Below): Allowed[] =>
    shelf.flatMap((product) => {
      const answer = judge(product, substrate, below);
      return answer === 'no' || (answer === 'test' && !testSpots) ? [] : [{ product, answer }];
    });
  // What may lie on each product is asked once for each surface it may be on, not in every stack it stands in.
  const known = new Map<string, readonly Allowed[]>();
  const allowedOver = (layers: ValidStack['layers']) => {
    const products = layers.map((layer) => layer.product);
    const product = products.at(-1)!;
    const substrate = seenSubstrate(surface.substrate, existing, products);
    const key = `${substrate} ${product.id}`;
    const allowed = known.get(key) ?? allowedOn(substrate, { kind: 'product', product });
    known.set(key, allowed);
    return allowed;
  };
  const grow = (layers: ValidStack['layers'], answer: ValidStack['answer'], allowed: readonly Allowed[]) => {
    for (const { product, answer: own } of allowed) {
      if (layers.some((layer) => layer.product.id === product.id)) continue;
      const whole = own === 'test' ? 'test' : answer;
      const most = TWO_COATS.includes(product.family) && bondsTo(product, { kind: 'product', product }) ? 2 : 1;
      for (let coats = 1; coats <= most; coats++) {
        const next = [...layers, { product, coats }];
        found.push({ layers: next, answer: whole });
        if (next.length < mostLayers) grow(next, whole, allowedOver(next));
      }
    }
  };
  if (mostLayers > 0)
    grow([], 'yes', allowedOn(seenSubstrate(surface.substrate, existing, []), foundOn(existing, surface.existingTold)));
  return found.filter(({ layers }) => isWhole(layers));
}

/** A base or a primer is made to be covered: alone it is half a product. */
const TO_BE_COVERED: readonly FamilyId[] = ['ceramic-primer', 'ceramic-base'];
const isWhole = (layers: ValidStack['layers']) => !TO_BE_COVERED.includes(layers.at(-1)!.product.family);

/** Whether two stacks are laid alike: the same products in the same coats and order. */
export const sameLayers = (a: readonly StackLayer[], b: readonly StackLayer[]): boolean =>
  a.length === b.length &&
  a.every(({ product, coats }, index) => product === b[index]!.product && coats === b[index]!.coats);

/** A given stack as the shelf knows it, whatever the rules say of it: it was given by hand. */
export function stackOf(layers: readonly StackLayer[], shelf: ReadonlyMap<string, Product>): ValidStack {
  return {
    layers: layers.flatMap(({ product, coats }) => {
      const known = shelf.get(product);
      return known ? [{ product: known, coats }] : [];
    }),
    answer: 'yes',
  };
}
