import { HALF_90 } from '../numeric/half-90.ts';
import type { BowState } from '../log/bow-state.ts';
import { sittingsBefore } from '../log/sitting.ts';
import type { BareShaftBlock } from './bare-shaft-blocks.ts';
import { areToldApart, type BounceOdds, bounceOdds, type HeightShot } from './bounce.ts';
import { FEWEST_EACH, offsetHalfWidthMm, offsetPosterior } from '../groups/offset-posterior.ts';
import { scatterPrior } from '../groups/scatter-history.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';

const TOUCHED = new Set(['shelf', 'rest']);

/** Odds of a bounce by the vertical blocks of the present level, each block at its height. */
export function bounceEvidence(
  state: BowState,
  blocks: readonly BareShaftBlock[],
  presentLevel: number,
): { readonly odds: BounceOdds; readonly of: ReadonlyMap<BareShaftBlock, number> } {
  const judged = blocks.filter(
    ({ level, fletched, bare }) =>
      level === presentLevel && fletched.count >= FEWEST_EACH && bare.count >= FEWEST_EACH,
  );
  // Most bows are shot at one height: then nothing is weighed.
  const heights = areToldApart(judged.map(heightMmOf))
    ? judged.map((block) => heightOf(state, block))
    : [];
  const odds = bounceOdds(heights, state.moved.get('nockingPoint') ?? 0);
  return { odds, of: new Map(judged.map((block, index) => [block, odds.at[index] ?? 0])) };
}

function heightMmOf({ moved }: BareShaftBlock): number {
  return moved.get('nockingPoint') ?? 0;
}

function heightOf(state: BowState, block: BareShaftBlock): HeightShot {
  const { fletched, bare, session, endNumbers } = block;
  const earlier = sittingsBefore(state, session);
  const posterior = offsetPosterior(
    {
      fletchedCount: fletched.count,
      bareCount: bare.count,
      fletchedMeanMm: fletched.meanMm,
      bareMeanMm: bare.meanMm,
      fletchedSquares: fletched.squares,
      bareSquares: bare.squares,
    },
    scatterPrior(earlier, REFERENCE_DISTANCE_M, 'upMm', session.openedAt),
  );
  return {
    heightMm: heightMmOf(block),
    upMm: posterior.centreMm,
    sdMm: offsetHalfWidthMm(posterior) / HALF_90,
    ends: endNumbers.length,
    markedEnds: endNumbers.filter((end) => TOUCHED.has(session.endNotes.get(end)?.marks ?? 'none'))
      .length,
  };
}
