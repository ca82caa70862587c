import { onceForPair } from '../log/once-for.ts';
import type { BowState } from '../log/bow-state.ts';
import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { shotInBowFrame } from '../groups/cant.ts';
import { meanOf } from '../numeric/moments.ts';
import { aimWanderOdds, cautiousScatterMm, scatterPrior } from '../groups/scatter-history.ts';
import { fitWalkBack, type WalkBackFit } from './walk-back.ts';
import { walkBackUpsets, walkEnds } from './walk-lines.ts';
import { fitWalkBackFlight, scatterAt, type WalkBackFlight } from './walk-back-flight.ts';
import {
  type PlannedDistance,
  isSafeOnceSet,
  planWalkBack,
  sightingInDistance,
  type WalkBackButt,
} from './walk-back-plan.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';

/** Shots that an end at one distance needs before the next distance is gone to. */
export const WALK_BACK_SHOTS = 3;
/** An arrow's speed until somebody says better, with its standard deviation as a share. */
const USUAL_SPEED_MPS = 52;
const SPEED_SHARE = 0.15;
const USUAL_MARK_BELOW_TOP_MM = 300;
/** The nearest end is on the mark when its middle lies this near, mm, or within what its shots can tell. */
const ON_MARK_MM = 50;

/** What a walk-back wants next, as data. */
export type WalkBackNext =
  /** One arrow from near: nobody knows yet where the sight points. */
  | { readonly kind: 'sightIn'; readonly distanceM: number }
  /** The sight is not set for the nearest distance: it would hit so far off there. */
  | { readonly kind: 'setSight'; readonly outwardMm: number; readonly upMm: number }
  | { readonly kind: 'shoot'; readonly distanceM: number; readonly first: boolean }
  /** The drops are no bow's: sight or aim was moved, or arrows were mixed. */
  | { readonly kind: 'questionSpeed'; readonly speedMps: number }
  /** Every safe distance has its shots. */
  | { readonly kind: 'allShot' }
  | { readonly kind: 'buttTooSmall' };

/** What the walk-back has shown so far, and where it may go. */
export interface WalkBackStanding {
  readonly plan: readonly PlannedDistance[];
  /** Counted fletched shots since reach or preload were last moved, with the sight as it is set now. */
  readonly shots: readonly Shot[];
  readonly fit: WalkBackFit | null;
  readonly next: WalkBackNext;
  /** Where to shoot next; null when nothing is asked for. */
  readonly nextM: number | null;
  /** The speed that the drops so far speak of, m/s. */
  readonly speedMps: number;
  readonly speedQuestioned: boolean;
}

/** Where a walk-back stands: the plan as the hits so far have taught it, and the line through them. */
export const walkBackStanding = onceForPair(standingOf);

function standingOf(state: BowState, session: ShootingSession): WalkBackStanding {
  const earlier = earlierThan(state, session);
  const counted = session.shots
    .filter((shot) => shot.arrow === 'fletched' && isCounted(shot))
    .map((shot) => shotInBowFrame(session, shot));
  const moved = walkBackUpsets(state).at(-1)?.index ?? -1;
  const aimedAt = session.aimSetAt.at(-1) ?? -1;
  const aimOf = (index: number) => session.aimSetAt.filter((at) => at < index).length;
  const shots = counted.filter(({ index }) => index > Math.max(moved, aimedAt));
  const scatterMm = scatterReckonedWith(earlier, counted, session.openedAt);
  const flight = fitWalkBackFlight(
    counted.map((shot) => ({ ...shot, aim: aimOf(shot.index) })),
    {
      nearestM: session.distanceM,
      speedMps: session.arrowSpeedMps ?? USUAL_SPEED_MPS,
      speedShare: SPEED_SHARE,
      scatterMm,
      aimKnown: sightWasSetFor(session.distanceM, earlier),
    },
    session.aimSetAt.length,
  );
  const butt = {
    widthMm: session.buttMm,
    heightMm: session.buttMm,
    markBelowTopMm: session.markBelowTopMm ?? USUAL_MARK_BELOW_TOP_MM,
  };
  const plan = planWalkBack(session.distanceM, flight, scatterMm, butt);
  const next = nextOf(session, {
    flight,
    plan,
    shots,
    scatterMm,
    butt,
    isTurnedLine: counted.some(({ index }) => index < moved),
  });
  let line: { readonly fit: WalkBackFit | null } | undefined;
  return {
    plan,
    shots: shots.filter(({ distanceM }) => distanceM >= session.distanceM),
    // Where to shoot next does not ask for it, and it costs the most.
    get fit() {
      return (line ??= { fit: lineOf(state, session, Math.max(moved, aimedAt)) }).fit;
    },
    next,
    nextM: next.kind === 'shoot' || next.kind === 'sightIn' ? next.distanceM : null,
    speedMps: flight.speedMps,
    speedQuestioned: flight.questioned,
  };
}

/** Sessions opened before one, which may be of another fold of the same log. */
function earlierThan({ sessions }: BowState, { sessionId }: ShootingSession) {
  const at = sessions.findIndex((one) => one.sessionId === sessionId);
  return sessions.slice(0, Math.max(0, at));
}

