import isEqual from 'fast-deep-equal';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useOutletContext, useSearchParams } from 'react-router';
import type { Plan, PlanInput } from '#core/plan/job';
import type { LoggedEntry, RunRecord, RunSheet } from '#core/lay/run';
import { type Bay, type Job, type JobDraft, type Surface, surfaceName } from '#formats/job';
import { kitOf, type ProductSheet, stocked } from '#formats/shelf';
import type { JobStock } from '#formats/stock';
import { instantAfter, minutesBetween } from '#formats/values';
import { planInput } from '#job/plan';
import { countsFrom, inOpeningHours, layingFrom, weekOf } from '#job/promise';
import { withStock, withUsage } from '#job/stock';
import { doneView, type PreparedView, preparedView, type Hands, byOf, handsOf } from '#job/view';
import {
  useBaysQuery,
  useJobQuery,
  useJobStockQuery,
  useKitQuery,
  useLearnedQuery,
  useLogQuery,
  useProductsQuery,
} from '../app/api';
import { draftsTaken, useAppDispatch } from '../app/store';
import { opened } from '../draft/slice';
import { useDraft } from '../draft/useDraft';
import { useWaitingStock, useWaitingTaps, withWaiting, withWaitingStock } from '../outbox/useWaitingTaps';
import { type After, useAfter } from './useAfter';
import { useSheet } from './useSheet';
import { useNow } from '../ui/useNow';

/** One job as every station sees it: the draft, what was done, and all that follows from both. */
export interface JobView extends After {
  readonly id: string;
  readonly draft: JobDraft;
  readonly document: Job;
  /** The sheets of the job with what is in stock for it today and what weighings have taught. */
  readonly products: Job['products'];
  /** What it finds in stock, bottle by bottle; undefined until it is known. */
  readonly stock: JobStock | undefined;
  readonly bay: Bay | undefined;
  readonly bays: readonly Bay[];
  readonly shelf: readonly ProductSheet[];
  readonly planned: PlanInput;
  readonly log: readonly LoggedEntry[];
  readonly record: RunRecord;
  /** Whose hands laid a product on a panel. */
  readonly hands: Hands;
  /** Who made an entry of the log; undefined where nobody has an account. */
  readonly byOf: (entry: string) => string | undefined;
  /** Surfaces on which something has been laid. */
  readonly laid: ReadonlySet<string>;
  readonly sheet: RunSheet;
  /** When laying may begin, its preparation done, minutes after the start. */
  readonly layFromMin: number;
  readonly plan: Plan;
  readonly prepared: PreparedView;
  readonly begun: boolean;
  /** Now, minutes after the job's start; renewed every few seconds. */
  readonly nowMin: number;
  readonly chosen: Surface | undefined;
  readonly choose: (id: string | undefined) => void;
  readonly edit: (change: (draft: JobDraft) => JobDraft) => void;
  readonly nameOf: (surface: string) => string;
  readonly productName: (id: string) => string;
  /** The instant so many minutes after the start. */
  readonly at: (minutes: number) => string;
}

/** How often what depends on the time of day is worked out again, ms. The bay's own countdown runs faster. */
const RENEW_MS = 5000;

export type LoadedJob =
  | { readonly kind: 'view'; readonly view: JobView }
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly error: unknown };

