/** A thread that does what its order says: answers after a while, breaks, or ends. Each answer says which thread it was. */
import process from 'node:process';
import { setTimeout } from 'node:timers';
import { parentPort, threadId, workerData } from 'node:worker_threads';

let told = [];
parentPort.on('message', ({ order, changes }) => {
  told.push(...changes.map(({ id }) => id));
  const [what, ms] = order.asked?.params.id.split('-') ?? ['wait', String(order.args[0])];
  const answer = (reply) => setTimeout(() => parentPort.postMessage(reply), Number(ms));
  if (what === 'end') process.exit(1);
  else if (what === 'break') answer({ fault: 'Error: broken as asked' });
  else if (what === 'told') {
    answer({ given: told });
    told = [];
  } else answer({ given: { threadId, file: workerData.file } });
});