/** The line as it is now: nothing before the last turn, or before the sight was set, is of it. */
function lineOf(state: BowState, session: ShootingSession, since: number): WalkBackFit | null {
  const ends = walkEnds(state, session);
  const last = ends.at(-1);
  if (last === undefined || last.index < since) return null;
  const earlier = earlierThan(state, session);
  return fitWalkBack(ends, {
    toleranceMm: session.toleranceMm,
    scatter: scatterPrior(earlier, REFERENCE_DISTANCE_M, 'outwardMm', session.openedAt),
    wanderOdds: aimWanderOdds(earlier, 'outwardMm'),
  });
}

interface WalkSoFar {
  readonly flight: WalkBackFlight;
  readonly plan: readonly PlannedDistance[];
  readonly shots: readonly Shot[];
  readonly scatterMm: number;
  readonly butt: WalkBackButt;
  /** Reach or preload was turned in this walk: the line before it is known. */
  readonly isTurnedLine: boolean;
}

/** Near, middle and far say nearly all of a line that was walked whole before it was turned. */
function nearMiddleFar(plan: readonly PlannedDistance[]): readonly PlannedDistance[] {
  const middle = plan[Math.floor(plan.length / 2)];
  return plan.filter((one, at) => at === 0 || at === plan.length - 1 || one === middle);
}

function nextOf(
  session: ShootingSession,
  { flight, plan, shots, scatterMm, butt, isTurnedLine }: WalkSoFar,
): WalkBackNext {
  const nearestM = session.distanceM;
  const shotAt = (distanceM: number) => shots.filter((one) => one.distanceM === distanceM).length;
  const nearest = flight.at(nearestM);
  if (shotAt(nearestM) < WALK_BACK_SHOTS) {
    if (plan[0]?.refused === null)
      return { kind: 'shoot', distanceM: nearestM, first: shots.length === 0 };
    if (!isSafeOnceSet(nearestM, scatterMm, butt)) return { kind: 'buttTooSmall' };
    // Shot from near it is known where the sight points: elsewhere, or not surely enough yet.
    const off = Math.max(Math.abs(nearest.outwardMm), Math.abs(nearest.upMm));
    if (shots.length >= WALK_BACK_SHOTS || (shots.length > 0 && off > ON_MARK_MM))
      return { kind: 'setSight', outwardMm: nearest.outwardMm, upMm: nearest.upMm };
    const distanceM = sightingInDistance(nearestM, flight, scatterMm, butt);
    return distanceM === null ? { kind: 'buttTooSmall' } : { kind: 'sightIn', distanceM };
  }
  if (flight.questioned) return { kind: 'questionSpeed', speedMps: flight.speedMps };
  if (
    !isOnMark(
      shots.filter(({ distanceM }) => distanceM === nearestM),
      scatterMm,
    )
  )
    return { kind: 'setSight', outwardMm: nearest.outwardMm, upMm: nearest.upMm };
  const safe = plan.filter(({ refused }) => refused === null);
  if (safe.length < 2) return { kind: 'buttTooSmall' };
  const wanted = isTurnedLine ? nearMiddleFar(safe) : safe;
  const open = wanted.find(({ distanceM }) => shotAt(distanceM) < WALK_BACK_SHOTS);
  return open === undefined
    ? { kind: 'allShot' }
    : { kind: 'shoot', distanceM: open.distanceM, first: false };
}

/** The middle of the nearest end lies on the mark, as far as its shots and its own aim can tell. */
function isOnMark(shots: readonly Shot[], scatterMm: number): boolean {
  const [first] = shots;
  if (first === undefined) return false;
  const aim = scatterAt(scatterMm, first.distanceM) * Math.sqrt(1 / shots.length + 0.25);
  const within = Math.max(ON_MARK_MM, 2 * aim);
  return (
    Math.abs(meanOf(shots.map(({ outwardMm }) => outwardMm))) <= within &&
    Math.abs(meanOf(shots.map(({ upMm }) => upMm))) <= within
  );
}

/** The larger of both axes, from what the archer shot before and what this walk has shown. */
function scatterReckonedWith(
  earlier: readonly ShootingSession[],
  counted: readonly Shot[],
  at: string,
): number {
  const axes = ['outwardMm', 'upMm'] as const;
  return Math.max(
    ...axes.map((axis) => {
      const ends = new Map<string, number[]>();
      for (const shot of counted) {
        const key = `${shot.endNumber} ${shot.distanceM}`;
        const values = ends.get(key) ?? [];
        ends.set(key, values);
        values.push((shot[axis] * REFERENCE_DISTANCE_M) / shot.distanceM);
      }
      const before = scatterPrior(earlier, REFERENCE_DISTANCE_M, axis, at);
      return cautiousScatterMm(before, [...ends.values()]);
    }),
  );
}

/** The last session was shot fletched at this very distance, and its middle lay on the mark. */
function sightWasSetFor(distanceM: number, earlier: readonly ShootingSession[]): boolean {
  const last = earlier.at(-1);
  if (last === undefined) return false;
  const shots = last.shots.filter(
    (shot) => shot.arrow === 'fletched' && isCounted(shot) && shot.distanceM === distanceM,
  );
  return shots.length >= WALK_BACK_SHOTS && isOnMark(shots, 0);
}
