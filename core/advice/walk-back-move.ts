import { HALF_90 } from '../numeric/half-90.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { WalkBackFit } from '../walk-back/walk-back.ts';
import {
  WALK_BACK_SHOTS,
  type WalkBackNext,
  walkBackStanding,
} from '../walk-back/walk-back-standing.ts';
import { reachTurn } from '../walk-back/reach-turn.ts';
import type { MoveBecause } from './move-because.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';

/** “Reach a quarter turn at a time.” Preload likewise. */
const QUARTER = 0.25;

/** After so many shots at one line that say neither way, the walk may be left. */
const ENOUGH_SHOTS = 90;
/** After so many settings of reach that did not straighten it, as well. */
const ENOUGH_TURNS = 8;
/** After so many shots at a line only a turn tells more. */
const TELLING_SHOTS = 54;

/** What the walk-back asks for next; a pure function of the record. */
export function walkBackMove(state: BowState, session: ShootingSession): Move | null {
  const { fit, next, shots } = walkBackStanding(state, session);
  const asked = nextMove(session, next);
  if (asked !== null) return asked;
  if (fit === null || next.kind === 'buttTooSmall')
    return { ...plain({ topic: 'walkBackButtTooSmall' }), key: 'walkBack:buttTooSmall' };
  return lineMove(
    fit,
    shots.map(({ distanceM }) => distanceM),
  );
}

/**
 * What a line asks for, once every safe distance has its shots.
 *
 * @param distancesM where each of its shots was shot from, m
 */
export function lineMove(fit: WalkBackFit, distancesM: readonly number[]): Move {
  const { drift, bend } = fit;
  const shots = distancesM.length;
  if (fit.straight) {
    return {
      ...plain({ topic: 'walkBackStraight' }),
      key: 'walkBack:straight',
      action: { kind: 'confirmStep', step: 'walkBack' },
    };
  }
  if (isEnough(fit, shots)) {
    return {
      ...plain({ topic: 'walkBackEnough', fit, shots }),
      key: 'walkBack:enough',
      action: { kind: 'confirmStep', step: 'walkBack' },
    };
  }
  const late = shots >= TELLING_SHOTS;
  const nearAndFar = [fit.nearestM, fit.farthestM];
  if (drift.call === 'plus' || drift.call === 'minus') {
    const turn = reachTurn(fit, late);
    return turn === null ? moreMove(nearAndFar) : reachMove(fit, turn);
  }
  const edge = isAtTheEdge(fit, late) ? reachTurn(fit, late) : null;
  if (edge !== null) return reachMove(fit, edge);
  if (bend !== null && (bend.call === 'plus' || bend.call === 'minus')) return preloadMove(fit);
  if (drift.call === 'undecided' || bend === null || bend.call === 'inside')
    return moreMove(nearAndFar);
  const middleM = (fit.nearestM + fit.farthestM) / 2;
  const off = (distanceM: number) => Math.abs(distanceM - middleM);
  return moreMove([distancesM.reduce((best, one) => (off(one) < off(best) ? one : best))]);
}

/** More shooting, or more turning, would not change what can be said. */
function isEnough({ reachGain, drift }: WalkBackFit, shots: number): boolean {
  const { mean, sd, changes } = reachGain;
  if (shots >= ENOUGH_SHOTS || changes >= ENOUGH_TURNS) return true;
  if (changes < 1 || drift.call === 'inside') return false;
  const hardlyAnswers = Math.abs(mean) + SURE_SDS * sd < LEAST_ANSWER_MM_PER_M;
  return changes > 1 && hardlyAnswers;
}
/** A turn of reach that leans the line by less than this, mm a metre, straightens nothing. */
const LEAST_ANSWER_MM_PER_M = 1.2;

/** At the edge of what is good enough, and the way is known, or much was shot: turning it says more than shooting on. */
function isAtTheEdge({ drift, toleranceMm, reachGain }: WalkBackFit, late: boolean): boolean {
  const { mm, plusMinusMm } = drift;
  return (
    (late || (drift.call === 'undecided' && isSureOf(reachGain))) &&
    Math.abs(mm) > EDGE_SHARE * toleranceMm &&
    Math.abs(mm) > plusMinusMm
  );
}
const EDGE_SHARE = 0.6;

function moreMove(distancesM: readonly number[]): Move {
  return {
    ...plain({ topic: 'walkBackMore', distancesM }),
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

function reachMove(fit: WalkBackFit, amount: number): Move {
  const { reachGain: gain, drift } = fit;
  const span = fit.farthestM - fit.nearestM;
  const after = {
    mm: drift.mm + gain.mean * amount * span,
    plusMinusMm: Math.hypot(drift.plusMinusMm, HALF_90 * gain.sd * amount * span),
  };
  return {
    ...plain({ topic: 'walkBackReach', fit, gain, amount, after }),
    key: `walkBack:reach:${amount}`,
    place: 'plunger',
    action: { kind: 'change', changes: [{ control: 'plungerReach', amount }] },
  };
}

function isSureOf({ mean, sd, changes }: WalkBackFit['reachGain']): boolean {
  return changes > 0 && Math.abs(mean) > SURE_SDS * sd;
}
/** The way of a turn is sure when the gain lies so many of its standard deviations off zero. */
const SURE_SDS = 1.6;

function preloadMove(fit: WalkBackFit): Move {
  const { preloadGain: gain, bend } = fit;
  const bendMm = bend?.mm ?? 0;
  const amount = gain.changes > 0 && bendMm * gain.mean > 0 ? -QUARTER : QUARTER;
  return {
    ...plain({ topic: 'walkBackPreload', fit, gain, amount }),
    key: `walkBack:preload:${amount}`,
    place: 'plunger',
    action: { kind: 'change', changes: [{ control: 'plungerPreload', amount }] },
  };
}

function plain(because: MoveBecause): Omit<Move, 'key'> {
  return { ...plainMove('walkBack', because), caution: 'bareShafts' };
}
