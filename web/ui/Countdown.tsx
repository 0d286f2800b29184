import { MS_PER_MIN } from '#core/measures';
import { countdown } from './moments';
import { useNow } from './useNow';

const SECOND_MS = 1000;

interface Props {
  /** The start of a job, and the moment, minutes after it. */
  readonly startAt: string;
  readonly atMin: number;
}

/** How long it is to a moment of a job, or since it: each second as it comes, whatever else the screen is at. */
export function Countdown({ startAt, atMin }: Props) {
  const ms = Math.round(Date.parse(startAt) + atMin * MS_PER_MIN);
  const now = useNow(SECOND_MS, ms);
  return <>{countdown((ms - now) / MS_PER_MIN)}</>;
}
