import Papa from 'papaparse';
import { outwardFromRight, rightFromOutward } from '../craft/handedness.ts';
import type { Hand } from '../craft/bow-terms.ts';
import {
  ARROW_STATES,
  type ArrowState,
  MOST_FROM_MARK_MM,
  type NockAttitude,
} from '../craft/range-terms.ts';
import type { Shot } from '../log/shooting.ts';

/** Columns of a file of shots: mm right of and above the mark, as the archer sees the butt. */
const COLUMNS = [
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
type Column = (typeof COLUMNS)[number];
const NEEDED: readonly Column[] = ['right_mm', 'up_mm'];
const MOST_ROWS = 2000;

/** One shot as read from a file. */
interface FiledShot {
  readonly endNumber: number | null;
  readonly arrow: ArrowState;
  readonly outwardMm: number;
  readonly upMm: number;
  readonly calledBad: boolean;
  readonly arrowNumber: number | null;
  readonly distanceM: number | null;
  readonly attitude: NockAttitude | null;
}

export type ShotsFile =
  | { readonly kind: 'shots'; readonly shots: readonly FiledShot[] }
  /** What is wrong, on which line, and what to do. Nothing is taken from such a file. */
  | { readonly kind: 'refused'; readonly says: string; readonly remedy: string };

/** Writes shots as comma-separated text with a header (RFC 4180). */
export function writeShots(shots: readonly Shot[], hand: Hand): string {
  const round = (value: number) => Number(value.toFixed(1));
  return Papa.unparse(
    {
      fields: [...COLUMNS],
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

/** Reads what `writeShots` wrote, or any table with at least `right_mm` and `up_mm`. */
export function readShots(text: string, hand: Hand): ShotsFile {
  const { data, meta, errors } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
  });
  const missing = NEEDED.filter((column) => !(meta.fields ?? []).includes(column));
  if (missing.length > 0)
    return refused(
      `There is no column ${missing.join(' and no column ')}.`,
      `The first line names the columns: ${COLUMNS.join(', ')}. Only right_mm and up_mm must be there.`,
    );
  const [error] = errors.filter(({ type }) => type !== 'Delimiter');
  if (error !== undefined)
    return refused(`Line ${(error.row ?? 0) + 2}: ${error.message}.`, 'One shot a line.');
  if (data.length === 0) return refused('There are no shots in it.', 'One shot a line.');
  if (data.length > MOST_ROWS)
    return refused(
      `${data.length} lines are more than one session.`,
      `At most ${MOST_ROWS} at once.`,
    );
  const shots: FiledShot[] = [];
  for (const [index, row] of data.entries()) {
    const read = readRow(row, hand);
    if (typeof read === 'string')
      return refused(`Line ${index + 2}: ${read}`, 'Mend that line and load the file again.');
    shots.push(read);
  }
  return { kind: 'shots', shots };
}

function refused(says: string, remedy: string): ShotsFile {
  return { kind: 'refused', says, remedy };
}

function readRow(row: Readonly<Record<string, string>>, hand: Hand): FiledShot | string {
  const cell = (column: Column) => (row[column] ?? '').trim();
  const figure = (column: Column) => {
    const said = cell(column);
    return said === '' ? null : Number(said.replace('−', '-'));
  };
  for (const column of COLUMNS) {
    if (column === 'arrow' || column === 'called_bad') continue;
    const value = figure(column);
    if (value !== null && !Number.isFinite(value))
      return `${column} is “${cell(column)}”, not a number.`;
  }
  const rightMm = figure('right_mm');
  const upMm = figure('up_mm');
  if (rightMm === null || upMm === null) return 'right_mm and up_mm must both be there.';
  if (Math.abs(rightMm) > MOST_FROM_MARK_MM || Math.abs(upMm) > MOST_FROM_MARK_MM)
    return `${rightMm}, ${upMm} mm is off any butt.`;
  const named = cell('arrow') === '' ? 'fletched' : cell('arrow');
  const arrow = ARROW_STATES.find((one) => one.toLowerCase() === named.toLowerCase());
  if (arrow === undefined) return `arrow is “${named}”, not one of ${ARROW_STATES.join(', ')}.`;
  const called = cell('called_bad').toLowerCase();
  if (!['', 'yes', 'no', 'true', 'false', '0', '1'].includes(called))
    return `called_bad is “${called}”, not yes or no.`;
  const nockRight = figure('nock_right_deg');
  const nockUp = figure('nock_up_deg');
  const whole = (value: number | null, low: number, high: number) =>
    value === null || (Number.isInteger(value) && value >= low && value <= high);
  if (!whole(figure('end'), 1, 500)) return 'end is a whole number from 1 on.';
  if (!whole(figure('arrow_number'), 1, 99)) return 'arrow_number is a whole number, 1 to 99.';
  const distanceM = figure('distance_m');
  if (distanceM !== null && !(distanceM >= 2 && distanceM <= 120))
    return 'distance_m is 2 to 120 m.';
  if (Math.max(Math.abs(nockRight ?? 0), Math.abs(nockUp ?? 0)) > 45)
    return 'a nock points at most 45° off.';
  return {
    endNumber: figure('end'),
    arrow,
    outwardMm: outwardFromRight(rightMm, hand),
    upMm,
    calledBad: ['yes', 'true', '1'].includes(called),
    arrowNumber: figure('arrow_number'),
    distanceM,
    attitude:
      nockRight === null && nockUp === null
        ? null
        : { outwardDeg: outwardFromRight(nockRight ?? 0, hand), upDeg: nockUp ?? 0 },
  };
}
