import { useMemo } from 'react';
import { NINE_IN_TEN_SIGMAS } from '#core/measures';
import { ripening, type Ripening } from '#job/days';
import type { JobView } from '../../job/useJobView';

/** When it may be washed and is hard: where it will stand, in its bay, and on the cold one of twenty days. */
export interface RipeningView {
  readonly expected: Ripening;
  readonly inBay: Ripening;
  readonly cold: Ripening;
}

export const useRipening = ({ planned, plan, outdoors }: JobView): RipeningView =>
  useMemo(
    () => ({
      expected: ripening(planned, plan, outdoors),
      inBay: ripening(planned, plan),
      cold: ripening(planned, plan, outdoors, -NINE_IN_TEN_SIGMAS),
    }),
    [planned, plan, outdoors],
  );
