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
  const beliefs = DRIFTS_PER_WEEK.map((drift) => {
    const belief = sessions.slice(1).reduce<Belief & { atMs: number }>(
      (before, session) => ({
        ...updated(aged(before, drift, session.atMs - before.atMs), seenIn(session)),
        atMs: session.atMs,
      }),
      { ...seenIn(first), logOdds: 0, atMs: first.atMs },
    );
    return aged(belief, drift, atMs - last.atMs);
  });
  return asKnownVariance(mixed(beliefs));
}

function seenIn({ squares, degrees }: SessionSquares): { mean: number; variance: number } {
  const { mean, variance } = logVariance(Math.max(LEAST_SQUARES_MM2, squares), degrees);
  return { mean, variance: variance + DAY_VARIANCE };
}

function aged<T extends Belief>(belief: T, drift: number, ms: number): T {
  return { ...belief, variance: belief.variance + drift ** 2 * Math.max(0, ms / WEEK_MS) };
}

/** One step of the filter, with the chance of what was seen. */
function updated(
  { mean, variance, logOdds }: Belief,
  seen: { readonly mean: number; readonly variance: number },
): Belief {
  const spread = variance + seen.variance;
  const surprise = seen.mean - mean;
  const gain = variance / spread;
  return {
    mean: mean + gain * surprise,
    variance: (1 - gain) * variance,
    logOdds: logOdds - Math.log(spread) / 2 - surprise ** 2 / (2 * spread),
  };
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
