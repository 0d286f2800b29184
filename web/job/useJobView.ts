import { useCallback, useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Plan, PlanInput } from '#core/plan/job';
import type { LoggedEntry, RunRecord, RunSheet } from '#core/lay/run';
import { type Bay, type Job, type JobDraft, type Surface, surfaceName } from '#formats/job';
import { kitOf, type ProductSheet, stocked } from '#formats/shelf';
import type { JobStock } from '#formats/stock';
import { instantAfter, minutesBetween } from '#formats/values';
import { type JobFacts, type JobInputs, jobModel } from '#job/model';
import { prepareSettings } from '#job/prepare';
import { weekOf } from '#job/promise';
import { byOf, type Hands, handsOf } from '#job/view';
import {
  useBaysQuery,
  useJobQuery,
  useJobStockQuery,
  useKitQuery,
  useLearnedQuery,
  useLogQuery,
  useProductsQuery,
  useYardForecastQuery,
} from '../app/api';
import { draftsTaken, useAppDispatch } from '../app/store';
import { opened } from '../draft/slice';
import { useDraft } from '../draft/useDraft';
import { useWaitingStock, useWaitingTaps, withWaiting, withWaitingStock } from '../outbox/useWaitingTaps';
import { useSheet } from './useSheet';
import { useLater } from '../ui/useLater';
import { useSteady } from '../ui/useSteady';
import { useNow } from '../ui/useNow';

/** One job as every station sees it: the draft, what was done, and all that follows from both. */
export interface JobView extends Pick<JobFacts, 'days' | 'outdoors' | 'standing' | 'prepared' | 'unready'> {
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

/** A job by its address, as far as it has come; what follows from it is worked out by its model (`job/model`). */
export function useLoadedJob(id: string): LoadedJob {
  const dispatch = useAppDispatch();
  const { data: record, error } = useJobQuery({ id }, { selectFromResult: answer });
  // What is there now: while it is read anew, `data` stands still and would take back what was just logged.
  const { currentData: entries, error: logError } = useLogQuery({ id }, { selectFromResult: answer });
  const baysAsked = useBaysQuery(undefined, { selectFromResult: answer });
  const { data: bays = NONE } = baysAsked;
  const shelfAsked = useProductsQuery(undefined, { selectFromResult: answer });
  const { data: shelf, error: shelfError } = shelfAsked;
  // Going from job to job, never what the one before finds in stock.
  const stockAsked = useJobStockQuery({ id }, { selectFromResult: answer });
  const inStock = stockAsked.currentData;
  const learnedAsked = useLearnedQuery(undefined, { selectFromResult: answer });
  const { data: learned } = learnedAsked;
  const kitAsked = useKitQuery(undefined, { selectFromResult: answer });
  const { data: kitRecords = NONE } = kitAsked;
  const { data: weather } = useYardForecastQuery(undefined, { selectFromResult: answer });
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
  const bay = bays.find(({ id: own }) => own === current?.draft.bayId);
  const waitingStock = useWaitingStock(id);
  const found = useMemo(() => withWaitingStock(inStock, waitingStock, id), [inStock, waitingStock, id]);
  const products = useMemo(() => (shelf ?? NONE).map(stocked), [shelf]);
  const usage = useMemo(() => {
    const learnedOf = new Map(
      products.map(({ id: own, usageFactor, usageSigma }) => [own, { usageFactor, usageSigma }]),
    );
    return (own: string) => learnedOf.get(own);
  }, [products]);
  const kit = useMemo(() => kitOf(kitRecords.map(({ entry }) => entry)), [kitRecords]);
  const settings = useMemo(() => document && prepareSettings(document, learned, kit), [document, learned, kit]);
  const week = useMemo(() => weekOf(bay), [bay]);
  const nowMin = startAt ? minutesBetween(startAt, new Date(nowMs).toISOString()) : 0;

  const [model] = useState(jobModel);
  const inputs: JobInputs | undefined = document &&
    settings &&
    known && {
      document,
      entries: known,
      week,
      usage,
      found: found?.kinds ?? NONE,
      settings,
      nowMin,
      weather,
    };
  const planned = inputs && model.planned(inputs);
  const done = inputs && model.done(inputs);
  const layFromMin = inputs && model.layFromMin(inputs);
  const toLayOut = useMemo(
    () =>
      planned && done && layFromMin !== undefined ? { planned, record: done.record, fromMin: layFromMin } : undefined,
    [planned, done, layFromMin],
  );
  const sheet = useSheet(inputs && model.asPlanned(inputs), toLayOut);
  // What is tapped at the bay is seen first, and what follows from it a moment later; an edit is followed at once.
  const latest = useMemo(() => ({ entries: known, sheet, document }), [known, sheet, document]);
  const before = useLater(latest);
  const after = before.document === latest.document && before.sheet ? before : latest;

  const surfaces = useMemo(() => new Map(document?.surfaces.map((surface) => [surface.id, surface])), [document]);
  const nameOf = useCallback(
    (surface: string) => {
      const own = surfaces.get(surface);
      return own ? surfaceName(own) : surface;
    },
    [surfaces],
  );
  const ownProducts = document?.products;
  const productName = useCallback(
    (product: string) =>
      [...(ownProducts ?? NONE), ...products].find((sheetOf) => sheetOf.id === product)?.name ?? product,
    [ownProducts, products],
  );
  const at = useCallback((minutes: number) => instantAfter(startAt!, minutes), [startAt]);
  const choose = useCallback(
    (surface: string | undefined) =>
      setParams(
        (search) => {
          const next = new URLSearchParams(search);
          if (surface === undefined) next.delete('panel');
          else next.set('panel', surface);
          return next;
        },
        { replace: true },
      ),
    [setParams],
  );

  // Nothing is chosen from, or judged by, a shelf that is still on its way.
  if (!shelf || !current || !inputs || !planned || !done || !sheet || !after.entries || !after.sheet) {
    const failed = error ?? logError ?? shelfError;
    return failed ? { kind: 'failed', error: failed } : { kind: 'loading' };
  }
  const later = { ...inputs, entries: after.entries, sheet: after.sheet };
  const view: JobView = {
    id,
    draft: current.draft,
    document: inputs.document,
    products: model.live(inputs).products,
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
    days: model.days(later),
    outdoors: model.outdoors(later),
    standing: model.standing(later),
    prepared: model.prepared(inputs),
    unready: model.unready(inputs),
    nowMin,
    chosen: surfaces.get(params.get('panel') ?? ''),
    choose,
    edit,
    nameOf,
    productName,
    at,
  };
  return { kind: 'view', view };
}

const NONE: readonly never[] = [];

/** Only the answer of a query: that it is read anew, and has been, draws nothing anew. */
const answer = <Data, Failure>({ data, currentData, error, isLoading }: Answered<Data, Failure>) => ({
  data,
  currentData,
  error,
  isLoading,
});
interface Answered<Data, Failure> {
  readonly data?: Data | undefined;
  readonly currentData?: Data | undefined;
  readonly error?: Failure | undefined;
  readonly isLoading: boolean;
}

/** What is acknowledged, or read anew, says nothing else than before. */
const sameEntries = (
  a: readonly { readonly id: string }[] | undefined,
  b: readonly { readonly id: string }[] | undefined,
): boolean => a !== undefined && a.length === b?.length && a.every(({ id }, at) => id === b[at]!.id);
