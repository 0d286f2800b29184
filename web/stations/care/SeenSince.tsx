import { Suspense, useMemo } from 'react';
import { dropSays, type StandingSurface, waterSeen, type Wearing } from '#core/care/upkeep';
import { MINUTES_PER_MONTH } from '#core/measures';
import { changeSurface } from '#job/edit';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { later } from '../../ui/later';
import { useTap } from '../../bay/useTap';

const LifeChart = later(() => import('../../life/LifeChart'));

interface Props {
  readonly subject: StandingSurface;
  /** What wears on it: laid at this visit, or found and known of. */
  readonly top: Wearing;
  readonly atMin: number;
}

/** A drop read by eye against a card: so sure, degrees. By three touches on a picture it is surer. */
const BY_EYE_DEG = 5;

/** What is left of the top layer over the years, and what a visit finds: a drop on it says how long it lasts. */
export function SeenSince({ subject, top, atMin }: Props) {
  const job = useJob('document', 'edit', 'id', 'record', 'standing');
  const { tap } = useTap(job.id);
  const { endMin, life, byWater } = top;
  const { surface, layers } = subject;
  const seen = useMemo(() => waterSeen(job.standing, job.record, surface.id), [job.standing, job.record, surface.id]);
  const last = layers.length === 0 ? job.record.beads.findLast((bead) => bead.surface === surface.id) : undefined;
  const isStage = job.document.surfaces.some(({ id, iron }) => id === surface.id && iron === 'bleeds');
  const says = last && dropSays(job.record, top, last);
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
      {last && says === 'unwashed' && (
        <p role="status" className="mt-2 font-semibold text-warn">
          {last.deg.toFixed(0)}° before the wash says nothing of it: read one again once it is washed.
        </p>
      )}
      {last && says === 'contaminated' && (
        <div role="status" className="mt-2 border-l-4 border-warn pl-3">
          <p className="font-semibold text-warn">
            {last.deg.toFixed(0)}° is dull, and may be tar and iron: it does not count before they are off.
          </p>
          <Button
            glove
            className="mt-1"
            disabled={isStage}
            onClick={() => job.edit(changeSurface(surface.id, { iron: 'bleeds' }))}
          >
            {isStage ? 'Taking iron off is a stage now' : 'Take iron off first'}
          </Button>
        </div>
      )}
      <div className="mt-3">
        <NumberField
          label="Today a drop stands on it at"
          unit="°"
          optional
          value={undefined}
          check={(deg) => (deg <= 0 || deg >= 180 ? 'an angle between 0 and 180°' : undefined)}
          hint="Washed and decontaminated first: a dirty panel looks dead. By a picture it is surer: Check, Water."
          onChange={(deg) => deg !== undefined && tap({ type: 'bead', surface: surface.id, deg, sigmaDeg: BY_EYE_DEG })}
        />
      </div>
    </Part>
  );
}
