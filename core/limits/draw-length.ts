import { PIVOT_TO_AMO_MM } from '../craft/draw-datum.ts';
import type { BowState } from '../log/bow-state.ts';

/** The longest draw this archer has been seen to make on this bow. */
export interface LongestDraw {
  /** AMO draw, mm. */
  readonly amoMm: number;
  /** False while only the figure written down with the bow stands in for a measurement. */
  readonly measured: boolean;
}

/**
 * The longest draw length read since archer or hook last changed: a shaft must be long enough for the
 * longest one, not for the usual one. Until one is read, the draw written down with the bow stands in.
 *
 * @returns null when neither is known
 */
export function longestDraw(state: BowState): LongestDraw | null {
  let amoMm = Number.NEGATIVE_INFINITY;
  // Stryker disable next-line ArrayDeclaration: a list of nothing has no length to read
  for (const { index, values } of state.readings.get('drawLength') ?? []) {
    // Stryker disable next-line EqualityOperator: no entry is a reading and another archer at once
    if (index > state.archerSince) amoMm = Math.max(amoMm, ...values);
  }
  // Stryker disable next-line EqualityOperator: no draw is of no length
  if (amoMm > 0) return { amoMm, measured: true };
  const { amoDrawMm } = state.bow;
  return amoDrawMm === undefined ? null : { amoMm: amoDrawMm, measured: false };
}

/** The same draw, to the pivot point. */
export function pivotDrawMm({ amoMm }: LongestDraw): number {
  return amoMm - PIVOT_TO_AMO_MM;
}
