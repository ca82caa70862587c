import type { BowState } from '../record/fold.ts';

/** AMO draw less pivot draw, mm: 1 3/4 in. */
const AMO_BEYOND_PIVOT_MM = 44.45;
/** Shaft end in front of the riser's front edge; more where a broadhead is screwed in. */
const IN_FRONT_MM = { plain: 25, broadhead: 40 } as const;
/** With a clicker the shaft end stays this far in front of the rest contact. */
const CLICKER_IN_FRONT_MM = 15;

export type SafeLength =
  | { readonly kind: 'known'; readonly leastMm: number; readonly leftMm: number }
  /** Without a draw length nothing is cut. */
  | { readonly kind: 'unknown'; readonly why: string };

/**
 * How short a shaft may become, and how much is left to cut. The riser's front edge lies about where
 * the AMO draw is measured to.
 */
export function safeLength(state: BowState): SafeLength {
  const { bow } = state;
  const lengthMm = bow.arrow?.lengthMm;
  const amoDrawMm = bow.amoDrawMm ?? null;
  if (lengthMm === undefined) return { kind: 'unknown', why: 'the shaft has not been measured' };
  if (amoDrawMm === null)
    return { kind: 'unknown', why: 'nobody has measured this archer’s longest draw' };
  const leastMm =
    bow.school === 'sighted'
      ? amoDrawMm - AMO_BEYOND_PIVOT_MM + CLICKER_IN_FRONT_MM
      : amoDrawMm + (bow.purpose === 'hunting' ? IN_FRONT_MM.broadhead : IN_FRONT_MM.plain);
  return { kind: 'known', leastMm, leftMm: Math.max(0, lengthMm - leastMm) };
}
