import { type Product, type Worn, wornFor } from '#core/products/sheets';

const WEAR_WORDS: Readonly<Record<Worn, string>> = {
  gloves: 'nitrile gloves',
  glasses: 'safety glasses',
  mask: 'a mask against organic vapour',
  'dust-mask': 'a dust mask',
};

const inLine = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** What is said before a product is opened: what to wear, and the cautions of its sheet. */
export function cautionsOf(
  product: Pick<Product, 'family' | 'vocGPerL' | 'wear'> & { readonly hazards?: readonly string[] | undefined },
): readonly string[] {
  const worn = wornFor(product);
  return [
    ...(worn.length > 0 ? [`Wear ${inLine(worn.map((each) => WEAR_WORDS[each]))}.`] : []),
    ...(product.hazards ?? []),
  ];
}

export const ABOVE_THIS = 'The product’s safety sheet and local rules come first.';
