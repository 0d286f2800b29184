import highsLoader from 'highs';
import solverUrl from 'highs/runtime?url';
import { solveWith, type Wishes } from '#core/choose/stacks';
import type { ChoiceFile, ChoicePoint } from '#formats/choice';
import type { Job } from '#formats/job';
import { chooseFile } from '#job/choose';
import { serveWorker } from '../../../work/in-worker';

/** What is asked of the worker, and what it tells as it goes on. */
export interface ChooseRequest {
  readonly job: Job;
  readonly wishes: Wishes;
}
export type ChooseNews =
  | { readonly kind: 'point'; readonly point: ChoicePoint; readonly done: number; readonly of: number }
  | { readonly kind: 'nearer'; readonly gap: number };

serveWorker<ChooseRequest, ChooseNews, ChoiceFile>(async (request, tell) => {
  const solve = solveWith(await highsLoader({ locateFile: () => solverUrl }));
  const onPoint = (point: ChoicePoint, done: number, of: number) => {
    tell({ kind: 'point', point, done, of });
    return false;
  };
  return chooseFile(request, solve, onPoint, (gap) => tell({ kind: 'nearer', gap }));
});
