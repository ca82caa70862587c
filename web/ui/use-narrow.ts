import { useSyncExternalStore } from 'react';

const query = window.matchMedia('(width < 56.25rem)');

/** True on a phone or a tablet held upright: the plot gets its thumb buttons underneath. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    (listener) => {
      query.addEventListener('change', listener);
      return () => {
        query.removeEventListener('change', listener);
      };
    },
    () => query.matches,
  );
}
