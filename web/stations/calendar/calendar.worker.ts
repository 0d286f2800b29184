import workerUrl from 'minizinc/minizinc-worker.js?url';
import dataUrl from 'minizinc/minizinc.data?url';
import wasmUrl from 'minizinc/minizinc.wasm?url';
import { type CalendarCase, schedule, type Scheduled } from '#core/schedule/calendar';
import { solverIn } from '../../../solver/solver';
import { serveWorker } from '../../work/in-worker';

export interface CalendarRequest {
  readonly asked: CalendarCase;
  readonly seconds: number;
}

/** The solver as it ships, in a worker of its own beside this one. */
const solver = solverIn(() => {
  const worker = new Worker(workerUrl);
  worker.postMessage({
    wasmURL: new URL(wasmUrl, self.location.origin).href,
    dataURL: new URL(dataUrl, self.location.origin).href,
  });
  return {
    post: (message) => worker.postMessage(message),
    onMessage: (listener) => void (worker.onmessage = ({ data }) => listener(data)),
    onError: (listener) => void (worker.onerror = ({ message }) => listener(new Error(message))),
    end: () => worker.terminate(),
  };
});

/** What was found; where the solver could not be asked, by orders tried alone. */
export interface CalendarAnswer {
  readonly scheduled: Scheduled;
  readonly solverFailed?: string | undefined;
}

serveWorker<CalendarRequest, Scheduled, CalendarAnswer>(async ({ asked, seconds }, tell) => {
  let solverFailed: string | undefined;
  const scheduled = await schedule(asked, {
    solver,
    timeMs: seconds * 1000,
    now: () => performance.now(),
    breathe: () => new Promise((resolve) => setTimeout(resolve, 1)),
    onFailed: (error) => (solverFailed = String(error)),
    onBetter: tell,
  });
  return { scheduled, solverFailed };
});
