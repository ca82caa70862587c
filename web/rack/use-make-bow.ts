import { useCallback, useRef } from 'react';
import { useNavigate } from 'react-router';
import type { EntryBody } from '#core/log/entry.ts';
import { makeBowFrom } from '../bows/use-bow.ts';

/**
 * Makes a bow and goes to its bench. The page changes a moment after the press: a second press in
 * that moment must not make a second bow.
 */
export function useMakeBow(): (bodies: readonly EntryBody[]) => void {
  const navigate = useNavigate();
  const made = useRef(false);
  return useCallback(
    (bodies) => {
      if (made.current) return;
      made.current = true;
      void navigate(`/bench/${makeBowFrom(bodies)}`);
    },
    [navigate],
  );
}
