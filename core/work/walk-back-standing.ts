import { upsets } from '../craft/upsets.ts';
import type { BowState, ChangeMade } from '../record/fold.ts';
import type { ShootingSession, Shot } from '../record/shooting.ts';
import { shotInBowFrame } from '../shots/cant.ts';
import { scatterPrior } from '../shots/scatter-history.ts';
import { fitWalkBack, type WalkBackFit } from '../shots/walk-back.ts';
import {
  dropFromSpeed,
  learnDrop,
  type PlannedDistance,
  planWalkBack,
} from '../shots/walk-back-plan.ts';
import { REFERENCE_DISTANCE_M } from '../gains/prior-gains.ts';

/** Shots that an end at one distance needs before the next distance is gone to. */
export const WALK_BACK_SHOTS = 3;
/** An archer's scatter at 18 m until any group has been shot, mm. */
const UNKNOWN_SCATTER_MM = 20;
/** An arrow's speed until somebody says better, with its standard deviation as a share. */
const USUAL_SPEED_MPS = 52;
const SPEED_SHARE = 0.15;
const USUAL_MARK_BELOW_TOP_MM = 300;

/** What the walk-back has shown so far, and where it may go. */
export interface WalkBackStanding {
  readonly plan: readonly PlannedDistance[];
  /** Counted fletched shots since reach or preload were last moved. */
  readonly shots: readonly Shot[];
  readonly fit: WalkBackFit | null;
  /** Where to shoot next; null when every safe distance has its shots. */
  readonly nextM: number | null;
  /** The speed that the drops so far speak of, m/s. */
  readonly speedMps: number;
}

/** Where a walk-back stands: the plan as the hits so far have taught it, and the line through them. */
export function walkBackStanding(state: BowState, session: ShootingSession): WalkBackStanding {
  const earlier = state.sessions.slice(0, state.sessions.indexOf(session));
  const across = scatterPrior(earlier, REFERENCE_DISTANCE_M, 'outwardMm');
  const along = scatterPrior(earlier, REFERENCE_DISTANCE_M, 'upMm');
  const scatterMm = Math.max(across.sdMm, along.sdMm) || UNKNOWN_SCATTER_MM;
  const counted = session.shots
    .filter(({ arrow, calledBad }) => arrow === 'fletched' && !calledBad)
    .map((shot) => shotInBowFrame(session, shot));
  const since = walkBackUpsets(state).at(-1)?.index ?? -1;
  const shots = counted.filter(({ index }) => index > since);
  const drop = learnDrop(
    dropFromSpeed(session.arrowSpeedMps ?? USUAL_SPEED_MPS, SPEED_SHARE),
    session.distanceM,
    counted,
    scatterMm,
  );
  const plan = planWalkBack(session.distanceM, drop, scatterMm, {
    widthMm: session.buttMm,
    heightMm: session.buttMm,
    markBelowTopMm: session.markBelowTopMm ?? USUAL_MARK_BELOW_TOP_MM,
  });
  const safe = plan.filter(({ refused }) => refused === null);
  const shotAt = (distanceM: number) => shots.filter((one) => one.distanceM === distanceM).length;
  return {
    plan,
    shots,
    fit: fitWalkBack(shots, session.toleranceMm, across),
    nextM: safe.find(({ distanceM }) => shotAt(distanceM) < WALK_BACK_SHOTS)?.distanceM ?? null,
    speedMps: Math.sqrt(9.81 / (2 * drop.perM)),
  };
}

/** Changes after which the line of a walk-back must be shot anew: what upsets it, and preload. */
function walkBackUpsets(state: BowState) {
  return state.upsets.filter(
    (one) => upsets(one, 'walkBack') || (one.kind === 'change' && one.control === 'plungerPreload'),
  );
}

/** A change of one control between two lines, with how much lean or bow it made. */
export interface LineAnswer {
  readonly change: ChangeMade;
  readonly before: WalkBackFit;
  readonly after: WalkBackFit;
}

/** Every change of a control that was walked back before and after with nothing else moved between. */
export function lineAnswers(
  state: BowState,
  control: 'plungerReach' | 'plungerPreload',
): readonly LineAnswer[] {
  const doubts = walkBackUpsets(state);
  const shots = state.sessions
    .filter(({ sessionKind }) => sessionKind === 'walkBack')
    .flatMap((session) =>
      session.shots
        .filter(({ arrow, calledBad }) => arrow === 'fletched' && !calledBad)
        .map((shot) => ({ shot: shotInBowFrame(session, shot), session })),
    );
  const between = (from: number, to: number) =>
    shots.filter(({ shot }) => shot.index > from && shot.index < to);
  const lineOf = (hits: typeof shots) => {
    const session = hits.at(-1)?.session;
    if (session === undefined) return null;
    const earlier = state.sessions.slice(0, state.sessions.indexOf(session));
    return fitWalkBack(
      hits.filter((hit) => hit.session === session).map(({ shot }) => shot),
      session.toleranceMm,
      scatterPrior(earlier, REFERENCE_DISTANCE_M, 'outwardMm'),
    );
  };
  return doubts.flatMap((doubt, place) => {
    if (doubt.kind !== 'change' || doubt.control !== control) return [];
    const before = lineOf(between(doubts[place - 1]?.index ?? -1, doubt.index));
    const after = lineOf(
      between(doubt.index, doubts[place + 1]?.index ?? Number.POSITIVE_INFINITY),
    );
    return before === null || after === null ? [] : [{ change: doubt, before, after }];
  });
}
