import { POINTS_LOOKED_AT } from '../craft/blame-list.ts';
import { PROOF_POINTS, type ProofPoint } from '../craft/range-terms.ts';
import { type AxisVerdict, axisVerdict } from '../groups/axis-verdict.ts';
import { axisEnds } from '../groups/axis-ends.ts';
import { shotInBowFrame } from '../groups/cant.ts';
import { aimWanderOdds, scatterPrior } from '../groups/scatter-history.ts';
import { wholeEndNumbers } from '../groups/whole-ends.ts';
import type { BowState } from '../log/bow-state.ts';
import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { shotsSinceUpset } from '../log/shots-since-upset.ts';
import { sittingsBefore } from '../log/sitting.ts';
import type { BareShaftAxis } from '../priors/prior-gains.ts';
import { type ProofTurn, proofTurn } from './proof-turn.ts';

/** What a proof wants next. */
type ProofNext =
  | { readonly kind: 'shoot'; readonly wants: 'first' | 'practice' | 'undecided' }
  /** Points and shafts are looked over before the bow is blamed. */
  | { readonly kind: 'look'; readonly axis: BareShaftAxis; readonly items: readonly string[] }
  | { readonly kind: 'turn'; readonly axis: BareShaftAxis; readonly turn: ProofTurn }
  /** They land apart, and nothing on the bow may be turned for it. */
  | { readonly kind: 'spent'; readonly axis: BareShaftAxis }
  | { readonly kind: 'proved' };

/** Where points for use land from practice arrows, by what speaks since the last change. */
export interface ProofStanding {
  readonly point: ProofPoint;
  readonly counted: { readonly practice: number; readonly points: number };
  readonly ends: number;
  readonly outward: AxisVerdict;
  readonly up: AxisVerdict;
  readonly next: ProofNext;
}

/** Fewest of each kind before anything is said. */
const FEWEST_EACH = 2;
const FEWEST_ENDS = 2;
/** After so many ends less is asked for: nobody shoots broadheads for ever. */
const PATIENCE_ENDS = 4;
const INSIDE_AFTER_PATIENCE = 0.65;
/** A side that sure is turned for after patience. */
const SIDE_AFTER_PATIENCE = 0.8;

/**
 * The proof at purpose: broadheads or target points against practice arrows at a real distance, each end
 * with an aim of its own, by the same reckoning as bare shafts.
 */
export function proofStanding(state: BowState, session: ShootingSession): ProofStanding {
  const shots = shotsSinceUpset(state, session).map((shot) => shotInBowFrame(session, shot));
  const counted = shots.filter(isCounted);
  const points = counted.filter(({ arrow }) => isProofPoint(arrow));
  const practice = counted.filter(({ arrow }) => arrow === 'fletched');
  const whole = wholeEndNumbers(session);
  const ends = new Set(
    points.map(({ endNumber }) => endNumber).filter((endNumber) => whole.has(endNumber)),
  ).size;
  const earlier = sittingsBefore(state, session);
  const axis = (name: 'outwardMm' | 'upMm', toleranceMm: number) =>
    axisVerdict(
      axisEnds(shots, name, PROOF_POINTS),
      toleranceMm,
      {
        scatter: scatterPrior(earlier, session.distanceM, name, session.openedAt),
        wanderOdds: aimWanderOdds(earlier, name),
      },
      ends,
    );
  const standing = {
    point: pointOf(state, points),
    counted: { practice: practice.length, points: points.length },
    ends,
    outward: axis('outwardMm', session.toleranceMm),
    up: axis('upMm', session.toleranceUpMm),
  };
  return { ...standing, next: nextOf(state, session, standing) };
}

function isProofPoint(arrow: Shot['arrow']): arrow is ProofPoint {
  return PROOF_POINTS.some((one) => one === arrow);
}

/** What was shot last; before the first, what the bow is for. */
function pointOf({ bow }: BowState, points: readonly Shot[]): ProofPoint {
  const last = points.at(-1)?.arrow;
  if (last !== undefined && isProofPoint(last)) return last;
  return bow.purpose === 'hunting' ? 'broadhead' : 'targetPoint';
}

function nextOf(
  state: BowState,
  session: ShootingSession,
  { counted, ends, outward, up }: Omit<ProofStanding, 'next'>,
): ProofNext {
  if (counted.points === 0) return { kind: 'shoot', wants: 'first' };
  if (counted.practice < FEWEST_EACH || counted.points < FEWEST_EACH)
    return { kind: 'shoot', wants: 'practice' };
  if (ends < FEWEST_ENDS) return { kind: 'shoot', wants: 'undecided' };
  const isPatient = ends >= PATIENCE_ENDS;
  // Vertical before lateral, as with bare shafts.
  const axes = [
    { axis: 'bareShaftUp', verdict: up },
    { axis: 'bareShaftOutward', verdict: outward },
  ] as const;
  for (const { axis, verdict } of axes) {
    if (!isOut(verdict, isPatient)) continue;
    const items = POINTS_LOOKED_AT.map(({ id }) => id).filter(
      (id) => !session.blameChecked.has(id),
    );
    if (items.length > 0) return { kind: 'look', axis, items };
    const turn = proofTurn(state, session, axis, verdict);
    return turn === null ? { kind: 'spent', axis } : { kind: 'turn', axis, turn };
  }
  return axes.every(({ verdict }) => isInside(verdict, isPatient))
    ? { kind: 'proved' }
    : { kind: 'shoot', wants: 'undecided' };
}

function isOut({ call, odds }: AxisVerdict, isPatient: boolean): boolean {
  if (call === 'plus' || call === 'minus') return true;
  return isPatient && Math.max(odds?.plus ?? 0, odds?.minus ?? 0) >= SIDE_AFTER_PATIENCE;
}

function isInside({ call, odds }: AxisVerdict, isPatient: boolean): boolean {
  return call === 'inside' || (isPatient && (odds?.inside ?? 0) >= INSIDE_AFTER_PATIENCE);
}
