import type { Level } from './levels';
import { LEVELS } from './levels';
import { ledgerOf, type LedgerCase } from './ledger';
import type { PanelCase } from './panel-case';
import { type Sanding, SANDING_STEPS } from './grits';
import { takenUm } from '#core/prepare/steps';
import { mostTakenUm, polishSteps } from './polish-steps';

/** Factory paint thinner than this holds no sanding, µm of clear: engineering default of the trade. */
export const FACTORY_THIN_UM = 50;

/**
 * Why a panel is not sanded; undefined where it may be. Only where a measurement gives room for it, never on plastic or
 * factory-thin paint, always followed by a cut and a refining step.
 */
export function sandingFault(
  panel: PanelCase,
  sanding: Sanding,
  level: Level,
  ledgerCase: LedgerCase,
): string | undefined {
  const { substrate, clearUm, paint } = panel;
  if (clearUm === undefined) return 'its clear is not known: nothing is sanded on a guess';
  if (LEVELS.indexOf(level) < LEVELS.indexOf('two-step')) return 'sanding wants a cut and a refining step after it';
  if (paint === 'factory' && substrate !== 'gelcoat' && clearUm < FACTORY_THIN_UM)
    return `factory paint with ${clearUm.toFixed(0)} µm of clear holds no sanding`;
  const takes = mostTakenUm(polishSteps(panel, level)) + takenUm(SANDING_STEPS[sanding], substrate)[1];
  const { spareUm } = ledgerOf(ledgerCase, takes)!;
  return spareUm < 0 ? `${(-spareUm).toFixed(1)} µm short with the cut and the refining after it` : undefined;
}
