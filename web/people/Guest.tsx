import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { errorText } from '../app/api';
import { useComeAsGuestMutation, useMe } from './api';
import { GuestPage } from './GuestPage';

/** Where a link to one job leads: what is behind the # is never in anybody's log. */
export function Component() {
  const { hash } = useLocation();
  const me = useMe();
  const [come, { data, error }] = useComeAsGuestMutation();
  useEffect(() => {
    if (hash.length > 1) void come({ body: { token: hash.slice(1) } });
  }, [hash, come]);
  const job = (data ?? me)?.guest?.job;
  if (error)
    return (
      <main className="mx-auto max-w-md px-6 py-12">
        <h1 className="figure text-2xl">Nothing to see here</h1>
        <p role="alert" className="mt-3">
          {errorText(error)}
        </p>
      </main>
    );
  return job === undefined ? <p className="p-10 text-ink-2">Opening …</p> : <GuestPage job={job} />;
}
