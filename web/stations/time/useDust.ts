import { useMemo } from 'react';
import { minuteOfDay, minutesBetween } from '#formats/values';
import type { LaidAt } from '#job/go';
import { useJobsOfTheDayQuery } from '../../app/api';
import type { JobView } from '../../job/useJobView';

/** Another job that is sanded or polished in the same bay, minutes of this one. */
export interface Dust {
  readonly title: string;
  readonly fromMin: number;
  readonly toMin: number;
}

/** Who makes dust in the bay of a job within the time looked at. */
export function useDust(
  { id, bay, document: { startAt } }: Pick<JobView, 'bay' | 'document' | 'id'>,
  fromMin: number,
  forMin: number,
): readonly Dust[] {
  const { data: jobs } = useJobsOfTheDayQuery();
  return useMemo(
    () =>
      (jobs ?? [])
        .filter((other) => other.id !== id && bay !== undefined && other.bayId === bay.id)
        .flatMap(({ title, dusty }) =>
          dusty.map(({ from, until }) => ({
            title,
            fromMin: minutesBetween(startAt, from),
            toMin: minutesBetween(startAt, until),
          })),
        )
        .filter((dust) => dust.toMin > fromMin && dust.fromMin < fromMin + forMin),
    [jobs, id, bay, startAt, fromMin, forMin],
  );
}

/** Where a job is laid: whether the sun can reach it there, and when somebody makes dust beside it. */
export const laidAt = ({ prepare, startAt }: JobView['document'], dust: readonly Dust[]): LaidAt => ({
  shade: (prepare?.move?.site ?? prepare?.site)?.shade ?? true,
  startMinuteOfDay: minuteOfDay(startAt),
  dust: dust.map(({ fromMin, toMin }) => [fromMin, toMin]),
});
