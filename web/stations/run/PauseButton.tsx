import { Pause } from 'lucide-react';
import { memo, useState } from 'react';
import { useJob, useOfJob } from '../../job/job-context';
import { useTap } from '../../bay/useTap';
import { WhyPaused } from './WhyPaused';

/** Stops the work for a reason: what is wet is told first. */
export const PauseButton = memo(function PauseButton() {
  const { id } = useJob('id');
  const wet = useOfJob(({ sheet }) => sheet.wet.length);
  const [open, setOpen] = useState(false);
  const { tap } = useTap(id);
  return (
    <>
      <button
        type="button"
        className="flex size-16 items-center justify-center text-ink-2 hover:bg-tint-1"
        aria-label="Pause the work"
        onClick={() => setOpen(true)}
      >
        <Pause size={26} />
      </button>
      {open && (
        <WhyPaused
          title="Why the work stops"
          open
          onClose={() => setOpen(false)}
          onChoose={(reason) => tap({ type: 'run-pause', reason })}
        >
          {wet > 0 && (
            <p className="mb-3 border-l-4 border-warn bg-warn-soft px-3 py-2 text-lg">
              {wet === 1 ? 'One patch is' : `${wet} patches are`} still wet: level {wet === 1 ? 'it' : 'them'} first if
              you can. The windows go on while the work stands.
            </p>
          )}
        </WhyPaused>
      )}
    </>
  );
});
