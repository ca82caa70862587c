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
export function setupDecision(plan: SetupPlan): SetupDecision {
  const { best, chanceNow } = plan;
  if (best !== null && isWorthMoving(best, chanceNow)) return { kind: 'move', option: best };
  return chanceNow < PROBABLY_IN ? { kind: 'outOfReach' } : { kind: 'inBand' };
}

/** Whether an option, the best or the next best, is worth a string-off. */
export function isWorthMoving({ chance, bringsNearer }: SetupOption, chanceNow: number): boolean {
  return chance - chanceNow >= WORTH_A_STRING_OFF || (chanceNow < PROBABLY_IN && bringsNearer);
}
