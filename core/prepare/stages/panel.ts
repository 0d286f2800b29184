import type { MarkKindId } from '#core/survey/condition';
import { isPolishing, type StepKindId, takesPolish } from '#core/prepare/steps';
import { CLEANING } from './cleaning';
import { correction, isUnknown, ledgerCase, levelOf } from './correction';
import { ENDING } from './ending';
import { ledgerOf } from './ledger';
import { kindOrder } from './kind-order';
import type { Level } from './levels';
import { isPolishedAway, shareGone } from './marks-gone';
import { isDone, type MarkFate, type PanelCase, type PanelPreparation, type PrepareSettings } from './panel-case';
import { mostTakenUm, polishSteps } from './polish-steps';
import { masking } from './masking';
import { noMixing } from './mixing';
import { stripping } from './stripping';
import { wantCase } from './want';
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
    return { id: panel.id, steps: [], level, goes: fates(panel, 'none', false, settings, []), excluded: scope.reason };
  }
  const level = levelOf(panel, settings);
  const subject = wantCase(panel, level.level, settings);
  const wanted = [
    ...CLEANING.flatMap((want) => want(subject)),
    ...stripping(panel),
    ...masking(panel, level, settings, besidePolish),
    ...correction(panel, level, settings),
    ...ENDING.flatMap((want) => want(subject)),
  ];
  const order = kindOrder(settings.schools);
  const steps = noMixing(
    wanted
      .toSorted((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind))
      .map((step) => toStep(panel, step, settings, subject.polished)),
    settings,
  );
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
      taken.includes('filling-polish') || isPrimedOver(panel, settings),
      settings,
      taken,
    ),
  };
}

/** Marks that are agreed to be hidden go under a priming polish that fills. */
const isPrimedOver = ({ scope, toCome, substrate }: PanelCase, { schools }: PrepareSettings) =>
  (scope?.state === 'hidden-only' || schools.marks === 'fill') &&
  toCome[0] === 'ceramic-primer' &&
  takesPolish(substrate);

/** What is cleaned or taken off rather than polished: by which steps. Goes is said only where one of them is done. */
const TAKEN_OFF_BY: Readonly<Partial<Record<MarkKindId, readonly StepKindId[]>>> = {
  contamination: ['clay', 'tar'],
  'dry-spray': ['clay'],
  'earlier-layer': ['strip-found', 'single-stage', 'cutting'],
  'transit-film': ['peel-transit'],
};

/** A filled chip is eased: matched paint stays in sight from close by. Engineering default. */
export const FILLED_CHIP_SHARE = 0.5;

const fates = (
  panel: PanelCase,
  level: Level,
  filled: boolean,
  { sharesSeen }: PrepareSettings,
  taken: readonly StepKindId[],
): MarkFate[] =>
  panel.marks.map((mark) => ({
    mark: mark.id,
    share: TAKEN_OFF_BY[mark.kind]
      ? Number(TAKEN_OFF_BY[mark.kind]!.some((kind) => taken.includes(kind)))
      : mark.kind === 'chip' && taken.includes('chip-fill')
        ? FILLED_CHIP_SHARE
        : shareGone(mark, level, panel, sharesSeen),
    ...(filled && isPolishedAway(mark.kind) && { hidden: true as const }),
  }));
