import { useEffect, useMemo, useState } from 'react';
import { carriedOn, mayCarryOn, type RunSheet, runSheet } from '#core/lay/run';
import type { PlanInput } from '#core/plan/job';
import { SEEN_FIRST_MS } from '../ui/useLater';
import { answering } from '../work/in-worker';
import type { SheetRequest } from './sheet.worker';

interface LaidOutFor {
  readonly asPlanned: PlanInput;
  readonly request: SheetRequest;
  readonly sheet: RunSheet;
}

/** Where there are no workers, everything is laid out here. */
const hasWorkers = (): boolean => typeof Worker !== 'undefined';
const started = () => new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' });

const mayStand = (before: SheetRequest, now: SheetRequest): boolean =>
  before === now || (hasWorkers() && mayCarryOn(before.record, now.record));

/**
 * The run sheet of a job. An edit of the plan is laid out at once, for all that is shown stands on it; what a tap, the
 * time of day or longer preparation moves is laid out beside the interface, and until it is there the last sheet is
 * carried on by what was tapped.
 */
export function useSheet(asPlanned: PlanInput | undefined, request: SheetRequest | undefined): RunSheet | undefined {
  const [kept, keep] = useState<LaidOutFor>();
  let laidOut = kept;
  if (asPlanned && request && !(laidOut && laidOut.asPlanned === asPlanned && mayStand(laidOut.request, request))) {
    laidOut = { asPlanned, request, sheet: runSheet(request.planned, request.record, request.fromMin) };
    keep(laidOut);
  }
  const [beside] = useState(() => (hasWorkers() ? answering<SheetRequest, RunSheet>(started) : undefined));
  useEffect(() => () => beside?.end(), [beside]);
  const isBehind = laidOut !== undefined && laidOut.request !== request;
  useEffect(() => {
    if (!isBehind || !beside || !asPlanned || !request) return;
    const { planned, record, fromMin } = request;
    // What was asked of the job before an edit is of another job.
    const found = (sheet: RunSheet) =>
      keep((standing) => (standing?.asPlanned === asPlanned ? { asPlanned, request, sheet } : standing));
    // Both cores are free for it then.
    const asked = setTimeout(
      () => beside.ask(request, { onAnswer: found, onFailed: () => found(runSheet(planned, record, fromMin)) }),
      SEEN_FIRST_MS,
    );
    return () => clearTimeout(asked);
  }, [isBehind, beside, asPlanned, request]);
  return useMemo(
    () =>
      laidOut && request && (laidOut.request === request ? laidOut.sheet : carriedOn(laidOut.sheet, request.record)),
    [laidOut, request],
  );
}
