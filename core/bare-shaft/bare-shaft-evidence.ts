import {
  BARE_SHAFT_FACET,
  type BareShaftAxis,
  REFERENCE_DISTANCE_M,
} from '../priors/prior-gains.ts';
import type { AxisPrior, AxisVerdict } from '../groups/axis-verdict.ts';
import {
  type BareShaftVerdict,
  bareShaftVerdict,
  type Landing,
  shotsSpeakingFor,
} from './bare-shaft-verdict.ts';
import { aimWanderOdds, scatterPrior } from '../groups/scatter-history.ts';
import { wholeEndNumbers } from '../groups/whole-ends.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceForPair } from '../log/once-for.ts';
import { partsOf, sittingOf, sittings, sittingsBefore } from '../log/sitting.ts';
import { isCounted, type ShootingSession } from '../log/shooting.ts';
import type { FacetId } from '../craft/steps.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import { shaftByShaft } from './shaft-by-shaft.ts';
import { provisionalSide } from './session-evidence.ts';
import { bareShaftOutlook, landingMm } from './bare-shaft-outlook.ts';

type BareShaftFacet = Extract<FacetId, 'bareShaftVertical' | 'bareShaftLateral'>;

/**
 * Chance of being inside, by the whole log, at which an axis may be called done after so many ends: few
 * ends have to be surer, since who looks after every end finds a lucky one.
 */
const INSIDE_DONE_AT = [
  { ends: 48, chance: 0.8 },
  { ends: 36, chance: 0.9 },
  { ends: 20, chance: 0.95 },
  { ends: 2, chance: 0.97 },
] as const;
/** And by the shots since the last change alone: what was before it may be carried over wrongly. */
const INSIDE_BY_ITSELF_AT = 0.6;
/** Ends it takes at least since the last change. */
const DONE_ENDS = 2;

/**
 * The verdict of the sitting a session is part of: the shots since the last change, with what earlier
 * sessions say of the archer's scatter. Whether it is done is judged by the whole log: what was shot before the last
 * change is carried over it, with the change's effect as uncertain as it is.
 */
export function sessionVerdict(state: BowState, session: ShootingSession): BareShaftVerdict {
  return sittingVerdict(state, sittingOf(state, session));
}

const sittingVerdict = onceForPair(
  (state: BowState, session: ShootingSession): BareShaftVerdict => {
    const shot = bareShaftVerdict(
      session,
      state.upsets,
      sessionPriors(state, session),
      sessionLanding(state, session),
    );
    const isLast =
      sittings(state).findLast(({ sessionKind }) => sessionKind === 'bareShaft') === session;
    const verdict = {
      ...shot,
      sessionsBefore: partsOf(state, session) - 1,
      // What nobody acts on any more is not weighed.
      apart: isLast ? shaftByShaft(state, session) : null,
      seen: {
        outward: provisionalSide(state, session, shot, 'bareShaftOutward'),
        up: provisionalSide(state, session, shot, 'bareShaftUp'),
      },
    };
    if (!isLast) return verdict;
    const endsInAll = new Set(
      session.shots.filter(({ arrow }) => arrow === 'bare').map(({ endNumber }) => endNumber),
    ).size;
    const judge = (judged: AxisVerdict, axis: BareShaftAxis): AxisVerdict => {
      const ends = endsSpeaking(state, session, axis);
      const needed = INSIDE_DONE_AT.find((one) => endsInAll >= one.ends)?.chance ?? Infinity;
      return {
        ...judged,
        done:
          ends >= DONE_ENDS &&
          judged.call !== 'plus' &&
          judged.call !== 'minus' &&
          (judged.odds?.inside ?? 0) >= INSIDE_BY_ITSELF_AT &&
          bareShaftOutlook(state, session, axis).odds.inside >= needed,
      };
    };
    const outward = judge(verdict.outward, 'bareShaftOutward');
    const up = judge(verdict.up, 'bareShaftUp');
    return { ...verdict, outward, up, done: outward.done && up.done && verdict.apart === null };
  },
);

/** Whole ends of a sitting that still speak for an axis and hold bare shafts. */
export function endsSpeaking(
  state: BowState,
  oneOfThem: ShootingSession,
  axis: BareShaftAxis,
): number {
  const session = sittingOf(state, oneOfThem);
  const shots = shotsSpeakingFor(BARE_SHAFT_FACET[axis], session, state.upsets);
  const whole = wholeEndNumbers(session);
  return new Set(
    shots
      .filter((shot) => shot.arrow === 'bare' && isCounted(shot))
      .map(({ endNumber }) => endNumber)
      .filter((endNumber) => whole.has(endNumber)),
  ).size;
}

/** The landing bare shafts are tuned to, at a session's distance. */
export function sessionLanding(state: BowState, session: ShootingSession): Landing {
  const scale = session.distanceM / REFERENCE_DISTANCE_M;
  return {
    outwardMm: landingMm(state, 'bareShaftOutward') * scale,
    upMm: landingMm(state, 'bareShaftUp') * scale,
  };
}

/** What the sessions before one say of the archer, on both axes: scatter and wandering aim. */
export function sessionPriors(state: BowState, session: ShootingSession) {
  const earlier = sittingsBefore(state, session);
  const prior = (axis: 'outwardMm' | 'upMm'): AxisPrior => ({
    scatter: scatterPrior(earlier, session.distanceM, axis, session.openedAt),
    wanderOdds: aimWanderOdds(earlier, axis),
  });
  return { outward: prior('outwardMm'), up: prior('upMm') };
}

/** The newest sitting with bare shafts shot; null before any was. No shot is weighed for it. */
export function newestBareShaft(state: BowState): ShootingSession | null {
  return (
    sittings(state).findLast(
      ({ sessionKind, shots }) => sessionKind === 'bareShaft' && shots.length > 0,
    ) ?? null
  );
}

/** Changes that emptied a facet that had been shot; stale while no new shots stand. */
export function upsetSinceShot(
  { upsets: doubts }: BowState,
  session: ShootingSession,
  facet: BareShaftFacet,
): readonly Upset[] {
  const lastShotIndex = session.shots.at(-1)?.index ?? -1;
  const isSpoken = shotsSpeakingFor(facet, session, doubts).length > 0;
  const shotBy = isSpoken ? lastShotIndex : firstBareIndex(session);
  return doubts.filter((doubt) => doubt.index > shotBy && upsets(doubt, facet));
}

/** The newest sitting with bare shafts shot, judged. */
export function bareShaftEvidence(state: BowState): {
  readonly session: ShootingSession | null;
  readonly verdict: BareShaftVerdict | null;
} {
  const session = newestBareShaft(state);
  return { session, verdict: session === null ? null : sessionVerdict(state, session) };
}

function firstBareIndex(session: ShootingSession): number {
  return session.shots.find((shot) => shot.arrow === 'bare')?.index ?? Number.POSITIVE_INFINITY;
}
