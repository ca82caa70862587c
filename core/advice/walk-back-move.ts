import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { HALF_90, preloadGain, reachGain } from '../walk-back/line-gains.ts';
import type { WalkBackFit, WalkBackFigure } from '../walk-back/walk-back.ts';
import {
  WALK_BACK_SHOTS,
  type WalkBackNext,
  walkBackStanding,
} from '../walk-back/walk-back-standing.ts';
import type { MoveBecause } from './move-because.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';

/** “Reach a quarter turn at a time.” Preload likewise. */
const QUARTER = 0.25;

/** What the walk-back asks for next; a pure function of the record. */
export function walkBackMove(state: BowState, session: ShootingSession): Move | null {
  const { fit, next, shots } = walkBackStanding(state, session);
  const asked = nextMove(session, next);
  if (asked !== null) return asked;
  if (fit === null || next.kind === 'buttTooSmall')
    return { ...plain({ topic: 'walkBackButtTooSmall' }), key: 'walkBack:buttTooSmall' };
  const { drift, bend } = fit;
  if (drift.call === 'plus' || drift.call === 'minus') return reachMove(state, fit);
  if (bend !== null && (bend.call === 'plus' || bend.call === 'minus'))
    return preloadMove(state, bend);
  if (drift.call === 'inside' && (bend === null || bend.call === 'inside')) {
    return {
      ...plain({ topic: 'walkBackStraight' }),
      key: 'walkBack:straight',
      action: { kind: 'confirmStep', step: 'walkBack' },
    };
  }
  const again = drift.call === 'undecided' ? fit.farthestM : (fit.nearestM + fit.farthestM) / 2;
  const distances = [...new Set(shots.map(({ distanceM }) => distanceM))];
  const nearest = distances.reduce((best, one) =>
    Math.abs(one - again) < Math.abs(best - again) ? one : best,
  );
  return {
    ...plain({
      topic: 'walkBackMore',
      distancesM: drift.call === 'undecided' ? [fit.nearestM, fit.farthestM] : [nearest],
    }),
    key: 'walkBack:more',
    action: { kind: 'shootEnd', fletched: WALK_BACK_SHOTS, bare: 0 },
  };
}

/** What comes before the line can be judged; null once every safe distance has its shots. */
function nextMove(session: ShootingSession, next: WalkBackNext): Move | null {
  const move = plain({ topic: 'walkBackNext', next, session });
  const { sessionId } = session;
  switch (next.kind) {
    case 'sightIn':
      return {
        ...move,
        key: `walkBack:sightIn:${next.distanceM}`,
        action: { kind: 'shootEnd', fletched: 1, bare: 0 },
      };
    case 'setSight':
      return { ...move, key: 'walkBack:setSight', action: { kind: 'setAim', sessionId } };
    case 'shoot':
      return {
        ...move,
        key: `walkBack:${next.distanceM}`,
        action: { kind: 'shootEnd', fletched: WALK_BACK_SHOTS, bare: 0 },
      };
    case 'questionSpeed':
      return { ...move, key: 'walkBack:speed', action: { kind: 'setAim', sessionId } };
    case 'allShot':
    case 'buttTooSmall':
      return null;
  }
}

function reachMove(state: BowState, fit: WalkBackFit): Move {
  const gain = reachGain(state);
  const amount = fit.drift.mm * gain.mean > 0 ? -QUARTER : QUARTER;
  const span = fit.farthestM - fit.nearestM;
  const after = {
    mm: fit.drift.mm + gain.mean * amount * span,
    plusMinusMm: Math.hypot(fit.drift.plusMinusMm, HALF_90 * gain.sd * QUARTER * span),
  };
  return {
    ...plain({ topic: 'walkBackReach', fit, gain, amount, after }),
    key: `walkBack:reach:${amount}`,
    place: 'plunger',
    action: { kind: 'change', changes: [{ control: 'plungerReach', amount }] },
  };
}

function preloadMove(state: BowState, bend: WalkBackFigure): Move {
  const gain = preloadGain(state);
  const amount = gain.changes > 0 && bend.mm * gain.mean > 0 ? -QUARTER : QUARTER;
  return {
    ...plain({ topic: 'walkBackPreload', bend, gain, amount }),
    key: `walkBack:preload:${amount}`,
    place: 'plunger',
    action: { kind: 'change', changes: [{ control: 'plungerPreload', amount }] },
  };
}

function plain(because: MoveBecause): Omit<Move, 'key'> {
  return { ...plainMove('walkBack', because), caution: 'bareShafts' };
}
