import type { ReactNode } from 'react';
import { Button } from './Button';

interface Props {
  /** Undefined where there is nothing later, or earlier. */
  readonly onLater: (() => void) | undefined;
  readonly onEarlier: (() => void) | undefined;
  readonly children?: ReactNode;
}

/** The way through a long list that is told page by page, the last first. */
export function EarlierLater({ onLater, onEarlier, children }: Props) {
  return (
    <div className="mt-4 flex items-center gap-3">
      <Button disabled={!onLater} onClick={onLater}>
        Later
      </Button>
      <Button disabled={!onEarlier} onClick={onEarlier}>
        Earlier
      </Button>
      {children}
    </div>
  );
}
