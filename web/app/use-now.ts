import { useEffect, useState } from 'react';

const MINUTE_MS = 60_000;

/** The time, to the minute: advice depends on it, but not on every second. */
export function useNow(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => {
      setNow(new Date());
    }, MINUTE_MS);
    return () => {
      clearInterval(timer);
    };
  }, []);
  return now;
}
