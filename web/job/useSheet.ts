import { useEffect, useMemo, useState } from 'react';
import { carriedOn, mayCarryOn, type RunSheet, runSheet } from '#core/work/run';
import type { Job } from '#formats/job';
import { SEEN_FIRST_MS } from '../ui/useLater';
import { answering } from '../work/in-worker';
import type { SheetRequest } from './sheet.worker';

interface LaidOutFor {
  readonly document: Job;
  readonly request: SheetRequest;
  readonly sheet: RunSheet;
}

/** Where there are no workers, everything is laid out here. */
const hasWorkers = (): boolean => typeof Worker !== 'undefined';
const started = () => new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' });

const mayStand = (before: SheetRequest, now: SheetRequest): boolean =>
  before === now || (hasWorkers() && mayCarryOn(before.record, now.record));

/**
 * The run sheet of a job. An edit is laid out at once, for all that is shown stands on it; what a tap or the time of day
 * moves is laid out beside the interface, and until it is there the last sheet is carried on by what was tapped.
 */
export function useSheet(document: Job | undefined, request: SheetRequest | undefined): RunSheet | undefined {
  const [kept, keep] = useState<LaidOutFor>();
  let laidOut = kept;
  if (document && request && !(laidOut && laidOut.document === document && mayStand(laidOut.request, request))) {
    laidOut = { document, request, sheet: runSheet(request.planned, request.record, request.fromMin) };
    keep(laidOut);
  }
  const [beside] = useState(() => (hasWorkers() ? answering<SheetRequest, RunSheet>(started) : undefined));
  useEffect(() => () => beside?.end(), [beside]);
  const isBehind = laidOut !== undefined && laidOut.request !== request;
  useEffect(() => {
    if (!isBehind || !beside || !document || !request) return;
    const { planned, record, fromMin } = request;
    // What was asked of the job before an edit is of another job.
    const found = (sheet: RunSheet) =>
      keep((standing) => (standing?.document === document ? { document, request, sheet } : standing));
    // Both cores are free for it then.
    const asked = setTimeout(
      () => beside.ask(request, { onAnswer: found, onFailed: () => found(runSheet(planned, record, fromMin)) }),
      SEEN_FIRST_MS,
    );
    return () => clearTimeout(asked);
  }, [isBehind, beside, document, request]);
  return useMemo(
    () =>
      laidOut && request && (laidOut.request === request ? laidOut.sheet : carriedOn(laidOut.sheet, request.record)),
    [laidOut, request],
  );
}
