import {
  createApi,
  type EndpointBuilder,
  type FetchArgs,
  type FetchBaseQueryError,
  fetchBaseQuery,
  type MutationDefinition,
  type QueryDefinition,
} from '@reduxjs/toolkit/query/react';
import type {
  AnswerOf,
  BodySent,
  ParamsOf,
  Problem,
  QuerySent,
  Route,
  RouteName,
  Routes,
  Subject,
  SubjectOf,
} from '#formats/api';
import type { LogEntry } from '#formats/log';
import type { Tick } from '#formats/stock';
import { FROM_DEVICE } from '../offline/kept-answers';
import { answered, clocksCompared, toldFromDevice } from '../offline/slice';
import { nowInstant } from '../ui/moments';
import { filledIn } from './address-of';
import { type Address, ADDRESSES, SUBJECTS } from './addresses';

const plainly = fetchBaseQuery({ baseUrl: location.origin });

/** Both sides say by it what they take it to be. */
const CLOCK = 'glaphyra-clock';

/** Asks the server; where it wants to know who one is, that is asked first. */
const asking: typeof plainly = async (args, ask, extra) => {
  const answer = await plainly(args, ask, extra);
  const response = answer.meta?.response;
  const asOf = response?.headers.get(FROM_DEVICE);
  if (asOf) ask.dispatch(toldFromDevice(asOf));
  else if (response) {
    ask.dispatch(answered());
    const said = response.headers.get(CLOCK);
    if (said !== null) ask.dispatch(clocksCompared(Date.now() - Date.parse(said)));
  }
  if (answer.error?.status === UNKNOWN && ask.endpoint !== 'me') ask.dispatch(api.util.invalidateTags(['me']));
  return answer;
};
const UNKNOWN = 401;

/** The body of a call, as its route says: JSON, a file as it is, or none. */
type BodyArg<R extends Route> = R extends { readonly fileBytes: number }
  ? { readonly body: Blob }
  : R extends { readonly body: object }
    ? { readonly body: BodySent<R> }
    : object;
/** What makes a call: parameters of the address and of the query, body, edited version, and whose tap it was. */
type Given<R extends Route> = ParamsOf<R> &
  QuerySent<R> &
  BodyArg<R> &
  (R extends { readonly versioned: true } ? { readonly version: number } : object) &
  (R extends { readonly needs: 'run' } ? { readonly turn?: string | undefined } : object);
type Args<R extends Route> = keyof Given<R> extends never ? void : Given<R>;

type QueryName = {
  [Name in RouteName]: Routes[Name] extends { readonly method: 'get'; readonly answer: { readonly schema: object } }
    ? Name
    : never;
}[RouteName];
type CallName = {
  [Name in RouteName]: Routes[Name] extends { readonly method: 'get' } ? never : Name;
}[RouteName];
type Endpoints = {
  [Name in QueryName]: QueryDefinition<Args<Routes[Name]>, typeof asking, Subject, AnswerOf<Routes[Name]>, 'api'>;
} & {
  [Name in CallName]: MutationDefinition<Args<Routes[Name]>, typeof asking, Subject, AnswerOf<Routes[Name]>, 'api'>;
};

/** Whatever is given of a call, by name. */
type AnyArgs = Readonly<Record<string, unknown>> | void;

function request({ method, path }: Address, args: AnyArgs): FetchArgs {
  const { version, turn, body, ...given } = args ?? {};
  const { url, rest: params } = filledIn(path, given);
  const headers = {
    ...(version !== undefined && { 'if-match': `"${String(version)}"` }),
    // Whose it is: whoever was at this device when it was tapped.
    // And what it is on this device: the server puts right what a wrong clock says.
    ...(turn !== undefined && { 'glaphyra-turn': String(turn), [CLOCK]: new Date().toISOString() }),
    ...(body instanceof Blob && { 'content-type': 'application/octet-stream' }),
  };
  // An empty query would still end the address with a question mark.
  return { url, method: method.toUpperCase(), body, headers, ...(Object.keys(params).length > 0 && { params }) };
}

