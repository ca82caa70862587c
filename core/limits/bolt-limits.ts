import type { BowFacts } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';

/** Top and bottom bolt stay within this many turns of each other. */
export const MOST_BOLT_DIFFERENCE_TURNS = 2;
/** Turns out from the stop that are allowed while the maker's travel is unknown. A guess, and said to be. */
export const GUESSED_BOLT_TRAVEL_TURNS = 3;

/** How far out the bolts may go, turns from the stop, and whether that is a guess. */
export function boltTravel(bow: BowFacts): { readonly turns: number; readonly guessed: boolean } {
  const known = bow.maker.boltTravelTurns;
  return known === undefined
    ? { turns: GUESSED_BOLT_TRAVEL_TURNS, guessed: true }
    : { turns: known, guessed: false };
}

/** Where both bolts stand, turns out from the stop, and how far each may still go. */
export interface BoltRoom {
  readonly top: number;
  readonly bottom: number;
  readonly travel: number;
  readonly canGoIn: { readonly top: number; readonly bottom: number };
  readonly canGoOut: { readonly top: number; readonly bottom: number };
}

/** Where the bolts stand by the record; null until somebody has counted both from the stop. */
export function boltsOutNow(state: BowState): BoltRoom | null {
  const { topBoltTurnsOut: top, bottomBoltTurnsOut: bottom } = state.positions;
  if (top === null || bottom === null) return null;
  const { turns: travel } = boltTravel(state.bow);
  return {
    top,
    bottom,
    travel,
    canGoIn: { top: Math.max(0, top), bottom: Math.max(0, bottom) },
    canGoOut: { top: Math.max(0, travel - top), bottom: Math.max(0, travel - bottom) },
  };
}
