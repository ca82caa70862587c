import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** What is open in a view, and how it is looked at, stand in its address; null takes a part out of it. */
export function useAddress() {
  const [params, setSearch] = useSearchParams();
  const setParams = useCallback(
    (changes: Readonly<Record<string, string | null>>) => {
      setSearch(
        (before) => {
          const next = new URLSearchParams(before);
          for (const [name, value] of Object.entries(changes)) {
            if (value === null) next.delete(name);
            else next.set(name, value);
          }
          return next;
        },
        { replace: true },
      );
    },
    [setSearch],
  );
  const setParam = useCallback(
    (name: string, value: string | null) => setParams({ [name]: value }),
    [setParams],
  );
  return { params, setParam, setParams };
}
