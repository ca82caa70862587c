import {
  type BareShaftVerdict,
  bareShaftVerdict,
  shotsSpeakingFor,
} from '../shots/bare-shaft-verdict.ts';
import { scatterPrior } from '../shots/scatter-history.ts';
import type { BowState } from '../record/fold.ts';
import type { ShootingSession } from '../record/shooting.ts';
import type { FacetId } from '../craft/steps.ts';
import { type Upset, upsets } from '../craft/upsets.ts';

type BareShaftFacet = Extract<FacetId, 'bareShaftVertical' | 'bareShaftLateral'>;

/** The verdict of a session, with what earlier sessions of this bow say of the archer's scatter. */
export function sessionVerdict(state: BowState, session: ShootingSession): BareShaftVerdict {
  return bareShaftVerdict(session, state.upsets, sessionPriors(state, session));
}

/** Scatter priors of both axes for a session, from the sessions before it. */
export function sessionPriors(state: BowState, session: ShootingSession) {
  const place = state.sessions.findIndex((one) => one.sessionId === session.sessionId);
  const earlier = state.sessions.slice(0, Math.max(0, place));
  return {
    outward: scatterPrior(earlier, session.distanceM, 'outwardMm'),
    up: scatterPrior(earlier, session.distanceM, 'upMm'),
  };
}

/** What the shots say of one axis now, and what was changed since they were shot. */
export interface BareShaftEvidence {
  readonly session: ShootingSession | null;
  readonly verdict: BareShaftVerdict | null;
  /** Changes that emptied an axis that had been shot; stale while no new shots stand. */
  readonly upsetBy: readonly Upset[];
  readonly everShot: boolean;
}

/** The newest session with shots, judged, for one facet of the bare-shaft step. */
export function bareShaftEvidence(state: BowState, facet: BareShaftFacet): BareShaftEvidence {
  const session = state.sessions.findLast((candidate) => candidate.shots.length > 0) ?? null;
  if (session === null) return { session: null, verdict: null, upsetBy: [], everShot: false };
  const speaking = shotsSpeakingFor(facet, session, state.upsets);
  const lastShotIndex = session.shots.at(-1)?.index ?? -1;
  const upsetBy = state.upsets.filter(
    (doubt) =>
      upsets(doubt, facet) &&
      doubt.index > (speaking.length > 0 ? lastShotIndex : firstBareIndex(session)),
  );
  return { session, verdict: sessionVerdict(state, session), upsetBy, everShot: true };
}

function firstBareIndex(session: ShootingSession): number {
  return session.shots.find((shot) => shot.arrow === 'bare')?.index ?? Number.POSITIVE_INFINITY;
}
