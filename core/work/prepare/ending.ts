import { SUBSTRATES } from '#core/item/substrates';
import { FAMILIES } from '#core/products/families';
import { foundOn, wipeRefusal } from '#core/products/layering';
import { takesPolish } from '#core/work/steps';
import { BONDING } from './bonding';
import { GLASS, NOT_WASHED, TRIM } from './kinds-of-surface';
import type { AllowedLevel } from './ledger';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { polishSteps } from './polish-steps';
import { siteFault } from './site';

export function ending(panel: PanelCase, { level }: AllowedLevel, { schools, site }: PrepareSettings): Wanted[] {
  const { substrate, toCome, marks, existing } = panel;
  const [first] = toCome;
  if (first === undefined || NOT_WASHED.includes(substrate) || SUBSTRATES[substrate].keepClear) return [];
  const polished = takesPolish(substrate) && !siteFault('prep-wash', site);
  const ends: Wanted[] = [];
  if (GLASS.includes(substrate))
    ends.push({ kind: 'glass-polish', reason: 'old repellent and grease come off glass only so' });
  if (TRIM.includes(substrate) && marks.some(({ kind }) => kind === 'oxidation')) {
    ends.push({ kind: 'trim-restore', reason: 'faded' });
  }
  if (polished) ends.push({ kind: 'prep-wash', reason: 'takes polishing oil and dust out of the gaps' });
  const primed = first === 'ceramic-primer' && schools.wipe === 'none-over-primer';
  const polishedOff = polishSteps(panel, level).length > 0;
  const refusal = polishedOff ? undefined : wipeRefusal(foundOn(existing));
  if (BONDING.includes(first) && substrate !== 'acrylic-window' && !primed) {
    const rounds = schools.wipe === 'twice' ? 2 : 1;
    const reason = `${FAMILIES[first].name} bonds to bare ${GLASS.includes(substrate) ? 'glass' : 'surface'} only`;
    for (let round = 1; round <= rounds; round++) {
      ends.push({ kind: 'panel-wipe', reason, round, ...(refusal && { impossible: refusal }) });
    }
  }
  return ends;
}
