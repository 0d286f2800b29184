import { answering, inWorker, serveWorker } from './in-worker';

/** A worker of this very thread: what is posted on either side is heard on the other. */
class HereWorker extends EventTarget {
  terminated = false;
  postMessage(data: unknown) {
    setTimeout(() => globalThis.dispatchEvent(new MessageEvent('message', { data })));
  }
  terminate() {
    this.terminated = true;
  }
}

function started(request: unknown) {
  const worker = new HereWorker();
  // What the worker's side posts comes back to the worker as its message.
  globalThis.postMessage = ((data: unknown) =>
    worker.dispatchEvent(new MessageEvent('message', { data }))) as typeof globalThis.postMessage;
  const heard: unknown[] = [];
  const stop = inWorker(worker as unknown as Worker, request, {
    onNews: (news) => heard.push(['news', news]),
    onAnswer: (answer) => heard.push(['answer', answer]),
    onFailed: (message) => heard.push(['failed', message]),
  });
  return { worker, heard, stop };
}
const settled = () => new Promise((resolve) => setTimeout(resolve, 20));

beforeAll(() =>
  serveWorker((request: number, tell: (share: number) => void) => {
    if (request < 0) throw new RangeError('nothing to count');
    for (let share = 1; share <= request; share++) tell(share);
    return request * 10;
  }),
);

test('news in their order, then the answer, then nothing, and the worker is put away', async () => {
  const { worker, heard } = started(2);
  await settled();
  expect(heard).toEqual([
    ['news', 1],
    ['news', 2],
    ['answer', 20],
  ]);
  worker.dispatchEvent(new MessageEvent('message', { data: { kind: 'answer', answer: 99 } }));
  expect(heard).toHaveLength(3);
  expect(worker.terminated).toBe(true);
});

test('what goes wrong is told with its words; what was called off is never heard of', async () => {
  const broken = started(-1);
  await settled();
  expect(broken.heard).toEqual([['failed', 'nothing to count']]);
  const off = started(3);
  off.stop();
  await settled();
  expect(off.heard).toEqual([]);
  expect(off.worker.terminated).toBe(true);
});

test('whoever fails at hearing an answer keeps nobody else waiting', async () => {
  let own!: HereWorker;
  const worker = answering<number, number>(() => (own = new HereWorker()) as unknown as Worker);
  const sent: unknown[] = [];
  const answer = (value: number) =>
    own.dispatchEvent(new MessageEvent('message', { data: { kind: 'answer', answer: value } }));
  jest.spyOn(HereWorker.prototype, 'postMessage').mockImplementation((request) => void sent.push(request));
  const told: unknown[] = [];
  const onError = (event: ErrorEvent) => (event.preventDefault(), told.push(event.message));
  addEventListener('error', onError);
  const heard: number[] = [];
  worker.ask(1, {
    onAnswer: () => {
      throw new Error('drawn wrong');
    },
    onFailed: () => undefined,
  });
  worker.ask(2, { onAnswer: (value) => heard.push(value), onFailed: () => undefined });
  answer(10);
  expect(sent).toEqual([1, 2]);
  answer(20);
  expect(heard).toEqual([20]);
  removeEventListener('error', onError);
  jest.restoreAllMocks();
});
