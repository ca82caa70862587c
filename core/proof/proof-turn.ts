import { HALF_90 } from '../numeric/half-90.ts';
import { bareShaftFigure, bareShaftModels } from '../bare-shaft/bare-shaft-model.ts';
import { roomLeft } from '../bare-shaft/control-room.ts';
import { kindsFor } from '../bare-shaft/remedies.ts';
import type { Control } from '../craft/controls.ts';
import { priorWeightN } from '../gains/prior-weight.ts';
import type { AxisVerdict } from '../groups/axis-verdict.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { studentMixtureHalfWidth, studentMixtureMean } from '../numeric/student-mixture.ts';
import { gainPriorsFor, POINTS_ANSWER } from '../priors/gain-priors.ts';
import { type BareShaftAxis, isSignFixed, REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';

/** One control turned so that points for use come to the practice arrows, with what is expected after it. */
export interface ProofTurn {
  readonly control: Control;
  readonly amount: number;
  /** mm at the session's distance. */
  readonly before: { readonly mm: number; readonly plusMinusMm: number };
  readonly after: { readonly mm: number; readonly plusMinusMm: number };
}

/** What is turned for it, by how easily it is taken back. Nothing is sawn, unstrung or bolted for a point. */
const TURNED: readonly Control[] = ['nockingPoint', 'plungerPreload', 'pointMass'];

/**
 * The first control that may be turned toward the practice arrows. Sized as bare shafts answer, which is
 * more than points do: a step too short is shot again, one too long goes through.
 *
 * @returns null when nothing may be turned for it
 */
export function proofTurn(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
  { offsetMm, plusMinusMm }: Pick<AxisVerdict, 'offsetMm' | 'plusMinusMm'>,
): ProofTurn | null {
  if (offsetMm === null || plusMinusMm === null) return null;
  const scale = session.distanceM / REFERENCE_DISTANCE_M;
  const model = bareShaftModels(state)[axis];
  for (const { controls, step, oneGo, inAll } of kindsFor(state, axis)) {
    const [control] = controls;
    if (control === undefined || !TURNED.includes(control)) continue;
    const gain = gainOfOne(state, axis, control);
    const wanted = -offsetMm / scale / gain;
    const room = roomLeft(state, control, inAll);
    const most = Math.min(oneGo, wanted > 0 ? room.up : room.down, Math.abs(wanted));
    const amount = Number((Math.sign(wanted) * Math.floor(most / step + 1e-9) * step).toFixed(6));
    if (amount === 0 || checkChanges(state, [{ control, amount }]) !== null) continue;
    const effect = bareShaftFigure(model, model.rowOf(new Map([[control, amount]])));
    const shiftMm = gain * amount * scale;
    const unsureMm = Math.hypot(
      plusMinusMm,
      studentMixtureHalfWidth(effect) * scale * POINTS_ANSWER.mean,
      HALF_90 * POINTS_ANSWER.sd * Math.abs(shiftMm),
    );
    return {
      control,
      amount,
      before: { mm: offsetMm, plusMinusMm },
      after: { mm: offsetMm + POINTS_ANSWER.mean * shiftMm, plusMinusMm: unsureMm },
    };
  }
  return null;
}

/** What this bow's bare shafts have shown of one unit; the rule of thumb where that goes against physics. */
function gainOfOne(state: BowState, axis: BareShaftAxis, control: Control): number {
  const model = bareShaftModels(state)[axis];
  const learned = studentMixtureMean(bareShaftFigure(model, model.rowOf(new Map([[control, 1]]))));
  const { mean } = gainPriorsFor(state.bow).ofBareShafts(axis, control, priorWeightN(state));
  return isSignFixed(control) && learned * mean <= 0 ? mean : learned;
}
