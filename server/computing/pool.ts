import { Worker } from 'node:worker_threads';
import type { Change, Problem } from '#formats/api';
import type { Asked } from '../http/call';
import type { Beside } from '../http/mount';
import { busy, closedForNow, ProblemError } from '../http/problem';
import type { ChangeFeed } from '../services/changes';
import type { Computing, Questions } from './computing';

/** Two: one long paper does not keep everybody else from theirs. */
const MOST_THREADS = 2;
/** More does not wait: whoever asks is told to ask again. */
const MOST_WAITING = 64;
/** Whatever takes longer is given up, ms. */
const BUDGET_MS = 30_000;
/** What a thread may keep, MB; and what it makes and drops before it looks what is kept. */
const LIMITS = { maxOldGenerationSizeMb: 192, maxYoungGenerationSizeMb: 16 };

export interface ThreadStart {
  readonly file: string;
  /** How far the workshop's clock is ahead of this machine's, ms. */
  readonly aheadMs: number;
}
export type Order =
  | { readonly kind: 'answer'; readonly asked: Asked }
  | { readonly kind: 'read'; readonly asked: Asked }
  | { readonly kind: 'ask'; readonly name: string; readonly args: readonly unknown[] };
export type Reply = { readonly given: unknown } | { readonly problem: Problem } | { readonly fault: string };

interface Waiting {
  readonly order: Order;
  resolve(given: unknown): void;
  reject(error: unknown): void;
}
interface Thread {
  readonly worker: Worker;
  /** What has changed since it was asked last. */
  changes: Change[];
  doing?: Waiting & { readonly timer: NodeJS.Timeout };
}

/** What keeps itself busy while nobody waits. */
const isBackground = ({ order }: Waiting): boolean => order.kind === 'ask' && order.name === 'summaries';

/** Threads that work out what is asked, one thing each at a time: those who wait first, then what nobody waits for. */
export interface Pool extends Computing, Beside {
  /** What has changed is told to every thread before it is asked again. */
  follow(feed: ChangeFeed): void;
  close(): void;
}

/**
 * Threads are begun as they are needed.
 * @param script where a thread begins, as it was built
 */
export function computingPool(script: URL, start: ThreadStart, { budgetMs = BUDGET_MS } = {}): Pool {
  let isOpen = true;
  const threads = new Set<Thread>();
  const waiting: Waiting[] = [];

  const begin = (): Thread => {
    const worker = new Worker(script, { workerData: start, resourceLimits: LIMITS });
    const thread: Thread = { worker, changes: [] };
    worker.on('message', (reply: Reply) => {
      const done = finish(thread);
      if ('given' in reply) done?.resolve(reply.given);
      else if ('problem' in reply) done?.reject(new ProblemError(reply.problem));
      else done?.reject(new Error(`In a computing thread: ${reply.fault}`));
      goOn();
    });
    worker.on('error', (error) => lose(thread, error));
    worker.on('exit', () => lose(thread, new Error('A computing thread ended.')));
    threads.add(thread);
    return thread;
  };
  const finish = (thread: Thread): Waiting | undefined => {
    const { doing } = thread;
    clearTimeout(doing?.timer);
    delete thread.doing;
    return doing;
  };
  /** A thread is gone, or given up: another is begun where something waits. */
  const lose = (thread: Thread, why: unknown): void => {
    if (!threads.delete(thread)) return;
    void thread.worker.terminate();
    finish(thread)?.reject(why);
    goOn();
  };
  const nextWaiting = (): Waiting | undefined => {
    const first = waiting.findIndex((each) => !isBackground(each));
    const isAnyBackground = [...threads].some(({ doing }) => doing && isBackground(doing));
    if (first === -1 && isAnyBackground) return undefined;
    return waiting.splice(Math.max(0, first), 1)[0];
  };
  const goOn = (): void => {
    while (isOpen && waiting.length > 0) {
      const free = [...threads].find(({ doing }) => !doing) ?? (threads.size < MOST_THREADS ? begin() : undefined);
      const next = free && nextWaiting();
      if (!free || !next) return;
      const timer = setTimeout(() => lose(free, busy()), budgetMs).unref();
      free.doing = { ...next, timer };
      free.worker.postMessage({ order: next.order, changes: free.changes });
      free.changes = [];
    }
  };
  const enqueue = (order: Order): Promise<unknown> =>
    new Promise((resolve, reject) => {
      if (!isOpen) return reject(closedForNow());
      const wanted = { order, resolve, reject };
      if (!isBackground(wanted) && waiting.length >= MOST_WAITING) return reject(busy());
      waiting.push(wanted);
      // What asks within a write asks for what was written: that is on the disk by then.
      setImmediate(goOn);
    });

  return {
    answer: (asked) => enqueue({ kind: 'answer', asked }),
    read: (asked) => enqueue({ kind: 'read', asked }),
    ask: (name, ...args) => enqueue({ kind: 'ask', name, args }) as Promise<ReturnType<Questions[typeof name]>>,
    follow: (feed) =>
      void feed.listen((change) => {
        for (const thread of threads) thread.changes.push(change);
      }),
    close() {
      isOpen = false;
      for (const { reject } of waiting.splice(0)) reject(closedForNow());
      for (const thread of threads) lose(thread, closedForNow());
    },
  };
}
