import { PROOF_POINTS, type ProofPoint } from '../craft/range-terms.ts';
import type { BowState } from '../log/bow-state.ts';
import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { sittingsBefore } from '../log/sitting.ts';
import { shotInBowFrame } from './cant.ts';
import { axisSums, FEWEST_EACH, offsetHalfWidthMm, offsetPosterior } from './offset-posterior.ts';
import { scatterPrior } from './scatter-history.ts';

/** Where points for use land from the fletched arrows of the same session, mm. */
export interface PointOffset {
  readonly arrow: ProofPoint;
  readonly shots: number;
  readonly outwardMm: number;
  readonly outwardPlusMinusMm: number;
  readonly upMm: number;
  readonly upPlusMinusMm: number;
}

/** The proof at purpose: broadheads and target points against fletched, by the same reckoning as bare. */
export function pointOffsets(state: BowState, session: ShootingSession): readonly PointOffset[] {
  const counted = session.shots.filter(isCounted).map((shot) => shotInBowFrame(session, shot));
  const of = (arrow: Shot['arrow']) => counted.filter((shot) => shot.arrow === arrow);
  const fletched = of('fletched');
  const earlier = sittingsBefore(state, session);
  if (fletched.length < FEWEST_EACH) return [];
  return PROOF_POINTS.flatMap((arrow) => {
    const shots = of(arrow);
    if (shots.length < FEWEST_EACH) return [];
    const axis = (name: 'outwardMm' | 'upMm') =>
      offsetPosterior(
        axisSums(
          fletched.map((shot) => shot[name]),
          shots.map((shot) => shot[name]),
        ),
        scatterPrior(earlier, session.distanceM, name, session.openedAt),
      );
    const [outward, up] = [axis('outwardMm'), axis('upMm')];
    return [
      {
        arrow,
        shots: shots.length,
        outwardMm: outward.centreMm,
        outwardPlusMinusMm: offsetHalfWidthMm(outward),
        upMm: up.centreMm,
        upPlusMinusMm: offsetHalfWidthMm(up),
      },
    ];
  });
}