/** Stands for "any of that kind" beside the tags of single ones. */
const ANY = 'any';
const split = (subject: SubjectOf, args: AnyArgs) => {
  const [type, param] = subject.split(':{') as [Subject, string | undefined];
  return { type, id: param === undefined ? undefined : String(args?.[param.slice(0, -1)]) };
};
/** What a change of one thing makes one read again: itself, and whatever is made of any of its kind. */
export const tagsOfChange = (type: Subject, id: string) => [
  { type, id },
  { type, id: ANY },
];
const readTags = ({ reads = [] }: Address, args: AnyArgs) =>
  reads.map((subject) => {
    const { type, id = ANY } = split(subject, args);
    return { type, id };
  });
const changedTags = ({ changes = [] }: Address, args: AnyArgs) =>
  changes.flatMap((subject): (Subject | { readonly type: Subject; readonly id: string })[] => {
    const { type, id } = split(subject, args);
    return id === undefined ? [type] : tagsOfChange(type, id);
  });

function everyEndpoint(build: EndpointBuilder<typeof asking, Subject, 'api'>): Endpoints {
  const endpoints: Record<string, unknown> = {};
  for (const [name, address] of Object.entries(ADDRESSES)) {
    const query = (args: AnyArgs) => request(address, args);
    if (address.method !== 'get')
      endpoints[name] = build.mutation<unknown, AnyArgs>({
        query,
        invalidatesTags: (_answer, error, args) => (error ? [] : changedTags(address, args)),
      });
    else if (address.hasJson)
      endpoints[name] = build.query<unknown, AnyArgs>({
        query,
        providesTags: (_answer, _error, args) => readTags(address, args),
      });
  }
  return endpoints as Endpoints;
}

/** The server as the interface sees it: every route that answers in JSON, by its name in the contract. */
export const api = createApi({ reducerPath: 'api', baseQuery: asking, tagTypes: SUBJECTS, endpoints: everyEndpoint });

api.enhanceEndpoints({
  endpoints: {
    log: {
      // An answer that was on its way before the last entry does not take that one back.
      transformResponse: (log: LogEntry[], _meta, { id }) => withJustLogged(log, id),
    },
    appendLog: {
      // The answer is the entry as it is on the disk: put in place at once, without asking again.
      async onQueryStarted({ id: jobId }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        justLogged.set(data.id, { jobId, entry: data, atMs: Date.now() });
        dispatch(
          api.util.updateQueryData('log', { id: jobId }, (log) => {
            if (!log.some(({ id }) => id === data.id)) log.push(data);
          }),
        );
      },
    },
    ticks: {
      // An answer that was on its way when a finger came does not take its tick back.
      transformResponse: (ticks: Tick[], _meta, { id }) =>
        [...ticksUnderWay.values()].reduce((shown, tick) => (tick.jobId === id ? withTick(shown, tick) : shown), ticks),
    },
    tick: {
      // Seen at the finger; taken back where the server has not noted it.
      async onQueryStarted({ id, body }, { dispatch, queryFulfilled, requestId }) {
        ticksUnderWay.set(requestId, { jobId: id, ...body });
        const shown = dispatch(api.util.updateQueryData('ticks', { id }, (ticks) => withTick(ticks, body)));
        await queryFulfilled.catch(() => shown.undo());
        ticksUnderWay.delete(requestId);
      },
    },
  },
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
  useJobsOfTheDayQuery,
  useJobsQuery,
  useJobQuery,
  useRemoveJobMutation,
  useBringJobBackMutation,
  useLogQuery,
  useProductsQuery,
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
  useOwnerDataQuery,
  useRemoveOwnerDataMutation,
  useTemplatesQuery,
  useKeepTemplateMutation,
  useRemoveTemplateMutation,
  usePhotosQuery,
  useAddPhotoMutation,
  useChangePhotoMutation,
  useRemovePhotoMutation,
  useBringPhotoBackMutation,
  useSaveJobMutation,
  useAppendLogMutation,
  useHandoversQuery,
  useHandOverMutation,
  useShopQuery,
  useNameShopMutation,
  useReadPassportMutation,
  useTakePassportMutation,
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
