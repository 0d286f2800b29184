import { USUAL_CONDITIONS } from '#job/handover';
import { batchesOf } from '../stock';
import type { Sizes } from '#core/item/nets';
import type { NewEntry } from '#formats/log';
import { instantAfter } from '#formats/values';
import { playedLog } from '../play';
import { allOver, inBay, onDay, type SampleJob, surveyed } from '../sample';

export const ESTATE_SIZE: Sizes = { lengthMm: 4680, widthMm: 1820, heightMm: 1470, wheelbaseMm: 2740 };
/** Left bare on purpose: what water does on it says what bare is. */
const CONTROL = 'rear-bumper-corner-left';

/** Laid yesterday, being checked: looked at in part, a high spot mended, a patch that sheets on its wet picture. */
export function estate(now: string): SampleJob {
  const startAt = onDay(now, -1, 9);
  const surfaces = surveyed({
    template: 'estate',
    size: ESTATE_SIZE,
    stacks: { 'clear-gloss': [{ product: 'breakwater' }], wheel: [{ product: 'bollard' }] },
    paint: { marks: [allOver('swirls', 'light')], colour: { tone: 'mid', name: 'Slate' } },
  });
  const draft = inBay('bay-2', {
    title: 'Slate estate, sealant',
    startAt,
    surfaces: surfaces.map((surface) =>
      surface.id === CONTROL
        ? { ...surface, layers: [], note: 'Left bare on purpose: the control its water is told from.' }
        : surface,
    ),
    owner: { parking: 'street', wash: 'hand', needsBy: onDay(now, 0, 17) },
    prepare: { level: 'one-step', use: 'daily' },
    warranty: {
      number: 'TY-27-014',
      covers: [{ product: 'bollard', months: 14 }],
      conditions: [...USUAL_CONDITIONS],
    },
    item: {
      id: 'estate-of-tove-lindgren',
      name: 'Slate estate',
      ownerName: 'Tove Lindgren',
      template: { id: 'estate', ...ESTATE_SIZE },
    },
  });
  const laid = playedLog(draft.document, Infinity, batchesOf('breakwater-1'));
  return { id: 'slate-estate', draft, log: [...laid, ...checked(laid, now)] };
}

/** What was looked at since, by hand light, and the drops read this morning. */
function checked(laid: readonly NewEntry[], now: string): NewEntry[] {
  const doneAt = laid.at(-1)!.at;
  const onBonnet = laid.find(({ entry }) => entry.type === 'lay-start' && entry.patch.surface === 'bonnet')!.entry;
  if (onBonnet.type !== 'lay-start') return [];
  const { patch } = onBonnet;
  const looked = (surface: string) =>
    ({ type: 'looked', place: `panel:${surface}`, light: 'hand-light' }) satisfies NewEntry['entry'];
  const after: readonly NewEntry['entry'][] = [
    ...['front-bumper', 'front-bumper-corner-right', 'front-bumper-corner-left'].map(looked),
    { type: 'fault', patch, fault: 'high-spot', at: [0.3, 0.35] },
    { type: 'remedied', fault: 'check-4', how: 're-wet' },
  ];
  const drops: readonly NewEntry['entry'][] = [
    { type: 'bead', surface: 'front-door-left', deg: 103.2, sigmaDeg: 1.9 },
    { type: 'bead', surface: CONTROL, deg: 66.8, sigmaDeg: 1.6 },
  ];
  return [
    ...after.map((entry, nth) => ({ id: `check-${nth + 1}`, at: instantAfter(doneAt, 2 + nth), entry })),
    ...drops.map((entry, nth) => ({ id: `drop-${nth + 1}`, at: instantAfter(now, nth - 30), entry })),
  ];
}
