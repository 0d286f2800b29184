import { type Substrate, SUBSTRATES } from '#core/item/substrates';
import { mostTrusted, prepareRuling, type RuledPanel } from '#core/prepare/rules';
import { type StepKindId, takenUm } from '#core/prepare/steps';

/** A panel on which one spot is to be taken back to its surface. */
export interface SpotCase extends RuledPanel {
  /** Clear above the reserve, once correction and removals to come have had theirs, µm; undefined: nobody knows. */
  readonly spareUm: number | undefined;
  /** No gauge reads its clear. */
  readonly unreadable?: boolean | undefined;
}

/** What takes a hardened spot off a panel, and what it costs; or why nothing does. */
export type SpotWork =
  { readonly kind: StepKindId; readonly clearUm: number } | { readonly kind?: undefined; readonly never: string };

/** How kinds of surface without a coat of paint are worked back by hand. */
const BY_HAND: readonly (readonly [is: (substrate: Substrate) => boolean, kind: StepKindId])[] = [
  [({ glass }) => glass === true, 'glass-polish'],
  [({ metalFinish }) => metalFinish === true, 'metal-polish'],
  [({ trim }) => trim === true, 'trim-restore'],
  [({ inside }) => inside === true, 'interior-clean'],
];

/**
 * How a spot that has hardened is taken back to the surface: by the step of preparation for such a surface, no stronger than
 * its rules, its paint and what is taken on trust allow.
 */
export function spotWork(panel: SpotCase): SpotWork {
  const { substrate, spareUm } = panel;
  const byHand = BY_HAND.find(([is]) => is(SUBSTRATES[substrate]))?.[1];
  const kind = substrate === 'acrylic-window' ? 'acrylic-polish' : byHand;
  const against = (step: StepKindId) => prepareRuling({ kind: step, panel, polished: false })?.reason;
  if (kind) {
    const never = against(kind);
    return never === undefined ? { kind, clearUm: 0 } : { never };
  }
  const strongest = spareUm === undefined ? mostTrusted(panel.unreadable === true).step : 'single-stage';
  const never = against(strongest);
  if (never !== undefined) return { never };
  const steps: readonly StepKindId[] = strongest === 'single-stage' ? ['single-stage', 'finishing'] : [strongest];
  const stood = steps.find((step) => spareUm === undefined || takenUm(step, substrate)[1] <= spareUm);
  if (stood) return { kind: stood, clearUm: takenUm(stood, substrate)[1] };
  const least = takenUm('finishing', substrate)[1].toFixed(1);
  return {
    never: `even a finishing polish takes up to ${least} µm, and ${Math.max(0, spareUm!).toFixed(1)} may go here`,
  };
}

/** With what a spot is wiped before anything is laid on it; undefined: no rule allows a wipe there. */
export const spotWipe = (panel: RuledPanel): StepKindId | undefined =>
  (['panel-wipe', 'mild-wipe'] as const).find((kind) => prepareRuling({ kind, panel, polished: false }) === undefined);
