import { nest, type NestCase, type Nested } from '#core/film/nest';
import { serveWorker } from '../../../work/in-worker';

/** Cases nested one after the other, each for so many seconds. */
export interface NestRequest {
  readonly cases: readonly NestCase[];
  readonly seconds: number;
}
export interface NestNews {
  readonly case: number;
  /** Of its time, from 0 to 1. */
  readonly share: number;
  /** Something better than before. */
  readonly best?: Nested;
}

/** How often progress is told, ms. */
const TELL_MS = 150;

serveWorker<NestRequest, NestNews, readonly Nested[]>(({ cases, seconds }, tell) =>
  cases.map((each, index) => {
    const startMs = performance.now();
    const lastsMs = seconds * 1000;
    let toldMs = 0;
    return nest(
      each,
      () => {
        const elapsedMs = performance.now() - startMs;
        if (elapsedMs - toldMs >= TELL_MS) {
          toldMs = elapsedMs;
          tell({ case: index, share: Math.min(1, elapsedMs / lastsMs) });
        }
        return elapsedMs >= lastsMs;
      },
      (best) => tell({ case: index, share: (performance.now() - startMs) / lastsMs, best }),
    );
  }),
);
