import { Suspense, useMemo } from 'react';
import { waterSeen, type StandingLayer } from '#core/after/care';
import { MINUTES_PER_MONTH } from '#core/measures';
import { Part } from '../../job/Station';
import type { JobView } from '../../job/useJobView';
import { NumberField } from '../../ui/NumberField';
import { later } from '../../ui/later';
import { useTap } from '../run/useTap';

const LifeChart = later(() => import('./LifeChart'));

interface Props {
  readonly job: JobView;
  readonly surface: string;
  readonly layer: StandingLayer;
  readonly atMin: number;
}

/** A drop read by eye against a card: so sure, degrees. By three touches on a picture it is surer. */
const BY_EYE_DEG = 5;

/** What is left of the top layer over the years, and what a visit finds: a drop on it says how long it lasts. */
export function SeenSince({ job, surface, layer, atMin }: Props) {
  const { tap } = useTap(job.id);
  const { endMin, life, byWater } = layer;
  const seen = useMemo(
    () => waterSeen(job.standing, job.record.beads, surface),
    [job.standing, job.record.beads, surface],
  );
  return (
    <Part title="What is left over the years">
      <Suspense fallback={<div className="h-40" />}>
        <LifeChart life={life} ageMonths={Math.max(0, (atMin - endMin) / MINUTES_PER_MONTH)} seen={seen} />
      </Suspense>
      {byWater ? (
        <p className="text-[14px]">
          By {byWater.drops} {byWater.drops === 1 ? 'drop' : 'drops'} read on it:{' '}
          <strong>{byWater.months.toFixed(0)} months</strong> instead of the {byWater.expectedMonths.toFixed(0)}{' '}
          expected.
        </p>
      ) : (
        <p className="text-[14px] text-ink-2">As expected: no drop has been read on it after its first month.</p>
      )}
      <div className="mt-3">
        <NumberField
          label="Today a drop stands on it at"
          unit="°"
          optional
          value={undefined}
          check={(deg) => (deg <= 0 || deg >= 180 ? 'an angle between 0 and 180°' : undefined)}
          hint="Washed and decontaminated first: a dirty panel looks dead. By a picture it is surer: Check, Water."
          onChange={(deg) => deg !== undefined && tap({ type: 'bead', surface, deg, sigmaDeg: BY_EYE_DEG })}
        />
      </div>
    </Part>
  );
}
