import { foundName, type FoundId, topComesOffAlone } from '#core/products/families';
import type { Surface } from '#formats/job';
import { stripFirst } from '#job/edit';
import { comesOff, staysOn } from '#job/plan';
import { useJob } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { StrippingCosts } from './StrippingCosts';

const named = (found: readonly FoundId[]) =>
  found.map((one, at) => (at === 0 ? foundName(one) : foundName(one).toLowerCase())).join(' and ');

/** What was found on a panel and what becomes of it: it stays, all of it comes off, or the layer on top alone. */
export function FoundHere({ surface, started }: { readonly surface: Surface; readonly started: boolean }) {
  const job = useJob();
  const [off, on] = [comesOff(job.document, surface), staysOn(job.document, surface)];
  if (off.length + on.length === 0) return null;
  const choice = (label: string, takes: Parameters<typeof stripFirst>[1]) => (
    <Button look="quiet" disabled={started} onClick={() => job.edit(stripFirst([surface.id], takes))}>
      {label}
    </Button>
  );
  return (
    <div className="mt-3 border-l-4 border-line-strong px-3 py-1 text-[14px]">
      {off.length > 0 ? (
        <p>
          {named(off)} comes off first: its steps, time and clear stand under Prepare.
          {on.length > 0 && ` It leaves: ${named(on).toLowerCase()}.`} {choice('It stays on', 'nothing')}
        </p>
      ) : (
        <>
          <p>Found here, and stays: {named(on)}.</p>
          <p>
            {choice(on.length > 1 ? 'Take all of it off first' : 'Take it off first', 'all')}{' '}
            <StrippingCosts job={job} surfaces={[surface.id]} />
          </p>
          {topComesOffAlone(on) && (
            <p>
              {choice(`Take only the ${foundName(on.at(-1)!).toLowerCase()} off`, 'top')}{' '}
              <StrippingCosts job={job} surfaces={[surface.id]} takes="top" />
            </p>
          )}
        </>
      )}
    </div>
  );
}
