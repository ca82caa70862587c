import { useEffect, useState } from 'react';
import { lastGoodMoment } from '#core/story/last-good.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { whenIdle } from '../device/when-idle.ts';

/** When the bow was last known to be right; looked for once the page has nothing better to do. */
export function useLastGood(log: readonly LoggedEntry[], state: BowState): number | null {
  const [found, setFound] = useState<number | null>(null);
  useEffect(() => {
    let live = true;
    whenIdle(() => {
      if (live) setFound(lastGoodMoment(log, state));
    });
    return () => {
      live = false;
    };
  }, [log, state]);
  return found;
}
