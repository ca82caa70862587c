import type { Control } from '../craft/controls.ts';
import { presentReading } from '../gains/present-reading.ts';
import { boltsOutNow } from '../limits/bolt-limits.ts';
import { safeLength } from '../limits/safe-length.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { studentMixtureMean } from '../numeric/student-mixture.ts';
import type { BareShaftAxis } from '../priors/prior-gains.ts';
import { bareShaftOutlook, outlookAfter } from './bare-shaft-outlook.ts';
import { roomLeft } from './control-room.ts';
import { kindsFor } from './remedies.ts';

/** A control that could move an axis, and why it is not proposed. */
export interface SpentControl {
  readonly control: Control;
  /** How far it has been moved in all from where it began, in its unit. */
  readonly movedBy: number;
  /** At its limit toward the target, nobody knows how far it may go, or not expected to help. */
  readonly why: 'atLimit' | 'unknown' | 'notProposed';
}

/** Everything that could move an axis, with why none of it is proposed any more. */
export function spentControls(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
): readonly SpentControl[] {
  const offsetMm = studentMixtureMean(bareShaftOutlook(state, session, axis).mixture);
  return kindsFor(state, axis).map(({ controls, step, inAll }) => {
    const control = controls[0]!;
    const one = new Map(controls.map((each) => [each, step]));
    const afterMm = studentMixtureMean(outlookAfter(state, session, axis, one).mixture);
    const room = roomLeft(state, control, inAll);
    const left = (afterMm - offsetMm) * offsetMm < 0 ? room.up : room.down;
    return {
      control,
      movedBy: state.moved.get(control) ?? 0,
      why: !isRoomKnown(state, control) ? 'unknown' : left >= step ? 'notProposed' : 'atLimit',
    };
  });
}

function isRoomKnown(state: BowState, control: Control): boolean {
  switch (control) {
    case 'topBolt':
      return boltsOutNow(state) !== null;
    case 'twists':
      return state.positions.twists !== null && presentReading(state, 'braceHeight') !== null;
    case 'shaftCut':
      return safeLength(state).kind === 'known';
    default:
      return true;
  }
}
