import type { SetupOption, SetupPlan } from './plan-setup.ts';

/** What the plan comes to. */
export type SetupDecision =
  | { readonly kind: 'inBand' }
  | { readonly kind: 'move'; readonly option: SetupOption }
  /** Out of band, and nothing that may be turned brings it nearer. */
  | { readonly kind: 'outOfReach' };

/** Below this it is probably out of band. */
const PROBABLY_IN = 0.5;
/** A bow that is probably in is unstrung only when that raises the chance by this much. */
const WORTH_A_STRING_OFF = 0.08;

/**
 * Whether to leave it or to move: the same rule in the program and in its measure. A bow that is
 * probably out is moved even when one step cannot bring it home: the step is short because the gain
 * is not known yet, and it teaches the gain. One that brings nothing visibly nearer is no move.
 */
export function setupDecision({ best, chanceNow }: SetupPlan): SetupDecision {
  const probablyOut = chanceNow < PROBABLY_IN;
  const isWorth = best !== null && best.chance - chanceNow >= WORTH_A_STRING_OFF;
  if (best !== null && (isWorth || (probablyOut && best.bringsNearer)))
    return { kind: 'move', option: best };
  return probablyOut ? { kind: 'outOfReach' } : { kind: 'inBand' };
}
