import highsLoader from 'highs';
import solverUrl from 'highs/runtime?url';
import { solveWith, type Wishes } from '#core/choice/choose';
import type { ChoiceFile, ChoicePoint } from '#formats/choice';
import type { Job } from '#formats/job';
import { chooseFile } from '#job/choose';

/** What is asked of the worker, and what it tells as it goes on. */
export interface ChooseRequest {
  readonly job: Job;
  readonly wishes: Wishes;
}
export type ChooseNews =
  | { readonly kind: 'point'; readonly point: ChoicePoint; readonly done: number; readonly of: number }
  | { readonly kind: 'nearer'; readonly gap: number }
  | { readonly kind: 'done'; readonly choice: ChoiceFile }
  | { readonly kind: 'failed'; readonly message: string };

const tell = (news: ChooseNews) => self.postMessage(news);

self.addEventListener('message', ({ data }: MessageEvent<ChooseRequest>) => {
  void work(data).catch((error: unknown) =>
    tell({ kind: 'failed', message: error instanceof Error ? error.message : String(error) }),
  );
});

async function work(request: ChooseRequest): Promise<void> {
  const solve = solveWith(await highsLoader({ locateFile: () => solverUrl }));
  const onPoint = (point: ChoicePoint, done: number, of: number) => {
    tell({ kind: 'point', point, done, of });
    return false;
  };
  const choice = chooseFile(request, solve, onPoint, (gap) => tell({ kind: 'nearer', gap }));
  tell({ kind: 'done', choice });
}
