import { rightFromOutward } from '../craft/handedness.ts';
import { SESSION_KIND_FACTS } from '../craft/session-kinds.ts';
import type { BowState } from '../log/bow-state.ts';
import { fromStored } from '../quantity/units.ts';
import { rounded, tableText } from './table-text.ts';

const DECIMALS = { cm: 2, in: 2 } as const;

/**
 * Every shot of a bow, session after session: right of and above the mark as the archer sees the butt,
 * in the unit the bow's shots are shown in.
 */
export function shotsTable({ sessions, bow }: BowState): string {
  const unit = bow.lengthUnit === 'in' ? 'in' : 'cm';
  const shown = (mm: number) => rounded(fromStored(mm, unit), DECIMALS[unit]);
  const rows = sessions.flatMap((session) =>
    session.shots.map((shot) => [
      session.openedAt,
      SESSION_KIND_FACTS[session.sessionKind].name,
      shot.at,
      shot.endNumber,
      shot.arrow,
      shown(rightFromOutward(shot.outwardMm, bow.hand)),
      shown(shot.upMm),
      shot.calledBad ? 'yes' : 'no',
      shot.setAside ? 'yes' : 'no',
      shot.arrowNumber,
      shot.distanceM,
      shot.attitude === null ? null : rightFromOutward(shot.attitude.outwardDeg, bow.hand),
      shot.attitude === null ? null : shot.attitude.upDeg,
    ]),
  );
  return tableText(
    [
      'session_opened',
      'session_kind',
      'shot_at',
      'end',
      'arrow',
      `right_${unit}`,
      `up_${unit}`,
      'called_bad',
      'shaft_set_aside',
      'arrow_number',
      'distance_m',
      'nock_right_deg',
      'nock_up_deg',
    ],
    rows,
  );
}
