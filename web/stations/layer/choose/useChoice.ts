import { useCallback, useEffect, useRef, useState } from 'react';
import type { ChoiceFile, ChoicePoint } from '#formats/choice';
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
  const worker = useRef<Worker>(undefined);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setState((before) => ({ ...before, working: false }));
  }, []);
  const start = useCallback((request: ChooseRequest) => {
    worker.current?.terminate();
    const own = new Worker(new URL('./choose.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    setState({ ...IDLE, working: true });
    own.addEventListener('message', ({ data }: MessageEvent<ChooseNews>) => {
      if (worker.current !== own) return;
      setState((before) => after(before, data));
      if (data.kind === 'done' || data.kind === 'failed') own.terminate();
    });
    own.addEventListener('error', ({ message }) => {
      setState((before) => ({ ...before, working: false, failed: message || 'the solver could not be started' }));
    });
    own.postMessage(request);
  }, []);
  useEffect(() => () => worker.current?.terminate(), []);
  return { state, start, stop };
}

function after(before: ChoiceState, news: ChooseNews): ChoiceState {
  switch (news.kind) {
    case 'point':
      return { ...before, points: [...before.points, news.point], done: news.done, of: news.of };
    case 'nearer':
      return { ...before, gap: news.gap };
    case 'done':
      return { ...before, working: false, points: news.choice.points, answer: news.choice };
    case 'failed':
      return { ...before, working: false, failed: news.message };
  }
}
