import { useCallback, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';

/**
 * Which session is on the butt: the one the address names, else the newest open one.
 *
 * The address follows a choice only when the router comes to it. A choice holds from the moment it
 * is made, or the next shots would open another session beside the one just opened.
 */
export function useChosenSession(state: BowState): {
  readonly session: ShootingSession | null;
  readonly choose: (sessionId: string) => void;
} {
  const [params, setParams] = useSearchParams();
  const [ahead, setAhead] = useState<{
    readonly of: URLSearchParams;
    readonly sessionId: string;
  }>();
  const wanted = ahead?.of === params ? ahead.sessionId : params.get('session');
  const choose = useCallback(
    (sessionId: string) => {
      setAhead({ of: params, sessionId });
      const next = new URLSearchParams(window.location.search);
      next.set('session', sessionId);
      setParams(next, { replace: true });
    },
    [params, setParams],
  );
  const session =
    wanted === 'new'
      ? null
      : (state.sessions.find((one) => one.sessionId === wanted) ??
        state.sessions.findLast((one) => !one.closed) ??
        null);
  return { session, choose };
}
