import { useCallback } from 'react';
import type { Me } from '#formats/people';
import { api } from '../app/api';
import type { AppDispatch } from '../app/state';
import { lastKnown, NO_ACCOUNTS, remember } from './known';

/** Who is signed in is known by the answer, before it is asked again: the very next tap is theirs. */
const signsIn = {
  async onQueryStarted(
    _sent: unknown,
    { dispatch, queryFulfilled }: { dispatch: AppDispatch; queryFulfilled: Promise<{ data: Me }> },
  ) {
    const answer = await queryFulfilled.catch(() => undefined);
    if (answer) await dispatch(api.util.upsertQueryData('me', undefined, answer.data));
  },
};

api.enhanceEndpoints({
  endpoints: {
    me: {
      async onQueryStarted(_sent, { queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => undefined);
        if (answer) remember(answer.data);
      },
    },
    firstOwner: signsIn,
    signIn: signsIn,
    switchTo: signsIn,
    changePassword: signsIn,
    pair: signsIn,
    comeAsGuest: signsIn,
  },
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
  useRestoreBackupMutation,
} = api;

/** Who is in, as the server says or last said. @returns undefined until that is known */
export function useMe(): Me | undefined {
  const { data, error } = api.useMeQuery();
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

/** In whose turn a tap is made now, as far as this device knows; undefined: nobody's. */
export function turnNow(state: Parameters<ReturnType<typeof api.endpoints.me.select>>[0]): string | undefined {
  const { data } = api.endpoints.me.select()(state);
  return (data ?? lastKnown())?.turn ?? undefined;
}
