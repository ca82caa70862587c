import Papa from 'papaparse';
import { rightFromOutward } from '../craft/handedness.ts';
import type { Hand } from '../craft/bow-terms.ts';
import type { Shot } from '../log/shooting.ts';

/** Columns of a file of shots: mm right of and above the mark, as the archer sees the butt. */
export const SHOT_COLUMNS = [
  'end',
  'arrow',
  'right_mm',
  'up_mm',
  'called_bad',
  'arrow_number',
  'distance_m',
  'nock_right_deg',
  'nock_up_deg',
] as const;
export type ShotColumn = (typeof SHOT_COLUMNS)[number];

/** Writes shots as comma-separated text with a header (RFC 4180). */
export function writeShots(shots: readonly Shot[], hand: Hand): string {
  const round = (value: number) => Number(value.toFixed(1));
  return Papa.unparse(
    {
      fields: [...SHOT_COLUMNS],
      data: shots.map((shot) => [
        shot.endNumber,
        shot.arrow,
        round(rightFromOutward(shot.outwardMm, hand)),
        round(shot.upMm),
        shot.calledBad ? 'yes' : 'no',
        shot.arrowNumber ?? '',
        shot.distanceM,
        shot.attitude === null ? '' : round(rightFromOutward(shot.attitude.outwardDeg, hand)),
        shot.attitude === null ? '' : round(shot.attitude.upDeg),
      ]),
    },
    { newline: '\r\n' },
  );
}
