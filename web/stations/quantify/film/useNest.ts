import { useCallback, useEffect, useRef, useState } from 'react';
import type { Nested } from '#core/film/nest';
import { inWorker } from '../../../work/in-worker';
import type { NestNews, NestRequest } from './nest.worker';

export interface NestState {
  readonly working: boolean;
  readonly case: number;
  readonly share: number;
  /** Best so far, by case. */
  readonly best: readonly (Nested | undefined)[];
  readonly failed?: string;
}
const IDLE: NestState = { working: false, case: 0, share: 0, best: [] };

/** Nesting beside the interface: told whenever something better is found, stopped at will. */
export function useNest(onDone: (best: readonly (Nested | undefined)[]) => void) {
  const [state, setState] = useState<NestState>(IDLE);
  const callOff = useRef<() => void>(undefined);
  const best = useRef<(Nested | undefined)[]>([]);
  const done = useRef(onDone);
  useEffect(() => {
    done.current = onDone;
  });
  /** Called off: nothing of it is kept. */
  const drop = useCallback(() => {
    callOff.current?.();
    callOff.current = undefined;
    setState((before) => ({ ...before, working: false }));
  }, []);
  const stop = useCallback(() => {
    drop();
    if (best.current.length > 0) done.current(best.current);
  }, [drop]);
  const start = useCallback((request: NestRequest) => {
    callOff.current?.();
    best.current = [];
    setState({ ...IDLE, working: true });
    const worker = new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' });
    callOff.current = inWorker<NestRequest, NestNews, readonly Nested[]>(worker, request, {
      onNews: (news) => {
        if (news.best) best.current = Object.assign([...best.current], { [news.case]: news.best });
        setState((before) => ({ ...before, case: news.case, share: news.share, best: best.current }));
      },
      onAnswer: (answer) => {
        setState((before) => ({ ...before, working: false, share: 1, best: answer }));
        done.current(answer);
      },
      onFailed: (failed) => setState((before) => ({ ...before, working: false, failed })),
    });
  }, []);
  useEffect(() => () => callOff.current?.(), []);
  return { state, start, stop, drop };
}
