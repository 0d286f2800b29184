import type { Mark } from '#core/item/condition';
import { SUBSTRATES } from '#core/item/substrates';
import { BONDING } from './bonding';
import { GLASS, NEEDS_TAPE, NOT_WASHED } from './kinds-of-surface';
import type { AllowedLevel } from './ledger';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { polishSteps } from './polish-steps';
import { siteFault } from './site';

export function cleaning(panel: PanelCase, { schools, site }: PrepareSettings): Wanted[] {
  const { substrate, touch, iron, marks, count } = panel;
  if (NOT_WASHED.includes(substrate)) return [];
  const seen = (...kinds: readonly Mark['kind'][]) => marks.some(({ kind }) => kinds.includes(kind));
  const wet = siteFault('wash', site);
  const washed: Wanted[] = wet
    ? [{ kind: 'rinseless', reason: `washed without rinsing, since ${wet}` }]
    : [
        { kind: 'pre-wash', reason: 'loosens grit before anything touches it' },
        { kind: 'wash', reason: 'everything after it is done on clean paint' },
      ];
  if (SUBSTRATES[substrate].keepClear) return washed;
  if (substrate === 'wheel')
    return [{ kind: 'wheels', reason: 'brake dust, with cleaners of their own', pieces: count }];
  const bonds = panel.toCome.some((family) => BONDING.includes(family));
  const painted = SUBSTRATES[substrate].gaugeReads === true || substrate === 'gelcoat';
  const ironed: Wanted[] =
    iron === 'bleeds' || (iron === undefined && bonds && painted)
      ? [
          {
            kind: 'iron',
            reason: iron === 'bleeds' ? 'the iron test bled' : 'not tried for iron, and a coating is to come',
          },
        ]
      : [];
  const tarred: Wanted[] = seen('contamination') ? [{ kind: 'tar', reason: 'bonded contamination was marked' }] : [];
  const rough = touch === 'rough' || seen('contamination', 'dry-spray');
  const clayed: Wanted[] =
    rough && !GLASS.includes(substrate) && !SUBSTRATES[substrate].matte
      ? [{ kind: 'clay', reason: touch === 'rough' ? 'rough to the fingertip' : 'what is bonded to it was marked' }]
      : [];
  const inOrder = schools.iron === 'before-wash' ? [...ironed, ...washed] : [...washed, ...ironed];
  return [...inOrder, ...tarred, ...clayed, { kind: 'dry', reason: 'water hides in gaps and comes out later' }];
}

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
  const { substrate } = panel;
  if (polishSteps(panel, level).length > 0) {
    return schools.masking === 'many' ? [{ kind: 'tape', reason: 'edges burn through first' }] : [];
  }
  if (!besidePolish) return [];
  if (SUBSTRATES[substrate].matte) {
    return [
      { kind: 'tape', reason: 'polish that touches a matte finish turns it glossy, and its neighbours are polished' },
    ];
  }
  return NEEDS_TAPE.includes(substrate) && schools.masking !== 'none'
    ? [{ kind: 'tape', reason: 'polish stays off it while its neighbours are polished' }]
    : [];
}
