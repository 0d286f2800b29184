import { memo } from 'react';
import { Thermometer } from 'lucide-react';
import { airAt, withReadings } from '#core/time/air';
import type { RunEntry } from '#core/lay/run';
import { useLazyReadingQuery } from '../../app/api';
import { useJob, useOfJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { celsius } from '../../ui/measures';

/** Reads the bay's instrument into the log: what is laid from now on is timed in that air. */
export const AirButton = memo(function AirButton({ onTap }: { readonly onTap: (entry: RunEntry) => void }) {
  const { bay } = useJob('bay');
  const air = useOfJob(({ planned, record, nowMin }) => {
    const { airC, rhPct } = airAt(withReadings(planned.ambient, record.air), nowMin);
    return { warmth: celsius(airC, 0), rh: `${rhPct.toFixed(0)} %` };
  });
  const [read, { isFetching, error }] = useLazyReadingQuery();
  const take = async (bayId: string) => {
    const { airC, rhPct, airSpeed, simulated } = await read({ id: bayId }).unwrap();
    onTap({ type: 'air', airC, rhPct, airSpeed, source: simulated ? 'simulated' : 'instrument' });
  };
  return (
    <Button
      glove
      className="text-base! leading-tight"
      disabled={isFetching || !bay}
      aria-label={`Read the air; now taken as ${air.warmth}, ${air.rh}`}
      onClick={() => bay && void take(bay.id).catch(() => undefined)}
    >
      <Thermometer size={22} className={error ? 'text-stop' : ''} />
      <span>
        {air.warmth}
        <br />
        {air.rh}
      </span>
    </Button>
  );
});
