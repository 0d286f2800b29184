import { SUBSTRATES } from '#core/item/substrates';
import { FAMILIES } from '#core/products/families';
import { takesPolish } from '#core/prepare/steps';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { siteFaultOf } from './site';
import { type Want, type WantCase, when } from './want';

/** Something is laid on it, so that what is done last makes it ready. */
const isLaid = ({ washed, panel: { substrate, toCome } }: WantCase) =>
  washed && toCome.length > 0 && !SUBSTRATES[substrate].keepClear;
const isFaded = ({ panel: { marks } }: WantCase) => marks.some(({ kind }) => kind === 'oxidation');

/** How often the last wipe is done: by the school, and again in the morning where it stands over night. */
function wipes({ substrate, toCome }: PanelCase, { schools, overnight }: PrepareSettings): Wanted[] {
  const primed = toCome[0] === 'ceramic-primer' && schools.wipe === 'none-over-primer';
  if (primed) return [];
  const { matte, glass } = SUBSTRATES[substrate];
  const name = FAMILIES[toCome[0]!].name;
  const onCloth = matte ? '; poured on the cloth, never on the satin' : '';
  const reason = `${name} bonds to bare ${glass ? 'glass' : 'surface'} only${onCloth}`;
  const kind = SUBSTRATES[substrate].noSolvent ? 'mild-wipe' : 'panel-wipe';
  const rounds = schools.wipe === 'twice' ? 2 : 1;
  const again: Wanted[] = overnight
    ? [{ kind, reason: 'it stood over night: dust and bloom have settled', round: rounds + 1 }]
    : [];
  return [...Array.from({ length: rounds }, (_, nth): Wanted => ({ kind, reason, round: nth + 1 })), ...again];
}

/** From the polished surface to the one a product is laid on. */
export const ENDING: readonly Want[] = [
  (subject) =>
    when(isLaid(subject) && SUBSTRATES[subject.panel.substrate].glass === true, {
      kind: 'glass-polish',
      reason: 'old repellent and grease come off glass only so',
    }),
  (subject) =>
    when(
      isLaid(subject) &&
        SUBSTRATES[subject.panel.substrate].metalFinish === true &&
        (subject.bonds || isFaded(subject)),
      {
        kind: 'metal-polish',
        reason: isFaded(subject) ? 'dull' : 'its bloom and old polish come off only so',
      },
    ),
  (subject) =>
    when(isLaid(subject) && subject.panel.substrate === 'acrylic-window', {
      kind: 'acrylic-polish',
      reason: 'haze and fine scratches come off acrylic only with a polish made for it',
    }),
  (subject) =>
    when(isLaid(subject) && SUBSTRATES[subject.panel.substrate].trim === true && isFaded(subject), {
      kind: 'trim-restore',
      reason: 'faded',
    }),
  (subject) =>
    when(isLaid(subject) && takesPolish(subject.panel.substrate) && !siteFaultOf('prep-wash', subject.settings), {
      kind: 'prep-wash',
      reason: 'takes polishing oil and dust out of the gaps',
    }),
  (subject) => (isLaid(subject) && subject.bonds ? wipes(subject.panel, subject.settings) : []),
];
