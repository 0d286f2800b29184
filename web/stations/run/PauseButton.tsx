import { Pause } from 'lucide-react';
import { useState } from 'react';
import { PAUSE_REASONS } from '#core/work/prepare';
import type { JobView } from '../../job/useJobView';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { PAUSE_NAMES } from '../prepare/pause-names';
import { useTap } from './useTap';

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
      <Dialog open={open} onClose={() => setOpen(false)} title="Why the work stops" wide>
        {wet > 0 && (
          <p className="mb-3 border-l-4 border-warn bg-warn-soft px-3 py-2 text-lg">
            {wet === 1 ? 'One patch is' : `${wet} patches are`} still wet: level {wet === 1 ? 'it' : 'them'} first if
            you can. The windows go on while the work stands.
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          {PAUSE_REASONS.map((reason) => (
            <Button
              key={reason}
              glove
              className="whitespace-normal!"
              onClick={() => {
                tap({ type: 'run-pause', reason });
                setOpen(false);
              }}
            >
              {PAUSE_NAMES[reason]}
            </Button>
          ))}
        </div>
      </Dialog>
    </>
  );
}
