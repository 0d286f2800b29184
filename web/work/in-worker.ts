/** Heavy work beside the interface: one way to start it, to hear of it, and to call it off. */

/** What a worker tells: news as it goes on, then its answer, or why there is none. */
export type WorkerNews<News, Answer> =
  | { readonly kind: 'news'; readonly news: News }
  | { readonly kind: 'answer'; readonly answer: Answer }
  | { readonly kind: 'failed'; readonly message: string };

export interface Hearing<News, Answer> {
  readonly onNews?: (news: News) => void;
  readonly onAnswer: (answer: Answer) => void;
  readonly onFailed: (message: string) => void;
}

/**
 * Starts a worker on one request. Nothing is heard of it after it was called off, answered or failed.
 * @returns calls it off
 */
export function inWorker<Request, News, Answer>(
  worker: Worker,
  request: Request,
  { onNews, onAnswer, onFailed }: Hearing<News, Answer>,
): () => void {
  let over = false;
  const end = () => {
    over = true;
    worker.terminate();
  };
  worker.addEventListener('message', ({ data }: MessageEvent<WorkerNews<News, Answer>>) => {
    if (over) return;
    if (data.kind === 'news') return onNews?.(data.news);
    end();
    if (data.kind === 'answer') onAnswer(data.answer);
    else onFailed(data.message);
  });
  worker.addEventListener('error', ({ message }) => {
    if (over) return;
    end();
    onFailed(message || 'the work could not be started');
  });
  worker.postMessage(request);
  return end;
}

/** A worker that stays, for work that is asked for again and again. */
export interface Answering<Request, Answer> {
  /** Asked while it is at work: that comes next, instead of what waited before. */
  ask(request: Request, hearing: Hearing<never, Answer>): void;
  end(): void;
}

/** One request at a time; of those that come meanwhile only the last is worked on. */
export function answering<Request, Answer>(start: () => Worker): Answering<Request, Answer> {
  interface Asked {
    readonly request: Request;
    readonly hearing: Hearing<never, Answer>;
  }
  let worker: Worker | undefined;
  let inHand: Asked | undefined;
  let next: Asked | undefined;
  const go = () => {
    inHand = next;
    next = undefined;
    if (!inHand) return;
    worker ??= begun();
    worker.postMessage(inHand.request);
  };
  const begun = () => {
    const own = start();
    own.addEventListener('message', ({ data }: MessageEvent<WorkerNews<never, Answer>>) => {
      const { hearing } = inHand ?? {};
      // Whoever hears may fail at it: the next is asked all the same, and the failure goes where failures go.
      try {
        if (data.kind === 'answer') hearing?.onAnswer(data.answer);
        else if (data.kind === 'failed') hearing?.onFailed(data.message);
      } finally {
        go();
      }
    });
    own.addEventListener('error', ({ message }) => {
      const { hearing } = inHand ?? {};
      own.terminate();
      worker = undefined;
      try {
        hearing?.onFailed(message || 'the work could not be started');
      } finally {
        go();
      }
    });
    return own;
  };
  return {
    ask(request, hearing) {
      next = { request, hearing };
      if (!inHand) go();
    },
    end() {
      worker?.terminate();
      worker = inHand = next = undefined;
    },
  };
}

/**
 * The other side: answers each request a worker is sent. To be called once, at the end of a worker's module.
 * @param work may tell news as it goes on
 */
export function serveWorker<Request, News, Answer>(
  work: (request: Request, tell: (news: News) => void) => Answer | Promise<Answer>,
): void {
  const post = (said: WorkerNews<News, Answer>) => self.postMessage(said);
  self.addEventListener('message', ({ data }: MessageEvent<Request>) => {
    Promise.resolve()
      .then(() => work(data, (news) => post({ kind: 'news', news })))
      .then((answer) => post({ kind: 'answer', answer }))
      .catch((error: unknown) => {
        post({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
      });
  });
}
