import { FAMILIES, FAMILY_IDS, type FamilyId } from '../families';
import type { Product } from '../products';
import { SUBSTRATE_IDS, type SubstrateId } from '../substrates';
import { type Below, LAYERING_RULES, type Ruling, type RuleId } from './rules';

/** A product that a rule has something to say of, and where. */
export interface Touched {
  readonly product: string;
  readonly answer: Ruling['answer'];
  /** Kinds of surface, or what lies below. */
  readonly on: readonly string[];
}

/** What a rule touches on a shelf: each product with the surfaces, or what lies below, where it says no or test. */
export function touchedBy(rule: RuleId, shelf: readonly Product[], nameOf: (id: SubstrateId) => string): Touched[] {
  const { judge } = LAYERING_RULES[rule];
  const cases: readonly { readonly on: string; readonly substrate: SubstrateId; readonly below: Below }[] =
    BY_BELOW.includes(rule)
      ? [BARE, ...FAMILY_IDS.map(found)].map((below) => ({ on: belowName(below), substrate: 'clear-gloss', below }))
      : SUBSTRATE_IDS.map((substrate) => ({ on: nameOf(substrate), substrate, below: BARE }));
  return shelf.flatMap((product): Touched[] =>
    (['no', 'test'] as const).flatMap((answer) => {
      const on = cases.filter(
        ({ substrate, below }) => judge({ product, substrate, below, breathesForMin: FRESH_MIN })?.answer === answer,
      );
      return on.length > 0 ? [{ product: product.id, answer, on: on.map((each) => each.on) }] : [];
    }),
  );
}

/** Rules that look at what lies below and not at the surface. */
const BY_BELOW: readonly RuleId[] = ['bond'];
/** Paint sprayed this minute: what breathes has everything still to come. */
const FRESH_MIN = 1;
const BARE: Below = { kind: 'bare' };
const found = (family: FamilyId): Below => ({ kind: 'existing', family });
const belowName = (below: Below) => (below.kind === 'existing' ? FAMILIES[below.family].name : 'bare surface');
