import type { BowFacts } from '../record/entry.ts';
import type { BowState } from '../record/fold.ts';

/** Twists per inch of string: below, strands separate; above, a shorter string is the answer. */
const TWISTS_PER_INCH = { fewest: 0.25, most: 0.8 } as const;
/** A recurve's string is about this much shorter than the bow; a longbow's about 3 in. */
const STRING_SHORTER_IN = { recurve: 4, longbow: 3 } as const;

/** How many twists a string of this bow may hold. */
export function twistRange(bow: BowFacts): { readonly fewest: number; readonly most: number } {
  const stringIn =
    bow.amoLengthIn -
    (bow.bowKind === 'longbow' ? STRING_SHORTER_IN.longbow : STRING_SHORTER_IN.recurve);
  return {
    fewest: Math.ceil(TWISTS_PER_INCH.fewest * stringIn),
    most: Math.floor(TWISTS_PER_INCH.most * stringIn),
  };
}

/** Twists in the string now; null when nobody has counted them. */
export function twistsNow(state: BowState): number | null {
  const atStart = state.bow.twistsAtStart;
  return atStart === undefined ? null : atStart + (state.moved.get('twists') ?? 0);
}
