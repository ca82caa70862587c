import digamma from '@stdlib/math-base-special-digamma';
import { logVariance } from '../numeric/log-variance.ts';

/** Squares of one session's shots about the middles of their ends, and when it was shot. */
export interface SessionSquares {
  readonly atMs: number;
  readonly squares: number;
  readonly degrees: number;
}

/** A variance as far as it is known: scaled-inverse-χ². */
export interface KnownVariance {
  readonly degrees: number;
  readonly variance: number;
}

const WEEK_MS = 7 * 24 * 3_600_000;
/**
 * How fast an archer's ln σ² may wander, standard deviation over a week: hardly at all, as a shooter in
 * form, or as a beginner who is learning. Which of them holds is learned from his own sessions.
 */
const DRIFTS_PER_WEEK = [0.03, 0.15, 0.5] as const;
/** Days differ by this much besides, variance of ln σ². */
const DAY_VARIANCE = 0.04;
/** A plot is read to about a millimetre: nobody scatters less. */
const LEAST_SQUARES_MM2 = 1;

interface Belief {
  readonly mean: number;
  readonly variance: number;
  readonly logOdds: number;
}

/**
 * The scatter an archer has now, from sessions that lie further back the less they say: ln σ² walks at
 * random between sessions (a local level model, filtered forward), with the speed of that walk as
 * unknown as everything else. After a long pause little is known; while nothing changes all counts.
 *
 * @param sessions in the order they were shot, each with at least one degree of freedom
 * @param atMs when it is asked for
 * @returns null where there is no session
 */
export function scatterNow(
  sessions: readonly SessionSquares[],
  atMs: number,
): KnownVariance | null {
  const [first] = sessions;
  const last = sessions.at(-1);
  if (first === undefined || last === undefined) return null;
  const seen = sessions.map(seenIn);
  const beliefs = DRIFTS_PER_WEEK.map((drift): Belief => {
    let { mean, variance } = seen[0]!;
    let logOdds = 0;
    for (let at = 1; at < sessions.length; at += 1) {
      variance += walkedIn(drift, sessions[at]!.atMs - sessions[at - 1]!.atMs);
      const spread = variance + seen[at]!.variance;
      const surprise = seen[at]!.mean - mean;
      mean += (variance / spread) * surprise;
      variance *= 1 - variance / spread;
      // The chance of what was seen, before it was.
      logOdds -= Math.log(spread) / 2 + surprise ** 2 / (2 * spread);
    }
    return { mean, variance: variance + walkedIn(drift, atMs - last.atMs), logOdds };
  });
  return asKnownVariance(mixed(beliefs));
}

function seenIn({ squares, degrees }: SessionSquares): { mean: number; variance: number } {
  const { mean, variance } = logVariance(Math.max(LEAST_SQUARES_MM2, squares), degrees);
  return { mean, variance: variance + DAY_VARIANCE };
}

/** How far ln σ² may have walked in a time, as a variance. */
function walkedIn(drift: number, ms: number): number {
  return drift ** 2 * Math.max(0, ms / WEEK_MS);
}

function mixed(beliefs: readonly Belief[]): { readonly mean: number; readonly variance: number } {
  const most = Math.max(...beliefs.map(({ logOdds }) => logOdds));
  const odds = beliefs.map(({ logOdds }) => Math.exp(logOdds - most));
  const all = odds.reduce((sum, one) => sum + one, 0);
  const over = (of: (belief: Belief) => number) =>
    beliefs.reduce((sum, belief, index) => sum + (odds[index]! / all) * of(belief), 0);
  const mean = over((belief) => belief.mean);
  return {
    mean,
    variance: over((belief) => belief.variance + (belief.mean - mean) ** 2),
  };
}

/** The χ² whose logarithm has this mean and spread, from ψ′(x) ≈ 1/x + 1/(2x²). */
function asKnownVariance({ mean, variance }: { mean: number; variance: number }): KnownVariance {
  const half = (1 + Math.sqrt(1 + 2 * variance)) / (2 * variance);
  return { degrees: 2 * half, variance: Math.exp(mean + digamma(half) - Math.log(half)) };
}
