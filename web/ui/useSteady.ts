import { useState } from 'react';

/** A value as it was first seen, for as long as it says the same. */
export function useSteady<T>(value: T, isSame: (a: T, b: T) => boolean): T {
  const [kept, keep] = useState(value);
  if (kept === value || isSame(kept, value)) return kept;
  keep(value);
  return value;
}
