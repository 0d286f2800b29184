import { type Mark, MARK_KINDS } from '#core/survey/condition';
import type { Make } from '#core/item/make';
import { type SubstrateId, SUBSTRATES } from '#core/item/substrates';
import type { FoundId } from '#core/products/families';
import { MINUTES_PER_DAY } from '#core/measures';
import { foundOn, wipeRefusal } from '#core/layers/rules';
import { isPolishing, STEP_KINDS, type StepKindId } from '#core/prepare/steps';

/** What the rules look at of a panel. */
export interface RuledPanel extends Make {
  readonly substrate: SubstrateId;
  readonly marks?: readonly Pick<Mark, 'kind'>[] | undefined;
  /** Minutes its fresh paint still has to breathe; 0 or less: it has. */
  readonly breathesForMin?: number | undefined;
  /** What lies on it and stays, bottom first. */
  readonly existing?: readonly FoundId[] | undefined;
}

/** A step on a panel as a rule of preparation sees it. */
interface PrepareRuleCase {
  readonly kind: StepKindId;
  readonly panel: RuledPanel;
  /** Polishing has taken off what was found there before this step. */
  readonly polished: boolean;
}

interface PrepareRule {
  /** How it is read to an installer. */
  readonly says: string;
  /** Why the trade has it. */
  readonly because: string;
  /** Why the step is not done there; undefined where the rule has nothing against it. */
  judge(subject: PrepareRuleCase): string | undefined;
}

const define = <T extends Record<string, PrepareRule>>(table: T) => table;

const SANDING: readonly StepKindId[] = ['sanding-p3000', 'sanding-p2000'];
const SOLVENTS: readonly StepKindId[] = ['tar', 'panel-wipe'];
const name = (panel: RuledPanel) => SUBSTRATES[panel.substrate].name.toLowerCase();

/** The rules of preparation, as data: what is never done where, and why. A new one is an entry here. */
const TABLE = define({
  'satin-never-polished': {
    says: 'Satin and matte are never polished, by hand or by machine.',
    because: 'They turn glossy under any polish, and it cannot be undone.',
    judge: ({ kind, panel }) =>
      SUBSTRATES[panel.substrate].matte && isPolishing(kind)
        ? 'a matte finish turns glossy under any polish, for good'
        : undefined,
  },
  'satin-not-clayed': {
    says: 'Satin and matte are not clayed.',
    because: 'Clay burnishes: the rubbed places shine.',
    judge: ({ kind, panel }) =>
      SUBSTRATES[panel.substrate].matte && kind === 'clay'
        ? 'clay burnishes a matte finish; chemistry has to do'
        : undefined,
  },
  'worn-not-polished': {
    says: 'Crazed, failing or burnt-through paint gets no machine.',
    because: 'Every pass makes it worse.',
    judge: ({ kind, panel: { marks = [] } }) => {
      const worn = marks.find((mark) => MARK_KINDS[mark.kind].beyondPolishing);
      return worn && isPolishing(kind) ? `${MARK_KINDS[worn.kind].name.toLowerCase()} was marked on it` : undefined;
    },
  },
  'nothing-to-take-from': {
    says: 'Only what has a coat to take from is polished.',
    because: 'Film, wrap, trim and bare plastic have none: polishing eats the part itself.',
    judge: ({ kind, panel }) =>
      isPolishing(kind) && kind !== 'chip-level' && !SUBSTRATES[panel.substrate].polishable
        ? `${name(panel)} has no coat to take from`
        : undefined,
  },
  'plastic-not-sanded': {
    says: 'Plastic and composite are not sanded.',
    because: 'Their coat cannot be read, and it is thin.',
    judge: ({ kind, panel: { substrate, body = 'metal' } }) =>
      SANDING.includes(kind) && (body !== 'metal' || SUBSTRATES[substrate].plastic)
        ? 'never on plastic or composite: its coat cannot be read'
        : undefined,
  },
  'no-solvent-on-it': {
    says: 'No panel wipe and no tar remover on vinyl, lenses and acrylic.',
    because: 'Solvent lifts print, dulls vinyl and crazes clear plastics.',
    judge: ({ kind, panel }) =>
      SUBSTRATES[panel.substrate].noSolvent && SOLVENTS.includes(kind) ? `solvent harms ${name(panel)}` : undefined,
  },
  'fresh-paint-no-solvent': {
    says: 'No solvent and no sanding on fresh paint.',
    because: 'It is still soft and still breathing: solvent swells it.',
    judge: ({ kind, panel: { breathesForMin = 0 } }) =>
      breathesForMin > 0 && (SOLVENTS.includes(kind) || SANDING.includes(kind))
        ? `the paint is fresh: ${Math.ceil(breathesForMin / MINUTES_PER_DAY)} more days to breathe`
        : undefined,
  },
  'primer-wipe': {
    says: 'No panel wipe over a priming polish that stays.',
    because: 'It is part of the coating: wiping takes it off again.',
    judge: ({ kind, panel: { existing = [] }, polished }) =>
      kind === 'panel-wipe' && !polished ? wipeRefusal(foundOn(existing)) : undefined,
  },
  'clear-stays-clear': {
    says: 'What has to stay clear is only washed.',
    because: 'Brakes, treads, sensors and ports are harmed by what is good for paint.',
    judge: ({ kind, panel }) =>
      SUBSTRATES[panel.substrate].keepClear && STEP_KINDS[kind].strong ? `a ${name(panel)} is only washed` : undefined,
  },
});

export type PrepareRuleId = keyof typeof TABLE;
export const PREPARE_RULES: Readonly<Record<PrepareRuleId, PrepareRule>> = TABLE;
export const PREPARE_RULE_IDS = Object.keys(TABLE) as [PrepareRuleId, ...PrepareRuleId[]];

/** Why a step is not done on a panel, and by which rule; undefined where nothing is against it. */
export function prepareRuling(
  subject: PrepareRuleCase,
): { readonly rule: PrepareRuleId; readonly reason: string } | undefined {
  for (const rule of PREPARE_RULE_IDS) {
    const reason = PREPARE_RULES[rule].judge(subject);
    if (reason !== undefined) return { rule, reason };
  }
  return undefined;
}
