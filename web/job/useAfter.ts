import { useMemo } from 'react';
import type { StandingSurface } from '#core/care/upkeep';
import type { PlanInput } from '#core/plan/job';
import type { RunSheet } from '#core/lay/run';
import type { Job } from '#formats/job';
import { daysView, type DaysView, leavesMin, type Outdoors, outdoorsOf } from '#job/days';
import { type DoneView, type PreparedView, standingView } from '#job/view';
import { useYardForecastQuery } from '../app/api';
import { useLater } from '../ui/useLater';

interface Whole {
  readonly document: Job;
  readonly planned: PlanInput;
  readonly prepared: PreparedView;
  readonly done: DoneView;
  readonly sheet: RunSheet;
}

/** A job's days, the weather it goes out into, and what lies on it then. */
export interface After {
  readonly days: DaysView;
  /** What it stands in once it has left its bay; undefined until a forecast says. */
  readonly outdoors: Outdoors | undefined;
  readonly standing: readonly StandingSurface[];
}

/**
 * What comes after the laying of a job; undefined until all of it is known. What is tapped at the bay is seen first, and
 * what follows from it a moment later; an edit is followed at once.
 */
export function useAfter(latest: Whole | undefined, countsFromMin: number, nowMin: number): After | undefined {
  const before = useLater(latest);
  const whole = before?.document === latest?.document ? before : latest;
  const { document, planned, prepared, done, sheet } = whole ?? {};
  const { data: weather } = useYardForecastQuery();
  // Renewed by the minute, not by the second.
  const fromMin = Math.floor(countsFromMin);
  const days = useMemo(
    () =>
      document && planned && prepared && done && sheet
        ? daysView({ document, planned, ...prepared, record: done.record, out: sheet.out, fromMin })
        : undefined,
    [document, planned, prepared, done, sheet, fromMin],
  );
  const leftMin = days && sheet ? leavesMin(days, sheet.plan, nowMin) : null;
  const outdoors = useMemo(
    () => (document && weather ? outdoorsOf(document, leftMin, weather) : undefined),
    [document, weather, leftMin],
  );
  const standing = useMemo(
    () => (planned && done && document ? standingView(planned, done.record, document.owner, outdoors) : undefined),
    [planned, done, document, outdoors],
  );
  return useMemo(() => days && standing && { days, outdoors, standing }, [days, outdoors, standing]);
}
