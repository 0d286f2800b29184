import type { Sizes } from '#core/item/nets';
import { BRAM, inBay, mark, ODILE, onDay, type SampleJob, surveyed } from '../sample';

const SIZE: Sizes = { lengthMm: 5900, widthMm: 2040, heightMm: 2560, wheelbaseMm: 3600 };

/** Surveyed only: nothing chosen for it yet. A high van whose long sides are wrapped in the hotel's colours. */
export function shuttle(now: string): SampleJob {
  const wrapped = (id: string) => /^side-/.test(id);
  const surfaces = surveyed({
    template: 'high-van',
    size: SIZE,
    madeOf: ({ id, substrate }) => (substrate === 'clear-gloss' && wrapped(id) ? 'vinyl' : substrate),
    seen: {
      'side-rear-upper-right': { note: 'Print lifts at the rear edge: test spot first.' },
      bonnet: { readingsUm: [108, 112, 105], touch: 'rough', marks: [mark('h1', 'chip', 'light', [0.4, 0.2])] },
    },
  });
  const wheels = surfaces.filter(({ substrate }) => substrate === 'wheel').map(({ id }) => id);
  const draft = inBay('bay-2', {
    title: 'Hotel shuttle, wrapped sides',
    startAt: onDay(now, 5, 9),
    surfaces,
    crew: { mode: 'pair', layM2PerMin: 0.46, levelM2PerMin: 0.5, people: [ODILE, BRAM] },
    prepare: {
      use: 'work',
      scope: wheels.map((surface) => ({
        surface,
        state: 'excluded' as const,
        reason: 'winter wheels, swapped at Easter',
        followUp: 'treat the summer wheels before they go on',
        followUpOn: onDay(now, 30, 9).slice(0, 10),
      })),
    },
    item: {
      id: 'shuttle-of-breakwater-house',
      name: 'Hotel shuttle',
      ownerName: 'Breakwater House Hotel',
      template: { id: 'high-van', ...SIZE },
    },
  });
  return { id: 'hotel-shuttle', draft, log: [] };
}
