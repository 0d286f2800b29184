import type { Sizes } from '#core/item/nets';
import { BRAM, inBay, ODILE, onDay, type SampleJob, surveyed } from '../sample';

const SIZE: Sizes = { lengthMm: 6150, heightMm: 2180, spanMm: 9700 };

/** Planned, and stopped on its windows: what suits a car does not suit an aeroplane. */
export function twoSeater(now: string): SampleJob {
  const draft = inBay('slip-shed', {
    title: 'Two-seat aeroplane, wings and cabin',
    startAt: onDay(now, 8, 9),
    surfaces: surveyed({
      template: 'aeroplane',
      size: SIZE,
      stacks: { 'aircraft-paint': [{ product: 'breakwater' }], 'acrylic-window': [{ product: 'lantern' }] },
      paint: { faultless: true },
      seen: {
        'wing-upper-right': {
          paint: 'refinished',
          refinishedOn: onDay(now, -20, 9).slice(0, 10),
          note: 'Outer half repainted: two shades.',
        },
      },
    }),
    crew: { mode: 'pair', layM2PerMin: 0.46, levelM2PerMin: 0.5, people: [ODILE, BRAM] },
    owner: { parking: 'indoor', wash: 'hand' },
    prepare: { level: 'gloss-refresh' },
    item: {
      id: 'two-seater-of-the-flying-group',
      name: 'Two-seat aeroplane',
      ownerName: 'Ternmouth Flying Group',
      template: { id: 'aeroplane', ...SIZE },
      access: 'Chocked, controls locked; a licensed engineer opens and closes what is opened.',
    },
  });
  return { id: 'two-seater', draft, log: [] };
}
