import { nest } from '#core/film/nest';
import { panelsOfSet } from '#core/film/sets';
import type { Sizes } from '#core/item/nets';
import type { Job } from '#formats/job';
import { filmWork, firstNest, nestCaseOf } from '#job/film';
import { inBay, onDay, type SampleJob, surveyed } from '../sample';

const SIZE: Sizes = { lengthMm: 4650, widthMm: 1810, heightMm: 1435, wheelbaseMm: 2750 };

/** Planned for next week: its whole front in film, and a coating over film and paint alike. */
export function saloon(now: string): SampleJob {
  const surfaces = surveyed({
    template: 'saloon',
    size: SIZE,
    stacks: { 'clear-gloss': [{ product: 'keelstone' }], wheel: [{ product: 'bollard' }] },
  });
  const front = new Set(panelsOfSet('full-front', surfaces).map(({ id }) => id));
  const draft = inBay('bay-2', {
    title: 'Moss saloon, front in film',
    startAt: onDay(now, 8, 9),
    surfaces: surfaces.map((surface) =>
      front.has(surface.id) ? { ...surface, layers: [{ product: 'pilot-film' }, ...(surface.layers ?? [])] } : surface,
    ),
    owner: { parking: 'street', wash: 'hand', distance: 'much' },
    prepare: { level: 'one-step', use: 'daily' },
    item: {
      id: 'saloon-of-petra-holm',
      name: 'Moss saloon',
      ownerName: 'Petra Holm',
      template: { id: 'saloon', ...SIZE },
      access: 'Bonnet ajar while its edges are wrapped; lamps off and cold.',
    },
  });
  return {
    id: 'moss-saloon',
    draft: { ...draft, document: { ...draft.document, film: nested(draft.document) } },
    log: [],
  };
}

let known: Job['film'];
/** Laid on the yard's roll one by one: somebody has looked whether it will do, and goes on from there. */
function nested(document: Job): Job['film'] {
  // The same whatever the day is: worked out once.
  known ??= filmWork(document).map((work) => {
    const first = { ...firstNest(work), thing: 'pilot-film-1' };
    const { placements } = nest(nestCaseOf(work, first), () => true);
    return { ...first, placements: [...placements] };
  });
  return known;
}
