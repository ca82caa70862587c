import type { BraceSearch } from '../log/brace-searches.ts';
import type { SearchStanding } from './search-next.ts';

/** A made-up string is no surer than a real one: so much off to either side at the most, mm. */
const OFF_STEP_MM = 0.2;
const OFF_STEPS = 5;

/**
 * Where the stand-in stands after so many twists: as a real bow a little off what was expected, by its seed
 * the same each time, and never outside the limits.
 */
export function practiceHeightMm(
  { practiceSeed = 0, lowMm, highMm }: Pick<BraceSearch, 'practiceSeed' | 'lowMm' | 'highMm'>,
  { here, twistMm, visits }: Pick<SearchStanding, 'here' | 'twistMm' | 'visits'>,
  twists: number,
): number {
  const fromMm = here?.heightMm ?? (lowMm + highMm) / 2;
  const step = (practiceSeed + 7 * visits.length) % OFF_STEPS;
  const off = OFF_STEP_MM * (step - (OFF_STEPS - 1) / 2);
  const heightMm = Math.min(highMm, Math.max(lowMm, fromMm + twists * twistMm + off));
  return Math.round(heightMm * 10) / 10;
}
