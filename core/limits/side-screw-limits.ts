import type { BowFacts } from '../log/entry.ts';

/** Turns of a pocket's side screws from where they stood while the maker's figure is unknown. */
const GUESSED_SIDE_SCREW_TURNS = 2;

/** How far a pocket's side screws may be turned in all from where they stood, either way. */
export function sideScrewTravel(bow: BowFacts): {
  readonly turns: number;
  readonly guessed: boolean;
} {
  const known = bow.maker.sideScrewTurns;
  return known === undefined
    ? { turns: GUESSED_SIDE_SCREW_TURNS, guessed: true }
    : { turns: known, guessed: false };
}
