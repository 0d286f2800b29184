import { useEffect, useRef, useState } from 'react';
import type { AheadSchool } from '#core/plan/job';
import type { JobView } from '../../job/useJobView';
import { inWorker } from '../../work/in-worker';
import type { RehearsalAnswer, RehearsalRequest } from './rehearsal.worker';

/** So many days are gone through. */
export const DAYS = 1000;
/** What has moved by less than this, minutes, is the same sheet. */
const SAME_SHEET_MIN = 5;

interface Told {
  readonly request: RehearsalRequest;
  readonly share: number;
  readonly isStopped?: boolean;
  readonly failed?: string;
}

/**
 * The run sheet gone through on a thousand days, beside the interface: anew whenever the job, its record or its air
 * changes, called off when it is left. What was found before stands until there is better.
 */
export function useRehearsal(
  job: Pick<JobView, 'bay' | 'begun' | 'document' | 'layFromMin' | 'planned' | 'prepared' | 'record' | 'sheet'>,
  schools: readonly AheadSchool[],
) {
  const request = useRequest(job, schools);
  const [told, setTold] = useState<Told>();
  const [found, setFound] = useState<RehearsalAnswer>();
  const [again, setAgain] = useState(0);
  const callOff = useRef<() => void>(undefined);
  useEffect(() => {
    const worker = new Worker(new URL('./rehearsal.worker.ts', import.meta.url), { type: 'module' });
    callOff.current = inWorker<RehearsalRequest, number, RehearsalAnswer>(worker, request, {
      onNews: (share) => setTold({ request, share }),
      onAnswer: (answer) => {
        setFound(answer);
        setTold({ request, share: 1, isStopped: true });
      },
      onFailed: (failed) => setTold({ request, share: 0, isStopped: true, failed }),
    });
    return () => callOff.current?.();
  }, [request, again]);
  const own = told?.request === request ? told : undefined;
  return {
    found,
    isWorking: own?.isStopped !== true,
    /** Of the whole, from 0 to 1. */
    share: own?.share ?? 0,
    failed: own?.failed,
    stop() {
      callOff.current?.();
      setTold({ request, share: own?.share ?? 0, isStopped: true });
    },
    start() {
      setTold(undefined);
      setAgain(again + 1);
    },
  };
}
export type Rehearsal = ReturnType<typeof useRehearsal>;

/** What is asked; the same as long as nothing but the clock has moved. */
function useRequest(
  job: Pick<JobView, 'bay' | 'begun' | 'document' | 'layFromMin' | 'planned' | 'prepared' | 'record' | 'sheet'>,
  schools: readonly AheadSchool[],
): RehearsalRequest {
  const { document, record, bay, planned, layFromMin, begun, prepared, sheet } = job;
  const slot = Math.round(layFromMin / SAME_SHEET_MIN);
  const asked = { document, record, bay, slot };
  const now = (): RehearsalRequest => ({
    planned,
    record,
    fromMin: layFromMin,
    preparationMin: begun ? 0 : prepared.preparation.minutes / Math.max(1, sheet.out.people.length),
    schools,
    days: DAYS,
  });
  const [kept, setKept] = useState(() => ({ asked, request: now() }));
  const isSame =
    kept.asked.document === document &&
    kept.asked.record === record &&
    kept.asked.bay === bay &&
    kept.asked.slot === slot;
  if (isSame) return kept.request;
  const request = now();
  setKept({ asked, request });
  return request;
}
