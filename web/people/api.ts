import { useCallback } from 'react';
import type {
  AuditPage,
  GuestLink,
  KeptCopies,
  MadeGuestLink,
  Me,
  NetworkState,
  Pairing,
  Person,
  PersonDraft,
  PersonName,
  Tablet,
} from '#formats/people';
import type { GuestJob } from '#formats/job';
import { api, TAGS } from '../app/api';
import type { AppDispatch } from '../app/state';
import { lastKnown, NO_ACCOUNTS, remember } from './known';

/** Whoever is in now may see other things: everything is asked again. */
const all = () => [...TAGS];

/** Who is in is known by the answer, before it is asked again: the very next tap is theirs. */
const nowIn = {
  async onQueryStarted(
    _said: unknown,
    { dispatch, queryFulfilled }: { dispatch: AppDispatch; queryFulfilled: Promise<{ data: Me }> },
  ) {
    const answer = await queryFulfilled.catch(() => undefined);
    if (answer) await dispatch(peopleApi.util.upsertQueryData('me', undefined, answer.data));
  },
};

/** Accounts, devices and links, as the server tells them. */
const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<Me, void>({
      query: () => 'me',
      providesTags: ['Me'],
      async onQueryStarted(_said, { queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => undefined);
        if (answer) remember(answer.data);
      },
    }),
    firstOwner: build.mutation<Me, { name: string; password: string }>({
      query: (body) => ({ url: 'first-owner', method: 'POST', body }),
      ...nowIn,
      invalidatesTags: all,
    }),
    signIn: build.mutation<Me, { name: string; password: string }>({
      query: (body) => ({ url: 'sign-in', method: 'POST', body }),
      ...nowIn,
      invalidatesTags: all,
    }),
    switchTo: build.mutation<Me, { person: string; pin: string }>({
      query: (body) => ({ url: 'switch', method: 'POST', body }),
      ...nowIn,
      invalidatesTags: all,
    }),
    signOut: build.mutation<void, void>({ query: () => ({ url: 'sign-out', method: 'POST' }), invalidatesTags: all }),
    changePassword: build.mutation<Me, { password: string; newPassword: string }>({
      query: (body) => ({ url: 'my-password', method: 'PUT', body }),
      ...nowIn,
      invalidatesTags: ['Me'],
    }),
    pair: build.mutation<Me, string>({
      query: (code) => ({ url: 'pair', method: 'POST', body: { code } }),
      ...nowIn,
      invalidatesTags: all,
    }),
    comeAsGuest: build.mutation<Me, string>({
      query: (token) => ({ url: 'guest', method: 'POST', body: { token } }),
      ...nowIn,
      invalidatesTags: all,
    }),
    guestJob: build.query<GuestJob, string>({ query: (id) => `jobs/${id}/guest`, providesTags: ['Jobs'] }),
    names: build.query<PersonName[], void>({ query: () => 'names', providesTags: ['People'] }),
    atThisDevice: build.query<PersonName[], void>({ query: () => 'at-this-device', providesTags: ['People', 'Me'] }),
    people: build.query<Person[], void>({ query: () => 'people', providesTags: ['People'] }),
    savePerson: build.mutation<Person, { id: string; draft: PersonDraft }>({
      query: ({ id, draft }) => ({ url: `people/${id}`, method: 'PUT', body: draft }),
      invalidatesTags: ['People', 'Me'],
    }),
    tablets: build.query<Tablet[], void>({ query: () => 'devices', providesTags: ['People'] }),
    offerPairing: build.mutation<Pairing, string>({
      query: (name) => ({ url: 'devices/codes', method: 'POST', body: { name } }),
    }),
    cutTablet: build.mutation<Tablet, string>({
      query: (id) => ({ url: `devices/${id}/cut-off`, method: 'POST' }),
      invalidatesTags: ['People'],
    }),
    guestLinks: build.query<GuestLink[], string>({ query: (job) => `jobs/${job}/links`, providesTags: ['Links'] }),
    makeGuestLink: build.mutation<MadeGuestLink, { job: string; days: number }>({
      query: (body) => ({ url: 'links', method: 'POST', body }),
      invalidatesTags: ['Links'],
    }),
    cutGuestLink: build.mutation<void, string>({
      query: (id) => ({ url: `links/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Links'],
    }),
    network: build.query<NetworkState, void>({ query: () => 'network', providesTags: ['Network'] }),
    switchNetwork: build.mutation<NetworkState, boolean>({
      query: (open) => ({ url: 'network', method: 'PUT', body: { open } }),
      invalidatesTags: ['Network'],
    }),
    trust: build.query<Pick<NetworkState, 'fingerprint'>, void>({ query: () => 'trust' }),
    backups: build.query<KeptCopies, void>({ query: () => 'backups', providesTags: ['Backups'] }),
    makeBackup: build.mutation<KeptCopies, void>({
      query: () => ({ url: 'backups', method: 'POST' }),
      invalidatesTags: ['Backups'],
    }),
    putBack: build.mutation<
      { at: string; jobs: number; entries: number; pictures: number },
      { name: string; overNewer: boolean }
    >({
      query: ({ name, overNewer }) => ({ url: `backups/${name}/back`, method: 'POST', body: { overNewer } }),
    }),
    audit: build.query<AuditPage, { from?: string | undefined; person?: string | undefined }>({
      query: ({ from, person }) => ({
        url: 'deeds',
        params: { ...(from !== undefined && { from }), ...(person !== undefined && { person }) },
      }),
      providesTags: ['AuditList'],
    }),
  }),
});

export const {
  useFirstOwnerMutation,
  useSignInMutation,
  useSwitchToMutation,
  useSignOutMutation,
  useChangePasswordMutation,
  usePairMutation,
  useComeAsGuestMutation,
  useGuestJobQuery,
  useNamesQuery,
  useAtThisDeviceQuery,
  usePeopleQuery,
  useSavePersonMutation,
  useTabletsQuery,
  useOfferPairingMutation,
  useCutTabletMutation,
  useGuestLinksQuery,
  useMakeGuestLinkMutation,
  useCutGuestLinkMutation,
  useAuditQuery,
  useNetworkQuery,
  useSwitchNetworkMutation,
  useTrustQuery,
  useBackupsQuery,
  useMakeBackupMutation,
  usePutBackMutation,
} = peopleApi;

/** Who is in, as the server says or last said. @returns undefined until that is known */
export function useMe(): Me | undefined {
  const { data, error } = peopleApi.useMeQuery();
  return data ?? lastKnown() ?? (error ? NO_ACCOUNTS : undefined);
}

/** What somebody is called who stands on record by their id; whoever has no account is told as they stand there. */
export function useNameOf(): (by: string) => string {
  const { data } = useNamesQuery();
  return useCallback((by) => data?.find(({ id }) => id === by)?.name ?? by, [data]);
}

/** Whether who stands on record by their id is a helper, who is still learning the work. */
export function useIsHelper(): (by: string) => boolean {
  const { data } = useNamesQuery();
  return useCallback((by) => data?.find(({ id }) => id === by)?.role === 'helper', [data]);
}

/** In whose turn a tap is made now; undefined: nobody has an account, or who is in is not known. */
export const turnNow = (state: Parameters<ReturnType<typeof peopleApi.endpoints.me.select>>[0]): string | undefined =>
  peopleApi.endpoints.me.select()(state).data?.turn ?? undefined;
