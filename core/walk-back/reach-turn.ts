import { HALF_90 } from '../numeric/half-90.ts';
import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import type { WalkBackFit } from './walk-back.ts';

/** “Reach a quarter turn at a time.” */
const QUARTER = 0.25;
/** More from far off, where a quarter would hardly show and the line be shot for nothing. */
const MOST_TURNS = { byRuleOfThumb: 0.75, shown: 1 } as const;
/** A turn likelier than this to make it worse waits for more shots. */
const MOST_WORSE = 0.08;
/** After many shots only a turn tells more; and a first one by rule of thumb errs as often as that does. */
const MOST_WORSE_LATE = 0.3;
const MOST_WORSE_AT_FIRST = 0.2;

/** Middles of equally likely parts of a standard normal. */
const PARTS: readonly number[] = Array.from({ length: 15 }, (_, at, count = 15) =>
  normalQuantile((at + 0.5) / count, 0, 1),
);

/**
 * Turns of reach, in quarters, that leave the least drift to be expected, drift and gain as uncertain as
 * they are; null where each is too likely to make it worse, or none betters it.
 *
 * @param late so much was shot at this line that more shots would hardly tell
 */
export function reachTurn(
  {
    drift,
    reachGain: gain,
    nearestM,
    farthestM,
  }: Pick<WalkBackFit, 'drift' | 'reachGain' | 'nearestM' | 'farthestM'>,
  late: boolean,
): number | null {
  const span = farthestM - nearestM;
  const now = { mean: drift.mm, sd: drift.plusMinusMm / HALF_90 };
  const way = now.mean * gain.mean > 0 ? -1 : 1;
  const isShown = gain.changes > 0;
  const mostWorse = isShown ? (late ? MOST_WORSE_LATE : MOST_WORSE) : MOST_WORSE_AT_FIRST;
  const most = isShown ? MOST_TURNS.shown : MOST_TURNS.byRuleOfThumb;
  let best: number | null = null;
  let least = meanSize(now);
  for (let size = QUARTER; size <= most; size += QUARTER) {
    const lever = way * size * span;
    const effect = { mean: gain.mean * lever, sd: gain.sd * Math.abs(lever) };
    if (chanceOfWorse(now, effect) > mostWorse) continue;
    const left = meanSize({
      mean: now.mean + effect.mean,
      sd: Math.hypot(now.sd, effect.sd),
    });
    if (left >= least) continue;
    least = left;
    best = way * size;
  }
  return best;
}

interface Normal {
  readonly mean: number;
  readonly sd: number;
}

/** Mean of |X|, X normal. (Folded normal distribution.) */
function meanSize({ mean, sd }: Normal): number {
  if (sd === 0) return Math.abs(mean);
  const z = mean / sd;
  const spread = sd * Math.sqrt(2 / Math.PI) * Math.exp((-z * z) / 2);
  return spread + mean * (1 - 2 * normalCdf(-z, 0, 1));
}

/** P(|drift + effect| > |drift|): the wrong way, or past the mirror image of where it was. */
function chanceOfWorse({ mean, sd }: Normal, effect: Normal): number {
  const worse = PARTS.map((z) => {
    const drift = mean + sd * z;
    const toward = -Math.sign(drift) * effect.mean;
    const wrongWay = normalCdf(0, toward, effect.sd);
    return wrongWay + 1 - normalCdf(2 * Math.abs(drift), toward, effect.sd);
  });
  return worse.reduce((sum, one) => sum + one, 0) / PARTS.length;
}
