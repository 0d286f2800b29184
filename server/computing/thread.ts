/** A thread that works out what it is asked, one thing at a time, over the workshop's file, which it only reads. */
import { parentPort, workerData } from 'node:worker_threads';
import type { Change } from '#formats/api';
import { openReader, photoFolder } from '../db/open';
import { answerer } from '../http/answerer';
import { asProblem } from '../http/problem';
import { handlersOf } from '../routes';
import { createServices } from '../services';
import { askedNothing, type Questions } from './computing';
import type { Order, Reply, ThreadStart } from './pool';

const { file, aheadMs } = workerData as ThreadStart;
const reader = openReader(file);
const services = createServices(reader.db, photoFolder(file), () => new Date(Date.now() + aheadMs), {
  computing: askedNothing,
});
const { answer, read } = answerer(handlersOf(services));

const workOut = (order: Order): unknown => {
  if (order.kind === 'answer') return answer(order.asked);
  if (order.kind === 'read') return read(order.asked);
  const question = services.questions[order.name as keyof Questions] as (...args: readonly unknown[]) => unknown;
  return question(...order.args);
};

const replyTo = async (order: Order): Promise<Reply> => {
  try {
    return { given: await reader.asOfNow(() => workOut(order)) };
  } catch (error) {
    const problem = asProblem(error);
    if (problem) return { problem };
    const { message, stack } = error instanceof Error ? error : new Error(String(error));
    return { fault: stack ?? message };
  }
};

parentPort!.on('message', (message: { readonly order: Order; readonly changes: readonly Change[] }) => {
  // What was kept of what has changed since is forgotten before anything is read.
  message.changes.forEach(services.changes.tell);
  void replyTo(message.order).then((reply) => parentPort!.postMessage(reply));
});
