import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { FoundId } from '#core/products/families';

/** What harms a layer sooner than years do. Common practice; the product's own sheet comes before it. */
const BY_FAMILY: Readonly<Partial<Record<FoundId, readonly string[]>>> = {
  'cleaner-wax': ['degreaser and alkaline foam: they take wax off'],
  'paste-wax': ['degreaser and alkaline foam: they take wax off', 'steam or a hot lamp: wax melts'],
  'liquid-wax': ['degreaser and alkaline foam: they take wax off', 'steam or a hot lamp: wax melts'],
  sealant: ['strong alkaline foam, more than now and then'],
  film: [
    'a pressure washer closer than half a metre to an edge',
    'petrol, thinner or tar remover left standing on it',
    'a machine polisher',
  ],
  'fabric-guard': ['fabric softener: it lays a film that soaks up water'],
  dressing: [],
  topper: [],
};
const COATING: readonly string[] = [
  'brushes of a washing bay: they scratch it as they do paint',
  'a machine polisher: it takes the coating off',
  'strong acid or strong alkali, other than its removal by a shop',
];

/** What must never be used on a surface with what lies on it, in plain words; the strictest first. */
export function neverOn(substrate: SubstrateId, families: readonly FoundId[]): string[] {
  const own = SUBSTRATES[substrate];
  return [
    ...new Set([
      ...(own.matte ? ['any polish, wax or gloss spray: satin turns shiny and stays so'] : []),
      ...(substrate === 'lens-plastic' ? ['thinner or strong solvent: the plastic cracks'] : []),
      ...families.flatMap((family) => BY_FAMILY[family] ?? COATING),
    ]),
  ];
}
