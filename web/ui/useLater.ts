import { startTransition, useEffect, useState } from 'react';

/** What was tapped is on the screen before anything that only follows from it is begun, ms. */
export const SEEN_FIRST_MS = 60;

/** A value as it was until what was tapped can be seen, for what is worked out from it and not looked at first. */
export function useLater<T>(value: T): T {
  const [late, setLate] = useState(() => value);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setLate(() => value)), SEEN_FIRST_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return late;
}
