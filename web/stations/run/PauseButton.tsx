import { Pause } from 'lucide-react';
import { useState } from 'react';
import type { JobView } from '../../job/useJobView';
import { useTap } from './useTap';
import { WhyPaused } from './WhyPaused';

/** Stops the work for a reason: what is wet is told first. */
export function PauseButton({ job }: { readonly job: JobView }) {
  const [open, setOpen] = useState(false);
  const { tap } = useTap(job.id);
  const wet = job.sheet.wet.length;
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
      <WhyPaused
        title="Why the work stops"
        open={open}
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
    </>
  );
}
