import { stringShorterIn } from '../craft/checklists.ts';
import type { BowFacts } from '../log/entry.ts';

/** Twists per inch of string: below, strands separate; above, a shorter string is the answer. */
const TWISTS_PER_INCH = { fewest: 0.25, most: 0.8 } as const;

/** How many twists a string of this bow may hold. */
export function twistRange(bow: BowFacts): { readonly fewest: number; readonly most: number } {
  const stringIn = bow.amoLengthIn - stringShorterIn(bow.bowKind);
  return {
    fewest: Math.ceil(TWISTS_PER_INCH.fewest * stringIn),
    most: Math.floor(TWISTS_PER_INCH.most * stringIn),
  };
}
