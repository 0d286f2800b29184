import { Thermometer } from 'lucide-react';
import { airAt, withReadings } from '#core/time/air';
import type { RunEntry } from '#core/lay/run';
import { useLazyReadingQuery } from '../../app/api';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { celsius } from '../../ui/measures';

/** Reads the bay's instrument into the log: what is laid from now on is timed in that air. */
export function AirButton({
  job,
  disabled,
  onTap,
}: {
  readonly job: JobView;
  readonly disabled: boolean;
  readonly onTap: (entry: RunEntry) => void;
}) {
  const [read, { isFetching, error }] = useLazyReadingQuery();
  const { bay, nowMin, planned, record } = job;
  const air = airAt(withReadings(planned.ambient, record.air), nowMin);
  const take = async (bayId: string) => {
    const { airC, rhPct, airSpeed, simulated } = await read({ id: bayId }).unwrap();
    onTap({ type: 'air', airC, rhPct, airSpeed, source: simulated ? 'simulated' : 'instrument' });
  };
  return (
    <Button
      glove
      className="text-base! leading-tight"
      disabled={disabled || isFetching || !bay}
      aria-label={`Read the air; now taken as ${celsius(air.airC, 0)}, ${air.rhPct.toFixed(0)} %`}
      onClick={() => bay && void take(bay.id).catch(() => undefined)}
    >
      <Thermometer size={22} className={error ? 'text-stop' : ''} />
      <span>
        {celsius(air.airC, 0)}
        <br />
        {air.rhPct.toFixed(0)} %
      </span>
    </Button>
  );
}