export function useLoadedJob(id: string): LoadedJob {
  const dispatch = useAppDispatch();
  const { data: record, error } = useJobQuery({ id });
  // What is there now: while it is read anew, `data` stands still and would take back what was just logged.
  const { currentData: entries, error: logError } = useLogQuery({ id });
  const baysAsked = useBaysQuery();
  const { data: bays = NONE } = baysAsked;
  const shelfAsked = useProductsQuery();
  const { data: shelf, error: shelfError } = shelfAsked;
  // Going from job to job, never what the one before finds in stock.
  const stockAsked = useJobStockQuery({ id });
  const inStock = stockAsked.currentData;
  const learnedAsked = useLearnedQuery();
  const kitAsked = useKitQuery();
  const { data: kitRecords = NONE } = kitAsked;
  const { current, edit } = useDraft(id);
  const [params, setParams] = useSearchParams();
  const nowMs = useNow(RENEW_MS);
  useEffect(() => {
    let isLeft = false;
    // What an earlier page had not saved comes first.
    if (record) void draftsTaken.then(() => isLeft || dispatch(opened(record)));
    return () => {
      isLeft = true;
    };
  }, [dispatch, record]);

  // A job is worked out once all it rests on has come, or has not: not anew with each answer.
  const isOnTheWay = [baysAsked, shelfAsked, stockAsked, learnedAsked, kitAsked].some(({ isLoading }) => isLoading);
  const document = isOnTheWay ? undefined : current?.draft.document;
  const startAt = document?.startAt;
  const waiting = useWaitingTaps(id);
  // What is tapped counts as done here, whether or not it has reached the server.
  const known = useSteady(
    useMemo(() => entries && withWaiting(entries, waiting), [entries, waiting]),
    sameEntries,
  );
  const hands = useMemo(() => handsOf(entries ?? NONE), [entries]);
  const authors = useMemo(() => byOf(entries ?? NONE), [entries]);
  const authorOf = useCallback((entry: string) => authors.get(entry), [authors]);
  const done = useMemo(() => (startAt && known ? doneView(startAt, known) : undefined), [startAt, known]);
  const nowMin = startAt ? minutesBetween(startAt, new Date(nowMs).toISOString()) : 0;
  const bay = bays.find(({ id: own }) => own === current?.draft.bayId);
  const countsFromMin = done ? countsFrom(done.record, nowMin) : 0;
  const waitingStock = useWaitingStock(id);
  const found = useMemo(() => withWaitingStock(inStock, waitingStock, id), [inStock, waitingStock, id]);
  const products = useMemo(() => (shelf ?? NONE).map(stocked), [shelf]);
  // With what is in stock for it today, and what weighings have taught since its sheets were copied.
  const live = useMemo(() => {
    const learned = new Map(products.map(({ id: own, usageFactor, usageSigma }) => [own, { usageFactor, usageSigma }]));
    return (
      document &&
      withStock(
        withUsage(document, (own) => learned.get(own)),
        found?.kinds ?? NONE,
      )
    );
  }, [document, products, found]);
  // An edit of what nothing is laid by (a mark, a note, a picture) leaves all that follows from the plan as it is.
  const asPlanned = useSteady(
    useMemo(() => live && planInput(live), [live]),
    isEqual,
  );
  const planned = useSteady(
    useMemo(
      () =>
        live &&
        asPlanned &&
        done &&
        inOpeningHours(asPlanned, live, weekOf(bay), { record: done.record, nowMin: countsFromMin }),
      [live, asPlanned, done, bay, countsFromMin],
    ),
    isEqual,
  );
  const { data: learned } = learnedAsked;
  const kit = useMemo(() => kitOf(kitRecords.map(({ entry }) => entry)), [kitRecords]);
  const prepared = useMemo(() => document && preparedView(document, learned, kit), [document, learned, kit]);
  const layFromMin = useMemo(
    () =>
      planned &&
      done &&
      prepared &&
      layingFrom(planned, prepared.preparation, prepared.day, { record: done.record, nowMin: countsFromMin }),
    [planned, done, prepared, countsFromMin],
  );
  const toLayOut = useMemo(
    () =>
      planned && done && layFromMin !== undefined ? { planned, record: done.record, fromMin: layFromMin } : undefined,
    [planned, done, layFromMin],
  );
  const sheet = useSheet(asPlanned, toLayOut);
  const whole = useMemo(
    () => (document && planned && prepared && done && sheet ? { document, planned, prepared, done, sheet } : undefined),
    [document, planned, prepared, done, sheet],
  );
  const after = useAfter(whole, countsFromMin, nowMin);

  // Nothing is chosen from, or judged by, a shelf that is still on its way.
  if (!shelf || !current || !document || !live || !planned || !done || !sheet || !after || !prepared) {
    const failed = error ?? logError ?? shelfError;
    return failed ? { kind: 'failed', error: failed } : { kind: 'loading' };
  }
  const surfaces = new Map(document.surfaces.map((surface) => [surface.id, surface]));
  const nameOf = (surface: string) => {
    const known = surfaces.get(surface);
    return known ? surfaceName(known) : surface;
  };
  const view: JobView = {
    id,
    draft: current.draft,
    document,
    products: live.products,
    stock: found,
    bay,
    bays,
    shelf: products,
    planned,
    ...done,
    hands,
    byOf: authorOf,
    sheet,
    layFromMin: layFromMin!,
    plan: sheet.plan,
    ...after,
    prepared,
    nowMin,
    chosen: surfaces.get(params.get('panel') ?? ''),
    choose: (surface) =>
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          if (surface === undefined) next.delete('panel');
          else next.set('panel', surface);
          return next;
        },
        { replace: true },
      ),
    edit,
    nameOf,
    productName: (product) =>
      [...document.products, ...products].find((sheetOf) => sheetOf.id === product)?.name ?? product,
    at: (minutes) => instantAfter(document.startAt, minutes),
  };
  return { kind: 'view', view };
}

const NONE: readonly never[] = [];

/** What is acknowledged, or read anew, says nothing else than before. */
const sameEntries = (
  a: readonly { readonly id: string }[] | undefined,
  b: readonly { readonly id: string }[] | undefined,
): boolean => a !== undefined && a.length === b?.length && a.every(({ id }, at) => id === b[at]!.id);

/** A value as it was first seen, for as long as it says the same. */
function useSteady<T>(value: T, isSame: (a: T, b: T) => boolean): T {
  const [kept, keep] = useState(value);
  if (kept === value || isSame(kept, value)) return kept;
  keep(value);
  return value;
}

/** The job of the station one is in. */
export const useJob = () => useOutletContext<JobView>();
