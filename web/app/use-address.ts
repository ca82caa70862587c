import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** What is open in a view, and how it is looked at, stand in its address; null takes a part out of it. */
export function useAddress() {
  const [params, setParams] = useSearchParams();
  const setParam = useCallback(
    (name: string, value: string | null) => {
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          if (value === null) next.delete(name);
          else next.set(name, value);
          return next;
        },
        { replace: true },
      );
    },
    [setParams],
  );
  return { params, setParam };
}
