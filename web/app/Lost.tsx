import { Link, useRouteError } from 'react-router';
import { PageTitle } from '../ui/PageTitle';

/** Said where an address leads nowhere, or a station broke. */
export function Lost() {
  const error = useRouteError();
  const broke = error instanceof Error;
  const title = broke ? 'This view broke' : 'Nothing stands here';
  return (
    <main className="mx-auto max-w-xl p-10">
      <PageTitle>{title}</PageTitle>
      <h1 className="figure text-2xl">{title}</h1>
      <p className="mt-3 text-ink-2">
        {broke
          ? 'What was saved is safe. Open it again; if it breaks again, tell us what it says below.'
          : 'The address leads nowhere: the job may have been taken away.'}
      </p>
      {broke && <pre className="mt-3 overflow-auto border bg-sheet p-3 text-sm">{error.message}</pre>}
      <p className="mt-5">
        <Link className="text-over underline" to="/" reloadDocument>
          Back to today
        </Link>
      </p>
    </main>
  );
}
