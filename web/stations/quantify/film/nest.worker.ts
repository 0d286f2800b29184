import { nest, type NestCase, type Nested, nestOnRolls } from '#core/film/nest';
import { serveWorker } from '../../../work/in-worker';

/** Cases nested one after the other, each for so many seconds. */
export interface NestRequest {
  readonly cases: readonly NestCase[];
  readonly seconds: number;
  /** They are rolls for the same pieces: what one does not hold is passed on to the next. */
  readonly passOn?: boolean;
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

serveWorker<NestRequest, NestNews, readonly Nested[]>(({ cases, seconds, passOn = false }, tell) => {
  const lastsMs = seconds * 1000;
  const startMs: number[] = [];
  let toldMs = 0;
  const elapsedMs = (index: number) => performance.now() - (startMs[index] ??= performance.now());
  const enough = (index: number) => {
    const elapsed = elapsedMs(index);
    if (performance.now() - toldMs >= TELL_MS) {
      toldMs = performance.now();
      tell({ case: index, share: Math.min(1, elapsed / lastsMs) });
    }
    return elapsed >= lastsMs;
  };
  const better = (index: number, best: Nested) => tell({ case: index, share: elapsedMs(index) / lastsMs, best });
  if (passOn) return nestOnRolls(cases, enough, better);
  return cases.map((each, index) =>
    nest(
      each,
      () => enough(index),
      (best) => better(index, best),
    ),
  );
});
