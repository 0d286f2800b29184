import { SUBSTRATES } from '#core/item/substrates';
import type { AllowedLevel } from './ledger';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { polishSteps } from './polish-steps';

/**
 * What is masked: trim and lamps by the school; a matte finish beside polish always, since a slip there cannot be
 * undone; polished panels themselves only in the school that tapes every edge.
 */
export function masking(
  panel: PanelCase,
  { level }: AllowedLevel,
  { schools }: PrepareSettings,
  besidePolish: boolean,
): Wanted[] {
  const { matte, masked } = SUBSTRATES[panel.substrate];
  if (polishSteps(panel, level).length > 0) {
    return schools.masking === 'many' ? [{ kind: 'tape', reason: 'edges burn through first' }] : [];
  }
  if (!besidePolish) return [];
  if (matte) {
    return [
      { kind: 'tape', reason: 'polish that touches a matte finish turns it glossy, and its neighbours are polished' },
    ];
  }
  return masked && schools.masking !== 'none'
    ? [{ kind: 'tape', reason: 'polish stays off it while its neighbours are polished' }]
    : [];
}
