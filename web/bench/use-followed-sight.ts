import { useEffect, useMemo } from 'react';
import type { BowState } from '#core/log/bow-state.ts';
import type { Move } from '#core/advice/move.ts';
import { firstOpenBenchStep } from '#core/order/step-states.ts';
import { remember, remembered } from '../device/device-store.ts';
import { type Sight, sightOf, SIGHTS } from './sights.ts';

/**
 * The sight that shows what the next move is about. Until that is reckoned: what it was about when
 * this browser last showed the bow, else the first step still open on the bench.
 */
export function useFollowedSight(state: BowState, move: Move | null): Sight {
  const { bowId } = state;
  const moveSight = move === null ? null : sightOf(move.step);
  useEffect(() => {
    if (moveSight !== null) remember(keyOf(bowId), moveSight);
  }, [bowId, moveSight]);
  const likely = useMemo(
    () => keptSight(state.bowId) ?? sightOf(firstOpenBenchStep(state)),
    [state],
  );
  return moveSight ?? likely;
}

const keyOf = (bowId: string) => `keen-limb.sight.${bowId}`;

function keptSight(bowId: string): Sight | null {
  const kept = remembered(keyOf(bowId));
  return SIGHTS.find((one) => one === kept) ?? null;
}
