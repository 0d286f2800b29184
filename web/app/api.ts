import type { BayHistory, NewReadings, YardForecast } from '#formats/bay';
import { nanoid } from '@reduxjs/toolkit';
import { createApi, type FetchBaseQueryError, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { OfferRecord } from '#formats/choice';
import type {
  AirReading,
  Bay,
  GaugeAnswer,
  CareDue,
  GlossAnswer,
  GlossSpot,
  ItemHistory,
  ItemLife,
  OwnerDataRemoved,
  ItemSummary,
  JobDraft,
  JobRecord,
  JobSummary,
  KeptTemplate,
  KeptTemplateDraft,
  Photo,
  PhotoChanges,
  PhotoRole,
  ProbeSpot,
  Problem,
  ShelfProduct,
} from '#formats/job';
import type {
  EarlierPair,
  LearnedHands,
  LearnedPreparation,
  LogEntry,
  NewEntry,
  ProductCues,
  ProductLasted,
} from '#formats/log';
import type { CalendarView, ShopCalendar } from '#formats/schedule';
import type { KitEntry, KitRecord, MakerSheet, ProductSheetInput, ShelfFile, ShopFigures } from '#formats/shelf';

import type {
  JobStock,
  NewStockEntry,
  Recall,
  ReorderList,
  ScaleReading,
  StockList,
  StockLogEntry,
  StockState,
  StockThingView,
  TakenIn,
  Tick,
  UsageLessonRow,
} from '#formats/stock';
import type { MethodCompared } from '#job/pick';
import { FROM_DEVICE } from '../offline/kept-answers';
import { answered, toldFromDevice } from '../offline/slice';
import { nowInstant } from '../ui/moments';

/** A picture file with what is said of it when it is taken; parts not said are left out. */
export interface NewPhoto {
  readonly jobId: string;
  readonly id: string;
  readonly file: Blob;
  readonly role?: PhotoRole;
  readonly surface?: string;
  readonly mark?: string;
  readonly pairOf?: string;
}

/** What the stock is asked for; what is not said is left open. */
export interface StockAsked {
  readonly find?: string;
  readonly state?: StockState;
  readonly of?: string;
  readonly at?: string;
}

/** Whose it is: whoever was at this device when it was tapped. */
const inTurn = (turn: string | undefined) => (turn === undefined ? {} : { headers: { 'glaphyra-turn': turn } });

/** What is looked for, and how many rows are passed over. */
export interface Sought {
  readonly find: string;
  readonly from: number;
}
interface Page<T> {
  readonly rows: readonly T[];
  readonly found: number;
}

const ifMatch = (version: number) => ({ 'if-match': `"${version}"` });

/** What answers are kept by, and read again when it changes. */
export const TAGS = [
  'Jobs',
  'Job',
  'Log',
  'Products',
  'Bays',
  'Air',
  'Photos',
  'Items',
  'Templates',
  'Learned',
  'Kit',
  'Offers',
  'Stock',
  'Ticks',
  'Me',
  'People',
  'AuditList',
  'Network',
  'Links',
  'Backups',
  'Handovers',
  'Calendar',
] as const;

const plainly = fetchBaseQuery({ baseUrl: new URL('/api', location.origin).href });

/** Asks the server; where it wants to know who one is, that is asked first. */
const asking: typeof plainly = async (args, ask, extra) => {
  const answer = await plainly(args, ask, extra);
  const response = answer.meta?.response;
  const asOf = response?.headers.get(FROM_DEVICE);
  if (asOf) ask.dispatch(toldFromDevice(asOf));
  else if (response) ask.dispatch(answered());
  if (answer.error?.status === UNKNOWN && ask.endpoint !== 'me') ask.dispatch(api.util.invalidateTags(['Me']));
  return answer;
};
const UNKNOWN = 401;

/** The server as the interface sees it. What another window changes is told by the change feed and read again. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: asking,
  tagTypes: TAGS,
  endpoints: (build) => ({
    jobs: build.query<JobSummary[], void>({ query: () => 'jobs', providesTags: ['Jobs'] }),
    /** Any jobs, by words; the day's are in `jobs`. */
    jobsFound: build.query<Page<JobSummary>, Sought>({
      query: (params) => ({ url: 'search/jobs', params }),
      providesTags: ['Jobs'],
    }),
    job: build.query<JobRecord, string>({
      query: (id) => `jobs/${id}`,
      providesTags: (_result, _error, id) => [{ type: 'Job', id }],
    }),
    addJob: build.mutation<JobRecord, Omit<JobDraft, 'document'> & { id: string; document: unknown }>({
      query: (body) => ({ url: 'jobs', method: 'POST', body }),
      invalidatesTags: ['Jobs'],
    }),
    saveJob: build.mutation<JobRecord, { id: string; version: number; draft: JobDraft }>({
      query: ({ id, version, draft }) => ({ url: `jobs/${id}`, method: 'PUT', body: draft, headers: ifMatch(version) }),
      invalidatesTags: (_result, _error, { id }) => ['Jobs', { type: 'Job', id }],
    }),
    removeJob: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `jobs/${id}`, method: 'DELETE', headers: ifMatch(version) }),
      invalidatesTags: ['Jobs', 'Items'],
    }),
    bringJobBack: build.mutation<JobRecord, string>({
      query: (id) => ({ url: `jobs/${id}/back`, method: 'POST' }),
      invalidatesTags: ['Jobs', 'Items'],
    }),
    log: build.query<LogEntry[], string>({
      query: (id) => `jobs/${id}/log`,
      // An answer that was on its way before the last entry does not take that one back.
      transformResponse: (log: LogEntry[], _meta, id) => withJustLogged(log, id),
      providesTags: (_result, _error, id) => [{ type: 'Log', id }],
    }),
    appendLog: build.mutation<LogEntry, { jobId: string; entry: NewEntry; turn?: string | undefined }>({
      query: ({ jobId, entry, turn }) => ({
        url: `jobs/${jobId}/log`,
        method: 'POST',
        body: entry,
        ...inTurn(turn),
      }),
      // The answer is the entry as it stands on the disk: put in place at once, without asking again.
      async onQueryStarted({ jobId }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        justLogged.set(data.id, { jobId, entry: data, atMs: Date.now() });
        dispatch(
          api.util.updateQueryData('log', jobId, (log) => {
            if (!log.some(({ id }) => id === data.id)) log.push(data);
          }),
        );
      },
    }),
    products: build.query<ShelfProduct[], void>({ query: () => 'products', providesTags: ['Products'] }),
    productLasted: build.query<ProductLasted, string>({
      query: (id) => `products/${encodeURIComponent(id)}/lasted`,
      providesTags: ['Products'],
    }),
    productCues: build.query<ProductCues, string>({
      query: (id) => `products/${encodeURIComponent(id)}/cues`,
      providesTags: ['Products'],
    }),
    /** A cue that was none is set aside in its job's log: on record, and taught from no longer. */
    forgetCue: build.mutation<LogEntry, { jobId: string; entry: NewEntry }>({
      query: ({ jobId, entry }) => ({ url: `jobs/${jobId}/log`, method: 'POST', body: entry }),
      invalidatesTags: (_result, _error, { jobId }) => ['Products', { type: 'Log', id: jobId }],
    }),
    addProduct: build.mutation<ShelfProduct, ProductSheetInput>({
      query: (body) => ({ url: 'products', method: 'POST', body }),
      invalidatesTags: ['Products'],
    }),
    setShop: build.mutation<ShelfProduct, { id: string; figures: Pick<ShopFigures, 'deliveryDays'> }>({
      query: ({ id, figures }) => ({ url: `products/${id}/shop`, method: 'PUT', body: figures }),
      invalidatesTags: ['Products'],
    }),
    saveProduct: build.mutation<ShelfProduct, { version: number; sheet: MakerSheet }>({
      query: ({ version, sheet }) => ({
        url: `products/${sheet.id}`,
        method: 'PUT',
        body: sheet,
        headers: ifMatch(version),
      }),
      invalidatesTags: ['Products'],
    }),
    removeProduct: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `products/${id}`, method: 'DELETE', headers: ifMatch(version) }),
      invalidatesTags: ['Products'],
    }),
    takeShelfIn: build.mutation<{ added: number; changed: number; same: number }, ShelfFile>({
      query: (body) => ({ url: 'shelf', method: 'POST', body }),
      invalidatesTags: ['Products'],
    }),
    calendar: build.query<CalendarView, void>({ query: () => 'calendar', providesTags: ['Calendar'] }),
    saveCalendar: build.mutation<CalendarView, { version: number; calendar: ShopCalendar }>({
      query: ({ version, calendar }) => ({ url: 'calendar', method: 'PUT', body: calendar, headers: ifMatch(version) }),
      invalidatesTags: ['Calendar'],
    }),
    bays: build.query<Bay[], void>({ query: () => 'bays', providesTags: ['Bays'] }),
    bayAir: build.query<BayHistory, { id: string; days: number; points: number }>({
      query: ({ id, ...params }) => ({ url: `bays/${id}/air`, params }),
      providesTags: (_result, _error, { id }) => [{ type: 'Air', id }, 'Bays'],
    }),
    yardForecast: build.query<YardForecast, void>({ query: () => 'yard/forecast' }),
    takeAir: build.mutation<{ added: number }, NewReadings & { id: string }>({
      query: ({ id, ...body }) => ({ url: `bays/${id}/air`, method: 'POST', body }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Air', id }],
    }),
    saveBay: build.mutation<Bay, Bay>({
      query: ({ id, version, ...body }) => ({ url: `bays/${id}`, method: 'PUT', body, headers: ifMatch(version) }),
      invalidatesTags: ['Bays'],
    }),
    takeThickness: build.mutation<GaugeAnswer, ProbeSpot>({
      query: (body) => ({ url: 'thickness-gauge/readings', method: 'POST', body }),
    }),
    careDue: build.query<{ rows: CareDue[]; found: number }, number>({
      query: (from) => `care?from=${from}`,
      providesTags: ['Jobs'],
    }),
    takeGloss: build.mutation<GlossAnswer, GlossSpot>({
      query: (body) => ({ url: 'gloss-meter/readings', method: 'POST', body }),
    }),
    learnedHands: build.query<LearnedHands[], void>({
      query: () => 'learned-hands',
      providesTags: ['Learned'],
    }),
    learned: build.query<LearnedPreparation, void>({
      query: () => 'learned-preparation',
      providesTags: ['Learned'],
    }),
    earlierPairs: build.query<EarlierPair[], string>({
      query: (jobId) => `jobs/${jobId}/earlier-pairs`,
      providesTags: ['Jobs'],
    }),
    kit: build.query<KitRecord[], void>({ query: () => 'kit', providesTags: ['Kit'] }),
    saveKit: build.mutation<KitRecord, { version: number; entry: KitEntry }>({
      query: ({ version, entry }) => ({
        url: `kit/${entry.id}`,
        method: 'PUT',
        body: entry,
        headers: ifMatch(version),
      }),
      invalidatesTags: ['Kit'],
    }),
    removeKit: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `kit/${id}`, method: 'DELETE', headers: ifMatch(version) }),
      invalidatesTags: ['Kit'],
    }),
    offers: build.query<OfferRecord[], void>({ query: () => 'offers', providesTags: ['Offers'] }),
    saveOffer: build.mutation<OfferRecord, { version: number; offer: OfferRecord['offer'] }>({
      query: ({ version, offer }) => ({
        url: `offers/${offer.id}`,
        method: 'PUT',
        body: offer,
        headers: ifMatch(version),
      }),
      invalidatesTags: ['Offers'],
    }),
    removeOffer: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `offers/${id}`, method: 'DELETE', headers: ifMatch(version) }),
      invalidatesTags: ['Offers'],
    }),
    items: build.query<Page<ItemSummary>, Sought>({
      query: (params) => ({ url: 'items', params }),
      providesTags: ['Items'],
    }),
    itemLife: build.query<ItemLife, string>({ query: (id) => `items/${id}/life`, providesTags: ['Items'] }),
    removeOwnerData: build.mutation<OwnerDataRemoved, string>({
      query: (id) => ({ url: `items/${id}/owner-data/remove`, method: 'POST' }),
      invalidatesTags: ['Items', 'Jobs'],
    }),
    itemHistory: build.query<ItemHistory, string>({ query: (id) => `items/${id}`, providesTags: ['Items'] }),
    templates: build.query<KeptTemplate[], void>({ query: () => 'templates', providesTags: ['Templates'] }),
    keepTemplate: build.mutation<KeptTemplate, { id: string; draft: KeptTemplateDraft }>({
      query: ({ id, draft }) => ({ url: `templates/${id}`, method: 'PUT', body: draft }),
      invalidatesTags: ['Templates'],
    }),
    removeTemplate: build.mutation<void, string>({
      query: (id) => ({ url: `templates/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Templates'],
    }),
    photos: build.query<Photo[], string>({
      query: (jobId) => `jobs/${jobId}/photos`,
      providesTags: (_result, _error, id) => [{ type: 'Photos', id }],
    }),
    addPhoto: build.mutation<Photo, NewPhoto>({
      query: ({ jobId, file, ...said }) => ({
        url: `jobs/${jobId}/photos`,
        method: 'POST',
        params: said,
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: (_result, _error, { jobId }) => [{ type: 'Photos', id: jobId }],
    }),
    changePhoto: build.mutation<Photo, { id: string; jobId: string; words: PhotoChanges }>({
      query: ({ id, words }) => ({ url: `photos/${id}`, method: 'PUT', body: words }),
      invalidatesTags: (_result, _error, { jobId }) => [{ type: 'Photos', id: jobId }],
    }),
    removePhoto: build.mutation<void, { id: string; jobId: string }>({
      query: ({ id }) => ({ url: `photos/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, _error, { jobId }) => [{ type: 'Photos', id: jobId }],
    }),
    bringPhotoBack: build.mutation<Photo, { id: string; jobId: string }>({
      query: ({ id }) => ({ url: `photos/${id}/back`, method: 'POST' }),
      invalidatesTags: (_result, _error, { jobId }) => [{ type: 'Photos', id: jobId }],
    }),
    stock: build.query<StockList, StockAsked>({
      query: (params) => ({ url: 'stock', params }),
      providesTags: ['Stock'],
    }),
    stockThing: build.query<StockThingView, string>({ query: (id) => `stock/things/${id}`, providesTags: ['Stock'] }),
    noteStock: build.mutation<StockLogEntry, NewStockEntry['entry']>({
      query: (entry) => ({ url: 'stock/log', method: 'POST', body: { id: nanoid(), at: nowInstant(), entry } }),
      invalidatesTags: ['Stock', 'Products'],
    }),
    takeStockIn: build.mutation<{ added: number }, TakenIn>({
      query: (body) => ({ url: 'stock', method: 'POST', body }),
      invalidatesTags: ['Stock', 'Products'],
    }),
    weigh: build.mutation<ScaleReading, string>({
      query: (thing) => ({ url: 'bottle-scale/readings', method: 'POST', body: { thing } }),
    }),
    reorder: build.query<ReorderList, void>({ query: () => 'stock/reorder', providesTags: ['Stock', 'Jobs'] }),
    recall: build.query<Recall, string>({
      query: (batch) => ({ url: 'stock/recall', params: { batch } }),
      providesTags: ['Stock'],
    }),
    usageLessons: build.query<UsageLessonRow[], void>({ query: () => 'stock/lessons', providesTags: ['Stock'] }),
    cutFilm: build.mutation<void, { jobId: string; product: string; roll: number }>({
      query: ({ jobId, product, roll }) => ({ url: `jobs/${jobId}/film/${product}/${roll}/cut`, method: 'POST' }),
      invalidatesTags: ['Stock'],
    }),
    jobStock: build.query<JobStock, string>({ query: (id) => `jobs/${id}/stock`, providesTags: ['Stock', 'Jobs'] }),
    methods: build.query<MethodCompared[], { jobId: string; product: string }>({
      query: ({ jobId, product }) => ({ url: `jobs/${jobId}/methods`, params: { product } }),
      providesTags: (_result, _error, { jobId }) => [{ type: 'Job', id: jobId }, 'Stock'],
    }),
    ticks: build.query<Tick[], string>({
      query: (id) => `jobs/${id}/ticks`,
      // An answer that was on its way when a finger came does not take its tick back.
      transformResponse: (ticks: Tick[], _meta, id) =>
        [...ticksUnderWay.values()].reduce((shown, tick) => (tick.jobId === id ? withTick(shown, tick) : shown), ticks),
      providesTags: (_result, _error, id) => [{ type: 'Ticks', id }],
    }),
    /** A stock entry that was kept on the device, under its own name and moment. */
    handInStock: build.mutation<StockLogEntry, { entry: NewStockEntry; turn?: string | undefined }>({
      query: ({ entry, turn }) => ({ url: 'stock/log', method: 'POST', body: entry, ...inTurn(turn) }),
      invalidatesTags: ['Stock', 'Products'],
    }),
    tick: build.mutation<Tick[], { jobId: string; line: string; ticked: boolean; turn?: string | undefined }>({
      query: ({ jobId, turn, ...body }) => ({ url: `jobs/${jobId}/ticks`, method: 'PUT', body, ...inTurn(turn) }),
      // Seen at the finger; taken back where the server has not noted it.
      async onQueryStarted(tick, { dispatch, queryFulfilled, requestId }) {
        ticksUnderWay.set(requestId, tick);
        const shown = dispatch(api.util.updateQueryData('ticks', tick.jobId, (ticks) => withTick(ticks, tick)));
        await queryFulfilled.catch(() => shown.undo());
        ticksUnderWay.delete(requestId);
      },
      invalidatesTags: (_result, _error, { jobId }) => [{ type: 'Ticks', id: jobId }],
    }),
    reading: build.query<AirReading, string>({ query: (bayId) => `bays/${bayId}/thermo-hygrometer` }),
  }),
});

