import { useCallback, useEffect, useRef, useState } from 'react';
import type { PlacedTask } from '#core/schedule/calendar';
import type { JobRisk, ShopSources } from '#job/calendar';
import { inWorker } from '../work/in-worker';
import type { PromisesAnswer, PromisesRequest } from './promises.worker';

/** Asks beside the interface; what was asked before is called off. */
export function usePromises<Kind extends PromisesAnswer['kind']>() {
  type Answer = Extract<PromisesAnswer, { kind: Kind }>;
  const [answer, setAnswer] = useState<{ readonly of: unknown; readonly answer: Answer }>();
  const [failed, setFailed] = useState<string>();
  const [isWorking, setIsWorking] = useState(false);
  const callOff = useRef<() => void>(undefined);
  useEffect(() => () => callOff.current?.(), []);
  const ask = useCallback((request: Extract<PromisesRequest, { kind: Kind }>, of: unknown) => {
    callOff.current?.();
    setFailed(undefined);
    setIsWorking(true);
    const worker = new Worker(new URL('./promises.worker.ts', import.meta.url), { type: 'module' });
    callOff.current = inWorker<PromisesRequest, never, Answer>(worker, request, {
      onAnswer: (found) => {
        setIsWorking(false);
        setAnswer({ of, answer: found });
      },
      onFailed: (message) => {
        setIsWorking(false);
        setFailed(message);
      },
    });
  }, []);
  return {
    ask,
    /** With what it was asked of. */
    answer,
    failed,
    isWorking,
  };
}

/** So long nobody has changed anything before the weeks are gone through, ms. */
const QUIET_MS = 400;

/** How surely each job goes out when it is due, of the calendar as it is drawn; nothing while it is worked out. */
export function useRisks(sources: ShopSources | undefined, plan: readonly PlacedTask[]): ReadonlyMap<string, JobRisk> {
  const { ask, answer } = usePromises<'risks'>();
  useEffect(() => {
    if (!sources || plan.length === 0) return;
    const timer = setTimeout(() => ask({ kind: 'risks', sources, plan }, plan), QUIET_MS);
    return () => clearTimeout(timer);
  }, [ask, sources, plan]);
  return new Map(answer?.of === plan ? answer.answer.risks.map((risk) => [risk.job, risk]) : []);
}
