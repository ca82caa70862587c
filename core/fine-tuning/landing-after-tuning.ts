import { upsets } from '../craft/upsets.ts';
import type { BowState } from '../log/bow-state.ts';
import type { Experiment } from '../log/range-records.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { endsSpeaking, sessionVerdict } from '../bare-shaft/bare-shaft-evidence.ts';

/** Ends with bare shafts that say where they land. */
export const LANDING_ENDS = 2;

/** What is still to be done of the landing after a tuning, as data. */
export type LandingDue =
  /** No bare shafts were shot since: a session is to be begun. */
  | { readonly kind: 'open' }
  | { readonly kind: 'shoot'; readonly session: ShootingSession; readonly ends: number }
  /** Shot: where they land, mm at 18 m, with half the 90 % interval of each axis. */
  | {
      readonly kind: 'set';
      readonly session: ShootingSession;
      readonly outwardMm: number;
      readonly upMm: number;
      readonly plusMinusMm: { readonly outward: number; readonly up: number };
    };

/** A fine tuning that ended with a setting kept, the newest; only then are groups at their best. */
export function keptTuning({
  experiments,
}: BowState): (Experiment & { closedIndex: number }) | null {
  const kept = experiments.findLast(
    ({ narrowed, closedIndex }) => narrowed !== null && closedIndex !== null,
  );
  return kept?.closedIndex == null ? null : { ...kept, closedIndex: kept.closedIndex };
}

/**
 * Where bare shafts land with groups at their best is the end of a tuning, and the beginning of every
 * later one: after a setting was kept it is shot, two ends at least, and written down.
 *
 * @returns null where nothing was tuned, it is written down already, or something was changed since
 */
export function landingDue(state: BowState): LandingDue | null {
  const kept = keptTuning(state);
  if (kept === null || (state.landing?.index ?? -1) > kept.closedIndex) return null;
  const isChanged = state.upsets.some(
    (one) =>
      one.index > kept.closedIndex &&
      (upsets(one, 'bareShaftLateral') || upsets(one, 'bareShaftVertical')),
  );
  if (isChanged) return null;
  const session = state.sessions.findLast(
    ({ sessionKind, shots }) =>
      sessionKind === 'bareShaft' && (shots[0]?.index ?? -1) > kept.closedIndex,
  );
  if (session === undefined) return { kind: 'open' };
  const ends = Math.min(
    endsSpeaking(state, session, 'bareShaftOutward'),
    endsSpeaking(state, session, 'bareShaftUp'),
  );
  const { outward, up } = sessionVerdict(state, session);
  if (ends < LANDING_ENDS || outward.offsetMm === null || up.offsetMm === null)
    return session.closed ? { kind: 'open' } : { kind: 'shoot', session, ends };
  const scale = REFERENCE_DISTANCE_M / session.distanceM;
  return {
    kind: 'set',
    session,
    outwardMm: Math.round((state.landing?.outwardMm ?? 0) + outward.offsetMm * scale),
    upMm: Math.round((state.landing?.upMm ?? 0) + up.offsetMm * scale),
    plusMinusMm: {
      outward: (outward.plusMinusMm ?? 0) * scale,
      up: (up.plusMinusMm ?? 0) * scale,
    },
  };
}
