import type { BowState } from '#core/log/bow-state.ts';
import { isCounted, type ShootingSession } from '#core/log/shooting.ts';
import { sittingOf } from '#core/log/sitting.ts';
import {
  type BareShaftVerdict,
  shotsFromLanding,
  shotsSpeakingFor,
} from '#core/bare-shaft/bare-shaft-verdict.ts';
import { axisSums, type AxisSums, FEWEST_EACH } from '#core/groups/offset-posterior.ts';
import type { ShotsNeeded } from '#core/bare-shaft/shots-needed.ts';
import { sessionLanding, sessionPriors } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { useShotsNeeded } from '../../workers/shots-needed-door.ts';

/** How many more bare shafts would settle each axis that is undecided; null while it is reckoned. */
export function useNeeded(
  state: BowState,
  session: ShootingSession,
  verdict: BareShaftVerdict,
): { readonly outward: ShotsNeeded | null; readonly up: ShotsNeeded | null } {
  const sitting = sittingOf(state, session);
  const priors = sessionPriors(state, session);
  const sumsOf = (axis: 'outward' | 'up'): AxisSums | null => {
    if (verdict[axis].call !== 'undecided') return null;
    const facet = axis === 'outward' ? 'bareShaftLateral' : 'bareShaftVertical';
    const shots = shotsFromLanding(
      sitting,
      shotsSpeakingFor(facet, sitting, state.upsets).filter(isCounted),
      sessionLanding(state, session),
    );
    const values = (arrow: 'fletched' | 'bare') =>
      shots
        .filter((shot) => shot.arrow === arrow)
        .map((shot) => (axis === 'outward' ? shot.outwardMm : shot.upMm));
    const fletched = values('fletched');
    const bare = values('bare');
    return fletched.length >= FEWEST_EACH && bare.length >= FEWEST_EACH
      ? axisSums(fletched, bare)
      : null;
  };
  return {
    outward: useShotsNeeded(sumsOf('outward'), verdict.outward.toleranceMm, priors.outward.scatter),
    up: useShotsNeeded(sumsOf('up'), verdict.up.toleranceMm, priors.up.scatter),
  };
}
