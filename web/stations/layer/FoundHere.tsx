import { foundName, topComesOffAlone } from '#core/products/families';
import type { Surface } from '#formats/job';
import { stripFirst } from '#job/edit';
import { comesOff, staying, type ToldLayer } from '#job/plan';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { StrippingCosts } from './StrippingCosts';

/** As an earlier visit called it, else what it is. */
const nameOf = ({ family, told }: ToldLayer) => told?.name ?? foundName(family).toLowerCase();
const named = (found: readonly ToldLayer[]) => found.map(nameOf).join(' and ');

/** What was found on a panel and what becomes of it: it stays, all of it comes off, or the layer on top alone. */
export function FoundHere({ surface, started }: { readonly surface: Surface; readonly started: boolean }) {
  const job = useJob('document', 'edit');
  const [off, on] = [comesOff(job.document, surface), staying(job.document, surface)];
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
          First {named(off)} comes off: its steps, time and clear stand under Prepare.
          {on.length > 0 && ` It leaves: ${named(on)}.`} {choice('It stays on', 'nothing')}
        </p>
      ) : (
        <>
          <p>Found here, and stays: {named(on)}.</p>
          <p>
            {choice(on.length > 1 ? 'Take all of it off first' : 'Take it off first', 'all')}{' '}
            <StrippingCosts surfaces={[surface.id]} />
          </p>
          {topComesOffAlone(on.map(({ family }) => family)) && (
            <p>
              {choice(`Take only the ${nameOf(on.at(-1)!)} off`, 'top')}{' '}
              <StrippingCosts surfaces={[surface.id]} takes="top" />
            </p>
          )}
        </>
      )}
    </div>
  );
}
