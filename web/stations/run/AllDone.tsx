import { Link, useLocation } from 'react-router';
import { useJob } from '../../job/job-context';
import { moment } from '../../ui/moments';

export function AllDone() {
  const job = useJob('at', 'days', 'document', 'id', 'plan', 'record', 'sheet');
  const { sheet, plan, days, at, document, record } = job;
  const { search } = useLocation();
  if (sheet.patches.length === 0 && sheet.refused.length === 0 && record.stages.size > 0) {
    return (
      <section className="flex flex-1 flex-col items-center justify-center gap-4 p-10 text-center">
        <h2 className="figure text-4xl">All stages are done</h2>
        <p className="max-w-prose text-xl text-ink-2">
          Nothing is to be laid. What a drop says of a panel is noted under Care, faults under Check.
        </p>
        <Link
          to={{ pathname: `/jobs/${job.id}/care`, search }}
          className="mt-4 inline-flex min-h-20 items-center bg-over px-10 text-2xl font-semibold text-over-ink"
        >
          What is left on it
        </Link>
      </section>
    );
  }
  if (sheet.patches.length === 0) {
    return (
      <section className="flex flex-1 flex-col items-center justify-center gap-5 p-10 text-center">
        <h2 className="figure text-3xl">Nothing to lay yet</h2>
        <p className="max-w-prose text-lg text-ink-2">
          {document.surfaces.length === 0
            ? 'The item has no surfaces yet. Measure them under Survey, then choose products under Layer.'
            : sheet.refused.length > 0
              ? 'Everything chosen is refused. Layer says why, and names the way out.'
              : 'No panel has a product on it yet. Choose them under Layer.'}
        </p>
        <Link
          to={{ pathname: `/jobs/${job.id}/${document.surfaces.length === 0 ? 'survey' : 'layer'}`, search }}
          className="inline-flex min-h-16 items-center bg-over px-8 text-xl font-semibold text-over-ink"
        >
          {document.surfaces.length === 0 ? 'Go to Survey' : 'Go to Layer'}
        </Link>
      </section>
    );
  }
  return (
    <section className="flex flex-1 flex-col items-center justify-center gap-4 p-10 text-center">
      <h2 className="figure text-4xl">All {sheet.patches.length} patches laid and levelled</h2>
      <p className="text-2xl">
        Keep it dry, still and free of dust until{' '}
        <strong className="figure">
          {plan.waterSafeMin === null ? 'it cures: not in this air' : moment(at(plan.waterSafeMin))}
        </strong>
      </p>
      {days.readyMin !== null && <p className="text-xl text-ink-2">Ready {moment(at(days.readyMin))}</p>}
      <Link
        to={{ pathname: `/jobs/${job.id}/check`, search }}
        className="mt-4 inline-flex min-h-20 items-center bg-over px-10 text-2xl font-semibold text-over-ink"
      >
        Check it: lights off
      </Link>
      <Link
        to={{ pathname: `/jobs/${job.id}/care`, search }}
        className="inline-flex min-h-16 items-center px-8 text-xl underline"
      >
        Care and removal
      </Link>
    </section>
  );
}
