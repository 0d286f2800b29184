import { useMemo } from 'react';
import { NINE_IN_TEN_SIGMAS } from '#core/measures';
import { curingDates, type CuringDates } from '#job/days';
import type { JobView } from '../../job/useJobView';

/** When it may be washed and is hard: where it will stand, in its bay, and on the cold one of twenty days. */
export interface CuringDatesView {
  readonly expected: CuringDates;
  readonly inBay: CuringDates;
  readonly cold: CuringDates;
}

export const useCuringDates = ({
  planned,
  plan,
  outdoors,
}: Pick<JobView, 'outdoors' | 'plan' | 'planned'>): CuringDatesView =>
  useMemo(
    () => ({
      expected: curingDates(planned, plan, outdoors),
      inBay: curingDates(planned, plan),
      cold: curingDates(planned, plan, outdoors, -NINE_IN_TEN_SIGMAS),
    }),
    [planned, plan, outdoors],
  );
