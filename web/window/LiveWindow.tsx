import { memo } from 'react';
import { MS_PER_MIN } from '#core/measures';
import { useNow } from '../ui/useNow';
import { type WindowTimes, WindowDrawing } from './WindowDrawing';

/** How often the gate moves on, ms. */
const MOVES_MS = 250;

interface Props {
  readonly times: WindowTimes;
  /** When laying began, ms since the epoch. */
  readonly startMs: number;
  readonly heightPx: number;
}

/** The window of a patch that lies: it comes towards the person and passes. */
export const LiveWindow = memo(function LiveWindow({ times, startMs, heightPx }: Props) {
  const now = useNow(MOVES_MS);
  return <WindowDrawing times={times} nowMin={(now - startMs) / MS_PER_MIN} heightPx={heightPx} />;
});
