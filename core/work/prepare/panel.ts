import { isPolishing, takesPolish } from '#core/work/steps';
import { cleaning, masking } from './cleaning';
import { correction, isUnknown, ledgerCase, levelOf } from './correction';
import { ending } from './ending';
import { ledgerOf } from './ledger';
import type { Level } from './levels';
import { isPolishedAway, shareGone } from './marks-gone';
import { isDone, type MarkFate, type PanelCase, type PanelPreparation, type PrepareSettings } from './panel-case';
import { mostTakenUm, polishSteps } from './polish-steps';
import { stripping } from './stripping';
import { toStep } from './to-step';

/**
 * The steps of one panel, from what was seen on it, what it is made of and what is to come, each with its reason.
 * Correction goes no further than the paint can stand; a matte finish is never polished.
 * @param besidePolish something next to it is polished: what polish would spoil is masked
 */
export function preparePanel(panel: PanelCase, settings: PrepareSettings, besidePolish = false): PanelPreparation {
  const { scope } = panel;
  if (scope?.state === 'excluded') {
    const level = { level: 'none' } as const;
    return { id: panel.id, steps: [], level, goes: fates(panel, 'none', false, settings), excluded: scope.reason };
  }
  const level = levelOf(panel, settings);
  const wanted = [
    ...cleaning(panel, settings),
    ...stripping(panel),
    ...masking(panel, level, settings, besidePolish),
    ...correction(panel, level, settings),
    ...ending(panel, level, settings),
  ];
  const steps = wanted.map((step) => toStep(panel, step, settings));
  const taken = steps.filter(isDone).map(({ kind }) => kind);
  const polished = steps.filter((step) => isDone(step) && isPolishing(step.kind));
  const corrects = polishSteps(panel, level.level).some(({ kind }) => taken.includes(kind));
  return {
    id: panel.id,
    steps,
    level,
    ...(isUnknown(panel) && { unknown: true as const }),
    ledger: takesPolish(panel.substrate) ? ledgerOf(ledgerCase(panel, settings), mostTakenUm(polished)) : undefined,
    goes: fates(
      panel,
      corrects ? level.level : 'none',
      taken.includes('filling-polish') || isPrimedOver(panel),
      settings,
    ),
  };
}

/** Marks that are agreed to be hidden go under a priming polish that fills. */
const isPrimedOver = ({ scope, toCome, substrate }: PanelCase) =>
  scope?.state === 'hidden-only' && toCome[0] === 'ceramic-primer' && takesPolish(substrate);

const fates = (panel: PanelCase, level: Level, filled: boolean, { sharesSeen }: PrepareSettings): MarkFate[] =>
  panel.marks.map((mark) => ({
    mark: mark.id,
    share: shareGone(mark, level, panel, sharesSeen),
    ...(filled && isPolishedAway(mark.kind) && { hidden: true as const }),
  }));
