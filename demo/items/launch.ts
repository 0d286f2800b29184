import { batchesOf } from '../stock';
import type { Sizes } from '#core/item/nets';
import { MINUTES_PER_DAY, MINUTES_PER_HOUR } from '#core/measures';
import { instantAfter, minuteOfDay } from '#formats/values';
import { playedLog } from '../play';
import { allOver, BRAM, inBay, mark, ODILE, onDay, type SampleJob, surveyed } from '../sample';

const SIZE: Sizes = { lengthMm: 6400, widthMm: 2250, heightMm: 1250 };
/** Laid in the morning, done well before the shed closes. */
const BEGINS_H = 9;
const DONE_BY_H = 16;

/** Laid by two on the last day that is over, curing in a shed that cools at night. */
export function launch(now: string): SampleJob {
  const today = minuteOfDay(now) >= DONE_BY_H * MINUTES_PER_HOUR;
  const startAt = onDay(now, today ? 0 : -1, BEGINS_H);
  const draft = inBay('slip-shed', {
    title: 'Gelcoat launch, topsides',
    startAt,
    surfaces: surveyed({
      template: 'launch',
      size: SIZE,
      stacks: { gelcoat: [{ product: 'deck-hand', method: 'big-mitt' }] },
      paint: { marks: [allOver('oxidation', 'light')], touch: 'rough' },
      seen: {
        transom: {
          marks: [allOver('oxidation', 'medium'), mark('t1', 'stain', 'medium', [0.5, 0.7])],
          note: 'Exhaust stain under the outlet stays a shade darker.',
        },
      },
    }),
    crew: { mode: 'pair', layM2PerMin: 0.46, levelM2PerMin: 0.5, people: [ODILE, BRAM] },
    owner: { needsBy: instantAfter(now, 2 * MINUTES_PER_DAY), parking: 'coastal', wash: 'hand' },
    prepare: {
      level: 'one-step',
      use: 'work',
      scope: [{ surface: 'cockpit-sole', state: 'excluded', reason: 'non-slip deck is never coated: feet slide' }],
    },
    item: {
      id: 'launch-marrow',
      name: 'Launch “Marrow”',
      ownerName: 'Pilot Office, Ternmouth',
      template: { id: 'launch', ...SIZE },
      access: 'On the cradle; the rail on the harbour side swings in and out of the way.',
    },
  });
  return { id: 'marrow-launch', draft, log: playedLog(draft.document, Infinity, batchesOf('deck-hand-1')) };
}
