import { stringShorterIn } from '../craft/checklists.ts';
import type { BowState } from '../log/bow-state.ts';
import type { BowFacts } from '../log/entry.ts';

/** Twists per inch of string: below, strands separate; above, a shorter string is the answer. */
const TWISTS_PER_INCH = { fewest: 0.25, most: 0.8 } as const;

/** How far a string may be turned either way from where it began while nobody has counted its twists. */
export const UNCOUNTED_TWISTS = 12;

/** How many twists a string of this bow may hold. */
export function twistRange(bow: BowFacts): { readonly fewest: number; readonly most: number } {
  const stringIn = bow.amoLengthIn - stringShorterIn(bow.bowKind);
  return {
    fewest: Math.ceil(TWISTS_PER_INCH.fewest * stringIn),
    most: Math.floor(TWISTS_PER_INCH.most * stringIn),
  };
}

/** Net twists into the string that is on since it was first put on this bow, whatever came between. */
export function twistsTurned({ stringTurns, strings }: BowState): number {
  return stringTurns
    .filter(({ stringId }) => stringId === strings.fitted.stringId)
    .reduce((sum, { last }) => sum + last.twists, 0);
}
