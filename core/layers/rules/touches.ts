import { SUBSTRATE_IDS, type SubstrateId } from '#core/item/substrates';
import { FOUND_IDS, foundName, type FoundId } from '#core/products/families';
import type { Product } from '#core/products/sheets';
import { type Below, bondsTo, LAYERING_RULES, type LayeringCase, type RuleId, type Ruling } from './rules';

/** A product that a rule has something to say of, and where. */
export interface Touched {
  readonly product: string;
  readonly answer: Ruling['answer'];
  /** Kinds of surface, or what lies below. */
  readonly on: readonly string[];
}

/** What a rule touches on a shelf: each product with the surfaces, or what lies below, where it says no or test. */
export function touchedBy(rule: RuleId, shelf: readonly Product[], nameOf: (id: SubstrateId) => string): Touched[] {
  const { judge, looksAt } = LAYERING_RULES[rule];
  return shelf.flatMap((product): Touched[] => {
    const tried = triedOn(looksAt, product, shelf, nameOf);
    return (['no', 'test'] as const).flatMap((answer) => {
      const on = tried.filter((one) => judge({ product, ...one })?.answer === answer);
      return on.length > 0 ? [{ product: product.id, answer, on: on.map((each) => each.on) }] : [];
    });
  });
}

type Evidence = Omit<LayeringCase, 'product'> & { readonly on: string };

/** The cases in which a rule of each sort can have something to say of a product. */
function triedOn(
  looksAt: (typeof LAYERING_RULES)[RuleId]['looksAt'],
  product: Product,
  shelf: readonly Product[],
  nameOf: (id: SubstrateId) => string,
): Evidence[] {
  switch (looksAt) {
    case 'surface':
      return SUBSTRATE_IDS.map((substrate) => ({
        on: nameOf(substrate),
        substrate,
        below: BARE,
        breathesForMin: FRESH_MIN,
      }));
    case 'paint':
      return [{ on: 'crazed, failing or burnt-through paint', substrate: 'clear-gloss', below: BARE, worn: true }];
    case 'below':
      return [BARE, ...FOUND_IDS.map(found)].map((below) => ({
        on: belowName(below),
        substrate: 'clear-gloss',
        below,
      }));
    case 'interval':
      return underneath(product, shelf).flatMap(({ below, milestones }) => {
        const recoatFromMin = milestones.find(({ name }) => name === 'recoatFrom')?.min;
        const recoatByMin = milestones.find(({ name }) => name === 'recoatBy')?.min;
        const startsMin = [...(recoatFromMin ? [0] : []), ...(recoatByMin === undefined ? [] : [recoatByMin + 1])];
        return startsMin.map((startMin) => ({
          on: below.product.name,
          substrate: 'clear-gloss' as const,
          below,
          interval: { startMin, recoatFromMin, recoatByMin },
        }));
      });
    case 'wipe':
      return underneath(product, shelf).map(({ below }) => ({
        on: below.product.name,
        substrate: 'clear-gloss',
        below,
        wiped: true,
      }));
  }
}

/** What of a shelf a product may lie on. */
const underneath = (product: Product, shelf: readonly Product[]) =>
  shelf
    .map((under) => ({ below: { kind: 'product', product: under } as const, milestones: under.milestones }))
    .filter(({ below }) => bondsTo(product, below));

/** Paint sprayed this minute: what breathes has everything still to come. */
const FRESH_MIN = 1;
const BARE: Below = { kind: 'bare' };
const found = (family: FoundId): Below => ({ kind: 'existing', family });
const belowName = (below: Below) => (below.kind === 'existing' ? foundName(below.family) : 'bare surface');
