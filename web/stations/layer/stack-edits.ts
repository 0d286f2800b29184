import type { WayOut } from '#core/layers/rules';
import { usualMethod } from '#core/products/methods';
import type { Layer } from '#formats/job';
import { DONE_FIRST } from './done-first';

export const sameStack = (a: readonly Layer[], b: readonly Layer[]) => JSON.stringify(a) === JSON.stringify(b);

export const layerKey = (product: string, at: number) => `${at}-${product}`;

/** The layers with one of them taken out of its place and put into another. */
export function moved(layers: readonly Layer[], from: number, to: number): Layer[] {
  const rest = layers.filter((_, index) => index !== from);
  return rest.toSpliced(to, 0, layers[from]!);
}

export function afterWayOut(layers: readonly Layer[], at: number, way: WayOut): Layer[] {
  switch (way.kind) {
    case 'instead':
      return layers.map((layer, index) => (index === at ? { ...layer, product: way.product.id } : layer));
    case 'beneath':
      return [
        ...layers.slice(0, at),
        { product: way.product.id, coats: 1, method: usualMethod(way.product) },
        ...layers.slice(at),
      ];
    case 'strip':
      return layers.filter((_, index) => index !== at - 1);
    case 'first':
      return layers.map((layer, index) =>
        index === at
          ? { ...layer, overruled: { ...layer.overruled, 'recoat-late': `${DONE_FIRST[way.do]} before it` } }
          : layer,
      );
    case 'wait':
    case 'repaint':
    case 'renew-top':
      return [...layers];
  }
}
