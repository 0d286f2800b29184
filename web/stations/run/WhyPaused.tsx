import type { ReactNode } from 'react';
import { PAUSE_REASONS, type PauseReason } from '#core/prepare/stages';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { PAUSE_NAMES } from '../../bay/pause-names';

interface Props {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onChoose: (reason: PauseReason) => void;
  /** What to mind before. */
  readonly children?: ReactNode;
}

/** The reasons work stops for, one tap each. */
export function WhyPaused({ title, open, onClose, onChoose, children }: Props) {
  return (
    <Dialog open={open} onClose={onClose} title={title} wide>
      {children}
      <div className="grid grid-cols-2 gap-2">
        {PAUSE_REASONS.map((reason) => (
          <Button
            key={reason}
            glove
            className="whitespace-normal!"
            onClick={() => {
              onChoose(reason);
              onClose();
            }}
          >
            {PAUSE_NAMES[reason]}
          </Button>
        ))}
      </div>
    </Dialog>
  );
}
