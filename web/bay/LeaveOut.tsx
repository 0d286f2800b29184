import { useState } from 'react';
import { LEFT_REASONS, LEFT_WORDS } from '#core/lay/run';
import { useJob } from '../job/job-context';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useTap } from './useTap';

interface Props {
  readonly surface: string;
  readonly onLeft?: () => void;
}

/** Leaves a panel out, with the reason: it gets nothing more than it was begun with. */
export function LeaveOut({ surface, onLeft }: Props) {
  const job = useJob('id', 'nameOf');
  const [leaving, setLeaving] = useState(false);
  const { tap } = useTap(job.id);
  return (
    <>
      <Button glove onClick={() => setLeaving(true)}>
        Leave it out
      </Button>
      <Dialog
        open={leaving}
        onClose={() => setLeaving(false)}
        title={`Why ${job.nameOf(surface)} gets nothing more`}
        wide
      >
        <div className="grid grid-cols-2 gap-2">
          {LEFT_REASONS.map((reason) => (
            <Button
              key={reason}
              glove
              className="whitespace-normal!"
              onClick={() => {
                tap({ type: 'left-out', surface, reason });
                setLeaving(false);
                onLeft?.();
              }}
            >
              {LEFT_WORDS[reason]}
            </Button>
          ))}
        </div>
        <p className="mt-3 text-ink-2">It stays on the record with its reason, and can be taken up again.</p>
      </Dialog>
    </>
  );
}
