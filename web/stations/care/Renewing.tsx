import { useMemo } from 'react';
import { firstRenewMin } from '#core/care/upkeep';
import { productsOf } from '#job/judge';
import { type PanelRenewal, renewalJob, renewalOf, type RenewalWay, RENEWAL_WAYS } from '#job/renewal';
import { useLogQuery } from '../../app/api';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { Fault } from '../../ui/Fault';
import { day } from '../../ui/moments';
import { useMakeNextJob } from './useMakeNextJob';

const WAY_WORDS: Readonly<Record<RenewalWay, string>> = {
  over: 'laid over what stands',
  'top-off': 'its top comes off first, what carries it stays',
  'all-off': 'all of it comes off first',
  none: 'not by its own sheets: chosen under Layer',
};

interface Props {
  /** The day care is looked at, minutes after the start. */
  readonly atMin: number;
}

/** The renewal of what is on it: what must come off, what may stay, made a job at a tap. */
export function Renewing({ atMin }: Props) {
  const job = useJob('at', 'bay', 'document', 'id', 'nameOf', 'nowMin', 'shelf', 'standing');
  const { id, document, shelf, standing } = job;
  const { currentData: log } = useLogQuery({ id });
  const { make, error, isLoading } = useMakeNextJob(job);
  // On a day chosen in the future, else when the first of it wants renewing, and never in the past.
  const now = Math.ceil(job.nowMin);
  const startAt = job.at(atMin > now ? atMin : Math.max(now, firstRenewMin(standing) ?? now));
  const sheets = useMemo(() => productsOf(document.products, shelf), [document.products, shelf]);
  const ways = useMemo(
    () => (log ? renewalOf(document, log, { startAt, standing, sheets }) : []),
    [document, log, startAt, standing, sheets],
  );
  if (ways.length === 0) return null;
  const possible = ways.some(({ way }) => way !== 'none');
  return (
    <Part title={`Renewed on ${day(startAt)}`}>
      <ul className="space-y-2">
        {RENEWAL_WAYS.flatMap((way) => grouped(ways.filter((panel) => panel.way === way))).map((panels) => {
          const [{ surface, way, lays, because }] = panels as [PanelRenewal, ...PanelRenewal[]];
          const names = lays.map(({ product, coats }) =>
            coats > 1 ? `${product.name}, ${coats} coats` : product.name,
          );
          return (
            <li key={surface} className="border-t pt-2 first:border-t-0 first:pt-0">
              <strong>{names.length > 0 ? names.join(', then ') : 'No sheet for it'}</strong>,{' '}
              {panels.length === 1 ? job.nameOf(surface).toLowerCase() : `${panels.length} panels`}: {WAY_WORDS[way]}.
              {because !== undefined && <span className="block text-[14px] text-ink-2">Because {because}.</span>}
            </li>
          );
        })}
      </ul>
      <Button
        look="main"
        className="mt-3"
        disabled={!log || !possible || isLoading}
        onClick={() => log && make(renewalJob(document, log, { startAt, standing, sheets }), 'prepare')}
      >
        Plan the renewal
      </Button>
      <p className="mt-1 text-[14px] text-ink-2">
        A job of its own on that day: taking off, correction and laying stand in its stations, and can be changed there.
      </p>
      <Fault error={error} />
    </Part>
  );
}

/** Panels renewed by the same layers for the same reason, together. */
function grouped(panels: readonly PanelRenewal[]): PanelRenewal[][] {
  const groups = new Map<string, PanelRenewal[]>();
  for (const panel of panels) {
    const key = JSON.stringify([panel.because, panel.lays.map(({ product, coats }) => [product.id, coats])]);
    groups.set(key, [...(groups.get(key) ?? []), panel]);
  }
  return [...groups.values()];
}
