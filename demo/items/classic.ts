import { batchesOf } from '../stock';
import type { Sizes } from '#core/item/nets';

import { playedLog } from '../play';
import { inBay, mark, onDay, type SampleJob, type Seen, type SurfaceInput, surveyed } from '../sample';

const SIZE: Sizes = { lengthMm: 4060, widthMm: 1580, heightMm: 1300, wheelbaseMm: 2390 };
const READ_ON_CLASSIC: Readonly<Record<string, Seen>> = {
  bonnet: { readingsUm: [98, 104, 96], marks: [mark('c1', 'oxidation', 'light', [0.5, 0.4])] },
  'front-wing-left': { readingsUm: [102, 99] },
  'front-wing-right': { readingsUm: [101, 97] },
  'door-left': { readingsUm: [95, 100] },
  'door-right': { readingsUm: [88, 92] },
  'boot-lid': { readingsUm: [103, 108], marks: [mark('c2', 'crazing', 'light', [0.2, 0.7], { outcome: 'stays' })] },
};

/** A small crazed spot, waxed all the same: agreed with whoever owns it. */
const onCrazed = (layers: SurfaceInput['layers'] = []) =>
  layers.map((layer) => ({
    ...layer,
    overruled: { 'worn-paint': 'A spot by the lock; the customer knows it lets go' },
  }));

/** Waxed in the spring and since out in all weathers: wants renewing. */
export function classic(now: string): SampleJob {
  const wax = [
    { product: 'breakwater', coats: 2 },
    { product: 'harbour-paste', method: 'machine' as const },
  ];
  const draft = inBay('bay-1', {
    title: 'Refinished classic, sealant and wax',
    startAt: onDay(now, -75, 9),
    surfaces: surveyed({
      template: 'classic',
      size: SIZE,
      stacks: { 'single-stage': wax, chrome: [{ product: 'harbour-paste' }] },
      seen: READ_ON_CLASSIC,
      paint: { marks: [mark('hazy', 'swirls', 'light', [0.5, 0.5], { allOver: true })] },
    })
      .map((surface) =>
        surface.substrate === 'single-stage' ? { ...surface, paint: 'single-stage' as const } : surface,
      )
      .map((surface) => (surface.id === 'boot-lid' ? { ...surface, layers: onCrazed(surface.layers) } : surface)),
    owner: { parking: 'covered', wash: 'hand' },
    prepare: { level: 'gloss-refresh', use: 'show', yearsPlanned: 15 },
    item: {
      id: 'classic-of-aurel-strand',
      name: 'Two-door classic',
      ownerName: 'Aurel Strand',
      template: { id: 'classic', ...SIZE },
      access: 'Hood down and folded before the rear deck is laid; no jack under the sills.',
    },
  });
  return {
    id: 'two-door-classic',
    draft,
    log: playedLog(draft.document, Infinity, batchesOf('breakwater-1', 'harbour-paste-1')),
  };
}
