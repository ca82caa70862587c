import type { PaperTear } from '../log/range-records.ts';
import {
  BARE_SHAFT_AXES,
  BARE_SHAFT_FACET,
  type BareShaftAxis,
  REFERENCE_DISTANCE_M,
} from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import { sittingOf } from '../log/sitting.ts';
import { isCounted, type ShootingSession } from '../log/shooting.ts';
import { upsets } from '../craft/upsets.ts';
import {
  type BareShaftVerdict,
  type ProvisionalSide,
  shotsSpeakingFor,
} from './bare-shaft-verdict.ts';
import { type FusedAxis, fuseEvidence } from './evidence.ts';
import { studentMixtureScaled } from '../numeric/student-mixture.ts';

/** Everything seen of one axis since it was last upset, fused. */
export function sessionEvidence(
  state: BowState,
  oneOfThem: ShootingSession,
  verdict: BareShaftVerdict,
  axis: BareShaftAxis,
): FusedAxis {
  const session = sittingOf(state, oneOfThem);
  const facet = BARE_SHAFT_FACET[axis];
  const isUp = axis === 'bareShaftUp';
  const speaking = shotsSpeakingFor(facet, session, state.upsets).filter(isCounted);
  const ends = new Set(speaking.map(({ endNumber }) => endNumber));
  const lastUpset = state.upsets.findLast((one) => upsets(one, facet))?.index ?? -1;
  const posterior = verdict[isUp ? 'up' : 'outward'].posterior;
  return fuseEvidence({
    impact:
      posterior === null
        ? null
        : studentMixtureScaled(posterior.mixture, REFERENCE_DISTANCE_M / session.distanceM),
    attitudesDeg: speaking.flatMap(({ arrow, attitude }) =>
      arrow === 'bare' && attitude !== null ? [isUp ? attitude.upDeg : attitude.outwardDeg] : [],
    ),
    distanceM: session.distanceM,
    buttKind: session.buttKind ?? null,
    tearsMm: tearsOfOneDistance(state.tears.filter(({ index }) => index > lastUpset)).map(
      ({ outwardMm, upMm }) => (isUp ? upMm : outwardMm),
    ),
    flights: [...session.endNotes].flatMap(([end, { flight }]) => {
      const way = isUp ? flight?.up : flight?.outward;
      return way === undefined || !ends.has(end) ? [] : [way];
    }),
  });
}

/**
 * Tears at the distance of the newest: an arrow swings on its way, and what the paper shows at two
 * distances are two places of its swing.
 */
export function tearsOfOneDistance(tears: readonly PaperTear[]): readonly PaperTear[] {
  const last = tears.at(-1);
  return tears.filter(({ distanceM }) => distanceM === last?.distanceM);
}

/** The side is said from this chance on, that it is out far enough to matter. */
const SAID_AT = 0.92;
/** Seen in fewer ends than this it proves nothing. */
const FEWEST_ENDS = 2;

/**
 * The side that was seen where impact says little: attitude, flight and paper with what impact there is.
 * Null where impact has decided, where nothing else was seen, or where it is too little to say.
 */
export function provisionalSide(
  state: BowState,
  session: ShootingSession,
  verdict: BareShaftVerdict,
  axis: BareShaftAxis,
): ProvisionalSide | null {
  const judged = verdict[axis === 'bareShaftUp' ? 'up' : 'outward'];
  const hasDecided = judged.done || judged.call === 'plus' || judged.call === 'minus';
  if (hasDecided || onlyImpact(state, session)) return null;
  const { says, matters, meanMm, sdMm, conflict } = sessionEvidence(state, session, verdict, axis);
  const sources = says.map(({ source }) => source).filter((source) => source !== 'impact');
  const ends = new Set(
    shotsSpeakingFor(BARE_SHAFT_FACET[axis], session, state.upsets).map(
      ({ endNumber }) => endNumber,
    ),
  ).size;
  if (sources.length === 0 || ends < FEWEST_ENDS) return null;
  if (conflict !== null && !conflict.normal) return null;
  for (const call of ['plus', 'minus'] as const)
    if (matters[call] >= SAID_AT) return { call, sources, meanMm, sdMm };
  return null;
}

function onlyImpact(state: BowState, session: ShootingSession): boolean {
  return (
    state.tears.length === 0 &&
    session.shots.every(({ attitude }) => attitude === null) &&
    [...session.endNotes.values()].every(({ flight }) => flight === null)
  );
}

/** Does something else that was seen surely say the opposite of the impact, where it should not? */
export function hasConflict(
  state: BowState,
  session: ShootingSession,
  verdict: BareShaftVerdict,
): boolean {
  if (onlyImpact(state, session)) return false;
  return BARE_SHAFT_AXES.some((axis) => {
    const { conflict } = sessionEvidence(state, session, verdict, axis);
    return conflict !== null && !conflict.normal;
  });
}

/** Marks on rest or riser in an end since the lateral axis was last upset: the tail touches. */
export function hasContactMarks(state: BowState, session: ShootingSession): boolean {
  const speaking = shotsSpeakingFor('bareShaftLateral', session, state.upsets);
  return speaking.some(({ endNumber }) => {
    const marks = session.endNotes.get(endNumber)?.marks;
    return marks === 'rest' || marks === 'riser';
  });
}