/** Entries this page has had an answer for, while an older answer of the whole log may still be on its way. */
const justLogged = new Map<string, { readonly jobId: string; readonly entry: LogEntry; readonly atMs: number }>();
const JUST_MS = 10_000;

function withJustLogged(log: LogEntry[], jobId: string): LogEntry[] {
  for (const [id, { atMs }] of justLogged) if (Date.now() - atMs > JUST_MS) justLogged.delete(id);
  const ids = new Set(log.map(({ id }) => id));
  const newer = [...justLogged.values()].filter((each) => each.jobId === jobId && !ids.has(each.entry.id));
  return newer.length === 0 ? log : [...log, ...newer.map(({ entry }) => entry)];
}

/** Ticks that have not been answered yet. */
const ticksUnderWay = new Map<string, { readonly jobId: string; readonly line: string; readonly ticked: boolean }>();

function withTick(ticks: Tick[], { line, ticked }: { readonly line: string; readonly ticked: boolean }): Tick[] {
  const others = ticks.filter((tick) => tick.line !== line);
  return ticked ? [...others, { line, at: nowInstant() }] : others;
}

export const {
  useBayAirQuery,
  useForgetCueMutation,
  useProductCuesQuery,
  useProductLastedQuery,
  useYardForecastQuery,
  useTakeAirMutation,
  useStockQuery,
  useStockThingQuery,
  useNoteStockMutation,
  useTakeStockInMutation,
  useWeighMutation,
  useReorderQuery,
  useRecallQuery,
  useUsageLessonsQuery,
  useCutFilmMutation,
  useJobStockQuery,
  useMethodsQuery,
  useTicksQuery,
  useJobsQuery,
  useJobsFoundQuery,
  useJobQuery,
  useAddJobMutation,
  useRemoveJobMutation,
  useBringJobBackMutation,
  useLogQuery,
  useProductsQuery,
  useAddProductMutation,
  useSaveProductMutation,
  useSetShopMutation,
  useRemoveProductMutation,
  useTakeShelfInMutation,
  useBaysQuery,
  useCalendarQuery,
  useSaveCalendarMutation,
  useSaveBayMutation,
  useLazyReadingQuery,
  useTakeThicknessMutation,
  useTakeGlossMutation,
  useCareDueQuery,
  useLearnedHandsQuery,
  useLearnedQuery,
  useEarlierPairsQuery,
  useKitQuery,
  useSaveKitMutation,
  useRemoveKitMutation,
  useOffersQuery,
  useSaveOfferMutation,
  useRemoveOfferMutation,
  useItemsQuery,
  useItemHistoryQuery,
  useItemLifeQuery,
  useRemoveOwnerDataMutation,
  useTemplatesQuery,
  useKeepTemplateMutation,
  useRemoveTemplateMutation,
  usePhotosQuery,
  useAddPhotoMutation,
  useChangePhotoMutation,
  useRemovePhotoMutation,
  useBringPhotoBackMutation,
} = api;

/** The server's own account of what went wrong; undefined where it did not answer at all. */
export function problemOf(error: unknown): Problem | undefined {
  const { status, data } = (error ?? {}) as Partial<FetchBaseQueryError>;
  return typeof status === 'number' && typeof data === 'object' ? (data as Problem) : undefined;
}

/** What went wrong in one sentence, with the remedy. */
export function errorText(error: unknown): string {
  const problem = problemOf(error);
  if (!problem) return 'The server does not answer. Is it running? What you entered is kept here.';
  const faults = (problem.faults ?? []).map(({ path, message }) => (path ? `${path}: ${message}` : message));
  return [problem.detail ?? problem.title, ...faults].join(' ');
}
