import { useCallback, useEffect, useRef, useState } from 'react';
import type { ChoiceFile, ChoicePoint } from '#formats/choice';
import { inWorker } from '../../../work/in-worker';
import type { ChooseNews, ChooseRequest } from './choose.worker';

export interface ChoiceState {
  readonly working: boolean;
  readonly done: number;
  readonly of: number;
  /** How near the best is proven to be so far, as a share. */
  readonly gap?: number;
  /** As they are found; the final frontier once it is done. */
  readonly points: readonly ChoicePoint[];
  readonly answer?: ChoiceFile;
  readonly failed?: string;
}
const IDLE: ChoiceState = { working: false, done: 0, of: 0, points: [] };

/** The choice, worked out beside the interface, told point by point, and cancelled at will. */
export function useChoice() {
  const [state, setState] = useState<ChoiceState>(IDLE);
  const callOff = useRef<() => void>(undefined);
  const stop = useCallback(() => {
    callOff.current?.();
    setState((before) => ({ ...before, working: false }));
  }, []);
  const start = useCallback((request: ChooseRequest) => {
    callOff.current?.();
    setState({ ...IDLE, working: true });
    const worker = new Worker(new URL('./choose.worker.ts', import.meta.url), { type: 'module' });
    callOff.current = inWorker<ChooseRequest, ChooseNews, ChoiceFile>(worker, request, {
      onNews: (news) => setState((before) => after(before, news)),
      onAnswer: (answer) => setState((before) => ({ ...before, working: false, points: answer.points, answer })),
      onFailed: (failed) => setState((before) => ({ ...before, working: false, failed })),
    });
  }, []);
  useEffect(() => () => callOff.current?.(), []);
  return { state, start, stop };
}

function after(before: ChoiceState, news: ChooseNews): ChoiceState {
  return news.kind === 'nearer'
    ? { ...before, gap: news.gap }
    : { ...before, points: [...before.points, news.point], done: news.done, of: news.of };
}
