import { onceForPair } from '../log/once-for.ts';
import { upsets } from '../craft/upsets.ts';
import type { BowState, ChangeMade } from '../log/bow-state.ts';
import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { shotInBowFrame } from '../groups/cant.ts';
import { meanOf } from '../numeric/moments.ts';
import { cautiousScatterMm, scatterPrior } from '../groups/scatter-history.ts';
import { fitWalkBack, type WalkBackFit } from './walk-back.ts';
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
  const earlier = state.sessions.slice(0, state.sessions.indexOf(session));
  const across = scatterPrior(earlier, REFERENCE_DISTANCE_M, 'outwardMm');
  const counted = session.shots
    .filter((shot) => shot.arrow === 'fletched' && isCounted(shot))
    .map((shot) => shotInBowFrame(session, shot));
  const moved = walkBackUpsets(state).at(-1)?.index ?? -1;
  const aimedAt = session.aimSetAt.at(-1) ?? -1;
  const aimOf = (index: number) => session.aimSetAt.filter((at) => at < index).length;
  const shots = counted.filter(({ index }) => index > Math.max(moved, aimedAt));
  const scatterMm = scatterReckonedWith(earlier, counted);
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
  const next = nextOf(session, { flight, plan, shots, scatterMm, butt });
  return {
    plan,
    shots: shots.filter(({ distanceM }) => distanceM >= session.distanceM),
    fit: fitWalkBack(
      shots.filter(({ distanceM }) => distanceM >= session.distanceM),
      session.toleranceMm,
      across,
    ),
    next,
    nextM: next.kind === 'shoot' || next.kind === 'sightIn' ? next.distanceM : null,
    speedMps: flight.speedMps,
    speedQuestioned: flight.questioned,
  };
}

interface WalkSoFar {
  readonly flight: WalkBackFlight;
  readonly plan: readonly PlannedDistance[];
  readonly shots: readonly Shot[];
  readonly scatterMm: number;
  readonly butt: WalkBackButt;
}

function nextOf(
  session: ShootingSession,
  { flight, plan, shots, scatterMm, butt }: WalkSoFar,
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
  const open = safe.find(({ distanceM }) => shotAt(distanceM) < WALK_BACK_SHOTS);
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
      const before = scatterPrior(earlier, REFERENCE_DISTANCE_M, axis);
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
        .filter(
          (shot) =>
            shot.arrow === 'fletched' && isCounted(shot) && shot.distanceM >= session.distanceM,
        )
        .map((shot) => ({
          shot: shotInBowFrame(session, shot),
          session,
          aim: session.aimSetAt.filter((at) => at < shot.index).length,
        })),
    );
  const between = (from: number, to: number) =>
    shots.filter(({ shot }) => shot.index > from && shot.index < to);
  const lineOf = (hits: typeof shots) => {
    const last = hits.at(-1);
    if (last === undefined) return null;
    const { session, aim } = last;
    const earlier = state.sessions.slice(0, state.sessions.indexOf(session));
    return fitWalkBack(
      // A line is shot with one aim: hits from before it was set anew lie on another.
      hits.filter((hit) => hit.session === session && hit.aim === aim).map(({ shot }) => shot),
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
