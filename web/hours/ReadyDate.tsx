import { begins, ends } from '#core/schedule/days';
import { useJob } from '../job/job-context';
import type { JobView } from '../job/useJobView';
import { moment, span } from '../ui/moments';
import { Working } from '../ui/Working';

/** When the job is ready for collection, what that contains, and whether it is in time: the same wherever it is shown. */
export function ReadyDate() {
  const job = useJob('at', 'days', 'document', 'plan');
  const { readyMin, spareMin } = job.days;
  if (job.plan.handoverMin === null && job.plan.purchases.length > 0)
    return <p className="figure text-xl text-stop">Never ready in this air: something does not cure.</p>;
  if (readyMin === null) return <p className="figure text-xl text-stop">Not ready in the working hours there are.</p>;
  return (
    <p className="flex flex-wrap items-baseline gap-x-4">
      <span>
        Ready{' '}
        <Working
          name="Ready for collection"
          rows={rowsOf(job)}
          rule="The latest of cured, packed up and checked; then the next five minutes at which somebody is there to hand it over, not before the collection saved in the calendar, which waits for deliveries, bays and people. How sure it is stands under Run sheet. Work is done in opening hours, or in a person’s own hours."
        >
          <strong className="figure text-xl">{moment(job.at(readyMin))}</strong>
        </Working>
      </span>
      {spareMin !== undefined && (
        <span className={`font-semibold ${spareMin < 0 ? 'text-stop' : 'text-ok'}`}>
          {spareMin < 0 ? `✕ ${span(-spareMin)} too late` : `✓ ${span(spareMin)} before it is needed`}
        </span>
      )}
    </p>
  );
}

type Row = readonly [string, string];

/** What the date contains, in the order it is done. */
function rowsOf({ at, days, document, plan }: Pick<JobView, 'at' | 'days' | 'document' | 'plan'>): Row[] {
  const { blocks, readyMin } = days;
  const [first] = blocks;
  const until = (name: string, ...kinds: readonly string[]): Row[] => {
    const own = blocks.filter(({ kind }) => kinds.includes(kind));
    return own.length === 0 ? [] : [[name, moment(at(Math.max(...own.map(ends))))]];
  };
  const setUp = blocks.find(({ key }) => key === 'set-up/lay');
  const collection = document.days?.collection;
  return [
    ...(first ? [['Work begins', moment(at(begins(first)))] as const] : []),
    ...until('Preparation done', 'clean', 'correct', 'wipe'),
    ...(setUp ? [['Set up for laying', moment(at(ends(setUp)))] as const] : []),
    ...until('Laying done', 'lay'),
    ...until('Packed up', 'pack-up'),
    ...(plan.handoverMin === null || plan.purchases.length === 0
      ? []
      : [['Cured for hand-over', moment(at(plan.handoverMin))] as const]),
    ...until('Final check done', 'check'),
    ...(collection ? [['Collection in the calendar', moment(collection)] as const] : []),
    ['Ready, somebody there', readyMin === null ? 'never' : moment(at(readyMin))],
  ];
}
