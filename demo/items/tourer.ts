import { instantAfter } from '#formats/values';
import type { Sizes } from '#core/item/nets';
import { MINUTES_PER_DAY } from '#core/measures';
import { inBay, mark, onDay, type SampleJob, surveyed } from '../sample';

const SIZE: Sizes = { lengthMm: 2200, widthMm: 890, heightMm: 1420 };

/** Planned for the day after tomorrow: satin all over, each panel in one piece. */
export function tourer(now: string): SampleJob {
  const startAt = onDay(now, 2, 9);
  const surfaces = surveyed({
    template: 'motorcycle',
    size: SIZE,
    madeOf: ({ substrate }) => (substrate === 'clear-gloss' ? 'clear-matte' : substrate),
    stacks: {
      'clear-matte': [{ product: 'slack-water' }],
      wheel: [{ product: 'slack-water' }],
    },
    seen: {
      'tank-left': { clearUm: 38, marks: [mark('s1', 'swirls', 'light', [0.3, 0.6], { outcome: 'stays' })] },
      'tank-right': { clearUm: 38 },
      'tank-top': { clearUm: 38 },
      'pannier-right': {
        marks: [mark('s2', 'deep-scratch', 'medium', [0.6, 0.5], { outcome: 'stays', note: 'From a kerb.' })],
      },
    },
  });
  const draft = inBay('bay-2', {
    title: 'Satin touring motorcycle',
    startAt,
    surfaces,
    owner: { needsBy: instantAfter(startAt, 1.5 * MINUTES_PER_DAY), parking: 'street', wash: 'hand' },
    prepare: {
      level: 'one-step',
      use: 'daily',
      scope: ['top-case-left', 'top-case-right', 'top-case-lid'].map((surface) => ({
        surface,
        state: 'excluded' as const,
        reason: 'the top case is at the upholsterer’s',
        followUp: 'treat the top case when it is back',
        followUpOn: onDay(now, 21, 9).slice(0, 10),
      })),
    },
    item: {
      id: 'tourer-of-jorun-abel',
      name: 'Satin tourer',
      ownerName: 'Jorun Abel',
      template: { id: 'motorcycle', ...SIZE },
      access: 'On its stand, on wheel blocks; grips, discs and treads wrapped before anything is sprayed.',
    },
  });
  return { id: 'satin-tourer', draft, log: [] };
}
