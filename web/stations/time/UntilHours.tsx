import type { UntilDeadline } from '#core/schedule/days';
import { wantedBy } from '#formats/job';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { hours } from '../../ui/hours';
import { clock, moment } from '../../ui/moments';

const HIGH_PX = 84;

/** What is left until the owner needs it, hour by hour of those in which somebody is there. */
export function UntilHours({ until }: { readonly until: UntilDeadline }) {
  const job = useJob('at', 'document');
  const { workMin, beyondMin, thereMin, spareMin } = until;
  const most = Math.max(1, workMin);
  const needsBy = wantedBy(job.document)!;
  return (
    <Part title={`Until ${moment(needsBy)}`}>
      <dl className="grid grid-cols-3 gap-2">
        {(
          [
            ['Work left', workMin, ''],
            ['Somebody is there', thereMin, ''],
            beyondMin > 0
              ? (['Not done by then', beyondMin, 'text-stop'] as const)
              : (['To spare', spareMin, 'text-ok'] as const),
          ] as const
        ).map(([name, minutes, tone]) => (
          <div key={name}>
            <dt className="text-[13px] text-ink-2">{name}</dt>
            <dd className={`figure text-xl ${tone}`}>{hours(minutes)}</dd>
          </div>
        ))}
      </dl>
      {until.hours.length === 0 ? (
        <p className="mt-2 text-stop">Nobody is there any more before then.</p>
      ) : (
        <ol aria-label="Work left, hour by hour" className="mt-3 flex items-end gap-px border-b border-line-strong">
          {until.hours.map(({ fromMin, leftMin, workMin: worked }) => {
            const at = job.at(fromMin);
            const says = `${moment(at)}: ${worked > 0 ? `${hours(worked)} of work, ` : 'nothing to do, '}${hours(leftMin)} left after it`;
            return (
              <li key={fromMin} className="relative flex-1" style={{ height: HIGH_PX }} title={says}>
                <span className="sr-only">{says}</span>
                <span
                  aria-hidden
                  className={`absolute inset-x-0 bottom-0 border-t-2 ${worked > 0 ? 'border-ink bg-tint-4' : 'border-ink-3 bg-tint-1'}`}
                  style={{ height: `${(100 * leftMin) / most}%` }}
                />
              </li>
            );
          })}
        </ol>
      )}
      {until.hours.length > 0 && (
        <p aria-hidden className="flex justify-between text-[12px] text-ink-3">
          <span>{moment(job.at(until.hours[0]!.fromMin))}</span>
          <span>work left, hour by hour</span>
          <span>{clock(needsBy)}</span>
        </p>
      )}
    </Part>
  );
}
