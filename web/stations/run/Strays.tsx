import { memo, useMemo } from 'react';
import { strays } from '#core/lay/run';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { clock } from '../../ui/moments';
import { useTap } from '../../bay/useTap';

const REASON = 'the job has no place for it any more';

/** Entries of the record whose panel or layer the job has lost: set aside by hand, and never silently. */
export const Strays = memo(function Strays() {
  const job = useJob('at', 'document', 'id', 'log');
  const { document, log } = job;
  const { tap, settling } = useTap(job.id);
  const lost = useMemo(() => strays(document, log), [document, log]);
  const [first] = lost;
  if (!first) return null;
  return (
    <div
      role="alert"
      className="flex shrink-0 items-center gap-4 border-b-2 border-warn bg-warn-soft px-5 py-2 text-lg"
    >
      <p className="flex-1">
        {lost.length} {lost.length === 1 ? 'entry' : 'entries'} of the record, the first of {clock(job.at(first.atMin))}
        , {lost.length === 1 ? 'has' : 'have'} no place in this job any more. Set aside, they stay on record and count
        no longer.
      </p>
      <Button
        glove
        disabled={settling}
        onClick={() => lost.forEach(({ id }) => tap({ type: 'set-aside', entry: id, reason: REASON }))}
      >
        Set aside
      </Button>
    </div>
  );
});
