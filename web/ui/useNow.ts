import { useEffect, useState } from 'react';

/** The time, renewed every `everyMs`; read off the clock each time, so that it is right after sleep. */
export function useNow(everyMs: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const renew = () => setNow(Date.now());
    const timer = setInterval(renew, everyMs);
    document.addEventListener('visibilitychange', renew);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', renew);
    };
  }, [everyMs]);
  return now;
}
