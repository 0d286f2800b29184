import { readyAfter } from '#core/schedule/days';
import { sharedIn } from '#core/plan/crew';
import type { Job } from '#formats/job';
import { minuteOfDay, minutesBetween } from '#formats/values';
import { type DaysView, USUAL_HANDOVER_MIN } from './days-view';

/**
 * When a job would be ready if laying ended, and it had cured, at other moments than planned: packed up, looked over, and
 * with somebody there to hand it over. Minutes of the job; null: not in the hours there are.
 */
export function readyIf(
  { startAt, days }: Pick<Job, 'startAt' | 'days'>,
  { blocks, people }: Pick<DaysView, 'blocks' | 'people'>,
  { endMin, curedMin }: { readonly endMin: number; readonly curedMin: number },
): number | null {
  const lasts = (kind: string) =>
    blocks
      .filter((block) => block.kind === kind)
      .flatMap(({ stretches }) => stretches)
      .reduce((sum, [from, to]) => sum + to - from, 0);
  const done = sharedIn(people, endMin, [lasts('pack-up') + lasts('check')], () => 1)[0];
  if (!done) return null;
  return readyAfter(
    {
      people,
      startMinuteOfDay: minuteOfDay(startAt),
      handoverMin: days?.handoverMin ?? USUAL_HANDOVER_MIN,
      ...(days?.collection !== undefined && { collectionMin: minutesBetween(startAt, days.collection) }),
    },
    Math.max(curedMin, done.at(-1)?.[1] ?? endMin),
  );
}
