import { useEffect, useState } from 'react';

/**
 * The time, renewed every `everyMs`; read off the clock each time, so that it is right after sleep.
 * @param fromMs a moment that is counted from or to: renewed just as a whole number of `everyMs` lies between
 */
export function useNow(everyMs: number, fromMs = 0): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const wait = () => {
      const past = (Date.now() - fromMs) % everyMs;
      // Just after it: on the very moment a second is neither over nor begun.
      timer = setTimeout(renew, (past < 0 ? -past : everyMs - past) + 1);
    };
    const renew = () => {
      clearTimeout(timer);
      setNow(Date.now());
      wait();
    };
    wait();
    document.addEventListener('visibilitychange', renew);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', renew);
    };
  }, [everyMs, fromMs]);
  return now;
}
