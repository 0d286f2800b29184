import { type ReactNode, Suspense } from 'react';
import { useLocation } from 'react-router';
import { later } from '../ui/later';
import { useMe } from './api';

// Most who open a page are in already: what it takes to come in is fetched when somebody is not.
const SignIn = later<object>(() => import('./SignIn').then(({ SignIn: Each }) => ({ default: Each })));
const Locked = later<{ readonly tablet: string }>(() =>
  import('./Locked').then(({ Locked: Each }) => ({ default: Each })),
);
const GuestPage = later<{ readonly job: string }>(() =>
  import('./GuestPage').then(({ GuestPage: Each }) => ({ default: Each })),
);

/** Addresses at which one comes in. */
const OPEN = ['/pair', '/guest', '/trust'];

/** Shows the workshop to whoever is in, and asks everybody else who they are. */
export function RequireSignIn({ children }: { readonly children: ReactNode }) {
  const { pathname } = useLocation();
  const me = useMe();
  if (OPEN.includes(pathname)) return children;
  if (!me) return null;
  if (!me.accounts || me.person) return children;
  return (
    <Suspense>
      {me.guest ? <GuestPage job={me.guest.job} /> : me.tablet ? <Locked tablet={me.tablet.name} /> : <SignIn />}
    </Suspense>
  );
}
