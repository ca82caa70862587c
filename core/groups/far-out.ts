import cdf from '@stdlib/stats-base-dists-t-cdf';
import { meanOf, sampleSd } from '../numeric/moments.ts';
import { isCounted, type Shot } from '../log/shooting.ts';

/** A shot less likely than this, predicted from the others of its kind, is pointed at. */
const FAR_OUT_BELOW = 0.01;
/** Fewer others than this predict nothing. */
const FEWEST_OTHERS = 3;

/**
 * Shots that were not called bad but lie far from the others of their kind: leave-one-out
 * predictive probability under 1 % on either axis. They are pointed at, never left out by themselves.
 *
 * The probability is two-sided Student t with n − 2 degrees for one new value: (x − m) / (s √(1 + 1/n)).
 */
export function farOutShots(shots: readonly Shot[]): readonly string[] {
  const found: string[] = [];
  for (const arrow of ['fletched', 'bare'] as const) {
    const kind = shots.filter((shot) => shot.arrow === arrow && isCounted(shot));
    for (const shot of kind) {
      const others = kind.filter((other) => other !== shot);
      if (others.length < FEWEST_OTHERS) continue;
      const unlikely =
        chanceOfAsFar(
          shot.outwardMm,
          others.map((other) => other.outwardMm),
        ) <
          FAR_OUT_BELOW / 2 ||
        chanceOfAsFar(
          shot.upMm,
          others.map((other) => other.upMm),
        ) <
          FAR_OUT_BELOW / 2;
      if (unlikely) found.push(shot.shotId);
    }
  }
  return found;
}

function chanceOfAsFar(value: number, others: readonly number[]): number {
  const n = others.length;
  const spread = Math.max(sampleSd(others), 1) * Math.sqrt(1 + 1 / n);
  return 2 * cdf(-Math.abs(value - meanOf(others)) / spread, n - 1);
}
