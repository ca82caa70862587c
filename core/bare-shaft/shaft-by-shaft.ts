import { upsets } from '../craft/upsets.ts';
import type { ArrowState } from '../craft/range-terms.ts';
import { shotInBowFrame } from '../groups/cant.ts';
import { farOutShots } from '../groups/far-out.ts';
import type { ScatterPrior } from '../groups/offset-posterior.ts';
import { ordinarySquares, type ShotAxis } from '../groups/scatter-history.ts';
import { type ShaftsApart, shaftsApart } from '../groups/shafts-apart.ts';
import type { ShotSeen } from '../groups/shot-seen.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceForPair } from '../log/once-for.ts';
import { sittingOf, sittingsUpTo } from '../log/sitting.ts';
import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { meanOf } from '../numeric/moments.ts';

/** A shaft that lands apart from its fellows, or bare shafts in two heaps; null when all are alike. */
export type ShaftByShaft =
  | (Extract<ShaftsApart, { kind: 'oneApart' }> & { readonly arrow: ArrowState })
  | Extract<ShaftsApart, { kind: 'twoHeaps' }>
  | null;

/** Ticked off once the causes of two heaps were looked at: later shots alone can show them again. */
export const TWO_HEAPS_LOOKED_AT = 'twoHeaps';
/** The aim of an end wanders by half a scatter where no fletched shot tells how far. */
const AIM_VARIANCE = 0.25;

/** One bad shaft or two heaps among the arrows of a sitting, bare ones first; null when all are alike. */
export function shaftByShaft(state: BowState, session: ShootingSession): ShaftByShaft {
  return weighed(state, sittingOf(state, session));
}

const weighed = onceForPair((state: BowState, session: ShootingSession): ShaftByShaft => {
  const counted = session.shots.filter(isCounted).map((shot) => shotInBowFrame(session, shot));
  const bare = apartOf(state, session, counted, 'bare');
  if (bare.kind === 'oneApart') return { ...bare, arrow: 'bare' };
  const lookedAt = session.lookedAt.get(TWO_HEAPS_LOOKED_AT) ?? -1;
  const heaps =
    bare.kind !== 'twoHeaps' || lookedAt < 0
      ? bare
      : apartOf(
          state,
          session,
          counted.filter(({ index }) => index > lookedAt),
          'bare',
        );
  if (heaps.kind === 'twoHeaps') return heaps;
  const fletched = apartOf(state, session, counted, 'fletched');
  return fletched.kind === 'oneApart' ? { ...fletched, arrow: 'fletched' } : null;
});

function apartOf(
  state: BowState,
  session: ShootingSession,
  counted: readonly Shot[],
  arrow: ArrowState,
): ShaftsApart {
  const changed = state.upsets
    .filter((one) => upsets(one, 'bareShaftVertical') || upsets(one, 'bareShaftLateral'))
    .map(({ index }) => index);
  // Fletched shots are their own measure: a bent one must not move what it is measured from.
  const fletchedOf = arrow === 'bare' ? ordinaryByEnd(counted) : new Map<number, readonly Shot[]>();
  const fletched = [...fletchedOf.values()].flat();
  const middle = (shots: readonly Shot[], axis: ShotAxis) =>
    shots.length === 0 ? 0 : meanOf(shots.map((shot) => shot[axis]));
  const shots = counted
    .filter((shot) => shot.arrow === arrow)
    .map((shot): ShotSeen => {
      const beside = fletchedOf.get(shot.endNumber) ?? fletched;
      return {
        outwardMm: shot.outwardMm - middle(beside, 'outwardMm'),
        upMm: shot.upMm - middle(beside, 'upMm'),
        arrowNumber: shot.arrowNumber,
        end: shot.endNumber,
        block: changed.findLastIndex((index) => index < shot.index),
      };
    });
  return shaftsApart({
    shots,
    scatter: {
      outwardMm: scatterOf(state, session, 'outwardMm'),
      upMm: scatterOf(state, session, 'upMm'),
    },
    mayHeap: arrow === 'bare',
    aimVariance: (end) => {
      const count = fletchedOf.get(end)?.length ?? 0;
      return count === 0 ? AIM_VARIANCE : 1 / count;
    },
  });
}

/**
 * Fletched shots by their ends, without a flyer nobody called: it would move the middle of its end, and
 * with it the bare shafts of that end, which then look like a heap of their own.
 */
function ordinaryByEnd(counted: readonly Shot[]): ReadonlyMap<number, readonly Shot[]> {
  const far = new Set(farOutShots(counted));
  const fletched = counted.filter((shot) => shot.arrow === 'fletched');
  const ends = new Map<number, readonly Shot[]>();
  for (const { endNumber } of fletched) {
    if (ends.has(endNumber)) continue;
    const end = fletched.filter((shot) => shot.endNumber === endNumber);
    const ordinary = end.filter(({ shotId }) => !far.has(shotId));
    ends.set(endNumber, ordinary.length === 0 ? end : ordinary);
  }
  return ends;
}

/** Fletched scatter by all groups so far, this session's with them: a flyer does not widen it. */
function scatterOf(state: BowState, session: ShootingSession, axis: ShotAxis): ScatterPrior {
  const soFar = sittingsUpTo(state, session);
  const { squares, degrees } = ordinarySquares(soFar, session.distanceM, axis);
  return { degrees, sdMm: degrees === 0 ? 0 : Math.sqrt(squares / degrees) };
}
