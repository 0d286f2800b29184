import type { Solver, SolverAnswer, SolverEnd } from '#core/schedule/calendar';

/** Somewhere the solver runs by itself: a worker of the browser, a thread of Node. */
export interface SolverPlace {
  post(message: unknown): void;
  onMessage(listener: (message: SolverMessage) => void): void;
  onError(listener: (error: Error) => void): void;
  end(): void;
}

/** What it says; other kinds of message are of no use here. */
interface SolverMessage {
  readonly type: string;
  readonly output?: { readonly json?: SolverAnswer };
  readonly status?: string;
  readonly message?: string;
  readonly code?: number;
}

/** The engine: learns from each dead end. */
const ENGINE = 'chuffed';
const MODEL = 'calendar.mzn';
const LAST = new Set(['OPTIMAL_SOLUTION', 'ALL_SOLUTIONS']);
/** A run that has been asked to end by itself and has not is ended from outside, milliseconds after. */
const GRACE_MS = 1500;

/**
 * A constraint solver (MiniZinc with Chuffed, as WebAssembly) that is kept warm: the next run's place is made ready
 * while nobody waits for it.
 * @param open begins a place and tells it where its files are
 */
export function solverIn(
  open: () => SolverPlace,
): Solver & { readonly close: () => void; readonly ready: () => Promise<void> } {
  let next: { readonly place: SolverPlace; readonly ready: Promise<void> } | undefined;
  let stopRun: (() => void) | undefined;
  const warm = () => {
    if (next) return next;
    const place = open();
    const ready = new Promise<void>((resolve, reject) => {
      place.onMessage(({ type }) => type === 'ready' && resolve());
      place.onError(reject);
    });
    // Whoever waits for it is told; nobody else need be.
    ready.catch(() => undefined);
    next = { place, ready };
    return next;
  };
  return {
    ready: () => warm().ready,
    async run(model, timeMs, seed, onAnswer): Promise<SolverEnd> {
      const { place, ready } = warm();
      next = undefined;
      await ready;
      return new Promise((resolve, reject) => {
        let hasAnswer = false;
        let end: SolverEnd = 'stopped';
        const settle = (as: SolverEnd, failed?: Error) => {
          clearTimeout(overdue);
          stopRun = undefined;
          place.end();
          if (failed) reject(failed);
          else resolve(as);
        };
        const overdue = setTimeout(() => settle('stopped'), timeMs + GRACE_MS);
        stopRun = () => settle('stopped');
        place.onError((error) => settle('stopped', error));
        place.onMessage(({ type, output, status, message, code }) => {
          if (type === 'solution' && output?.json) {
            hasAnswer = true;
            onAnswer(output.json);
          } else if (type === 'status' && LAST.has(status ?? '')) end = 'best';
          else if (type === 'status' && status === 'UNSATISFIABLE') end = 'none';
          else if (type === 'error') settle('stopped', new Error(`the solver says: ${message ?? 'nothing'}`));
          else if (type === 'exit') {
            if (code !== 0 && !hasAnswer && end === 'stopped')
              settle('stopped', new Error(`the solver ended with ${code}`));
            else settle(end);
          }
        });
        place.post({
          jsonStream: true,
          files: { [MODEL]: model },
          // Each answer as it is found; learned clauses decide where to look.
          args: [
            ...['-i', '--output-mode', 'json', '--solver', ENGINE, '-f', '--random-seed', String(seed)],
            ...['--time-limit', String(Math.max(1, Math.round(timeMs))), MODEL],
          ],
        });
      });
    },
    stop: () => stopRun?.(),
    close() {
      stopRun?.();
      next?.place.end();
      next = undefined;
    },
  };
}
