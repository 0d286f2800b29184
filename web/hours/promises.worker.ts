import type { PlacedTask, Redrawn } from '#core/schedule/calendar';
import {
  type DateOffered,
  datesFor,
  type JobRisk,
  promiseRisks,
  shopCase,
  type ShopSources,
  type WayOut,
  waysOut,
} from '#job/calendar';
import { serveWorker } from '../work/in-worker';

/** What is asked of a calendar that takes longer than a frame. */
export type PromisesRequest =
  | { readonly kind: 'risks'; readonly sources: ShopSources; readonly plan: readonly PlacedTask[] }
  | { readonly kind: 'ways'; readonly sources: ShopSources; readonly drawn: Redrawn; readonly job: string }
  | { readonly kind: 'dates'; readonly sources: ShopSources; readonly job: string; readonly earliest: string };

export type PromisesAnswer =
  | { readonly kind: 'risks'; readonly risks: readonly JobRisk[] }
  | { readonly kind: 'ways'; readonly ways: readonly WayOut[] }
  | { readonly kind: 'dates'; readonly dates: readonly DateOffered[] };

serveWorker<PromisesRequest, never, PromisesAnswer>((asked) => {
  switch (asked.kind) {
    case 'risks':
      return { kind: 'risks', risks: promiseRisks(shopCase(asked.sources), asked.plan) };
    case 'ways': {
      const job = asked.sources.jobs.find(({ id }) => id === asked.job);
      return { kind: 'ways', ways: job ? waysOut(asked.sources, shopCase(asked.sources), asked.drawn, job) : [] };
    }
    case 'dates':
      return { kind: 'dates', dates: datesFor(asked.sources, asked.job, asked.earliest) };
  }
});
