import type { BowState } from '../record/fold.ts';
import { boltTravel } from './targets.ts';

/** Top and bottom bolts stay within this many turns of each other. */
export const MOST_BOLT_DIFFERENCE_TURNS = 2;

/** Where the bolts stand, turns out from the stop, and how far each may still go. */
export interface BoltRoom {
  readonly top: number;
  readonly bottom: number;
  readonly travel: number;
  readonly canGoIn: { readonly top: number; readonly bottom: number };
  readonly canGoOut: { readonly top: number; readonly bottom: number };
}

/**
 * Bolt positions from the record. Until somebody says otherwise both begin half-way out.
 */
export function boltsOutNow(state: BowState): BoltRoom {
  const { turns: travel } = boltTravel(state.bow);
  const { topBoltTurnsOut, bottomBoltTurnsOut } = state.positions;
  const top = topBoltTurnsOut ?? travel / 2 - (state.moved.get('topBolt') ?? 0);
  const bottom = bottomBoltTurnsOut ?? travel / 2 - (state.moved.get('bottomBolt') ?? 0);
  return {
    top,
    bottom,
    travel,
    canGoIn: { top: Math.max(0, top), bottom: Math.max(0, bottom) },
    canGoOut: { top: Math.max(0, travel - top), bottom: Math.max(0, travel - bottom) },
  };
}
