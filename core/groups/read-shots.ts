import Papa from 'papaparse';
import { outwardFromRight } from '../craft/handedness.ts';
import type { Hand } from '../craft/bow-terms.ts';
import {
  ARROW_STATES,
  type ArrowState,
  MOST_FROM_MARK_MM,
  type NockAttitude,
} from '../craft/range-terms.ts';
import { UNITS } from '../quantity/units.ts';
import { SHOT_COLUMNS, type ShotColumn } from './shots-csv.ts';

const NEEDED: readonly ShotColumn[] = ['right_mm', 'up_mm'];
/** Where a place may be said in another unit than mm, and how many of those one is. */
const OTHER_UNITS: ReadonlyMap<string, { readonly column: ShotColumn; readonly mm: number }> =
  new Map([
    ['right_cm', { column: 'right_mm', mm: UNITS.cm.factor }],
    ['up_cm', { column: 'up_mm', mm: UNITS.cm.factor }],
    ['right_in', { column: 'right_mm', mm: UNITS.in.factor }],
    ['up_in', { column: 'up_mm', mm: UNITS.in.factor }],
  ]);
const MOST_ROWS = 5000;

/** One shot as read from a file. */
export interface FiledShot {
  /** Where it stands in the file, the header being line 1. */
  readonly line: number;
  readonly endNumber: number | null;
  readonly arrow: ArrowState;
  readonly outwardMm: number;
  readonly upMm: number;
  readonly calledBad: boolean;
  readonly arrowNumber: number | null;
  readonly distanceM: number | null;
  readonly attitude: NockAttitude | null;
}

/** A figure pair that may be one figure written with a decimal comma. */
export interface CommaDoubt {
  readonly line: number;
  readonly rightMm: number;
  readonly upMm: number;
}

export type ShotsFile =
  | {
      readonly kind: 'shots';
      readonly shots: readonly FiledShot[];
      /** Set where every line can be read in two ways: asked before anything is taken. */
      readonly commaDoubt: CommaDoubt | null;
    }
  /** What is wrong, on which line, and what to do. Nothing is taken from such a file. */
  | { readonly kind: 'refused'; readonly says: string; readonly remedy: string };

type Row = Readonly<Record<string, string>>;

/**
 * Reads what `writeShots` wrote, or any table with at least `right_mm` and `up_mm`: separated by
 * commas, or by semicolons or tabs, where a comma may then be the decimal point.
 */
export function readShots(text: string, hand: Hand): ShotsFile {
  const plain = text.replace(/^\uFEFF/, '');
  const delimiter = delimiterOf(plain);
  const { data, errors } = Papa.parse<string[]>(plain, { delimiter, skipEmptyLines: 'greedy' });
  const [error] = errors.filter(({ type }) => type !== 'Delimiter');
  if (error !== undefined)
    return refused(`Line ${(error.row ?? 0) + 1}: ${error.message}.`, 'One shot a line.');
  const [header = [], ...lines] = data;
  const written = header.map((cell) => cell.trim().toLowerCase());
  const columns = written.map((name) => OTHER_UNITS.get(name)?.column ?? name);
  const fault = columnFault(columns);
  if (fault !== null) return fault;
  if (lines.length === 0) return refused('There are no shots in it.', 'One shot a line.');
  if (lines.length > MOST_ROWS)
    return refused(
      `${lines.length} lines are more than one session.`,
      `At most ${MOST_ROWS} at once.`,
    );
  const shots: FiledShot[] = [];
  for (const [index, cells] of lines.entries()) {
    const line = index + 2;
    const uneven = unevenLine(cells, columns, line, delimiter);
    if (uneven !== null) return uneven;
    const row = Object.fromEntries(columns.map((column, at) => [column, cells[at] ?? '']));
    const read = readRow(row, line, { hand, mmPer: (column) => mmPer(written, columns, column) });
    if (typeof read === 'string')
      return refused(`Line ${line}: ${read}`, 'Mend that line and load the file again.');
    shots.push(read);
  }
  return { kind: 'shots', shots, commaDoubt: commaDoubt(lines, columns, delimiter) };
}

function refused(says: string, remedy: string): Extract<ShotsFile, { readonly kind: 'refused' }> {
  return { kind: 'refused', says, remedy };
}

const DELIMITERS = [';', '\t', ','] as const;

/** What separates the names of the columns separates the figures. */
function delimiterOf(text: string): string {
  const [header = ''] = text.split(/\r\n|\r|\n/, 1);
  return DELIMITERS.find((one) => header.includes(one)) ?? ',';
}

function columnFault(columns: readonly string[]): ReturnType<typeof refused> | null {
  const missing = NEEDED.filter((column) => !columns.includes(column));
  if (missing.length > 0)
    return refused(
      `There is no column ${missing.join(' and no column ')}.`,
      `The first line names the columns: ${SHOT_COLUMNS.join(', ')}. Only right_mm and up_mm must be there; right_cm and up_cm, or right_in and up_in, will do as well.`,
    );
  const twice = SHOT_COLUMNS.find((column) => columns.filter((one) => one === column).length > 1);
  if (twice !== undefined)
    return refused(
      `The column ${twice} stands there twice.`,
      'Which of the two is meant cannot be known: take one out.',
    );
  return null;
}

function unevenLine(
  cells: readonly string[],
  columns: readonly string[],
  line: number,
  delimiter: string,
): ReturnType<typeof refused> | null {
  if (cells.length === columns.length) return null;
  const counted = `Line ${line} holds ${cells.length} ${cells.length === 1 ? 'figure' : 'figures'} under ${columns.length} columns`;
  const shown = cells.join(delimiter);
  if (delimiter === ',' ? cells.length > columns.length : shown.includes(','))
    return refused(
      `${counted}: “${shown}”. Is a comma the decimal point there?`,
      'Write decimal points, or separate the columns by semicolons, and load the file again.',
    );
  return refused(`${counted}: “${shown}”.`, 'One shot a line, a figure under every column.');
}

/** “10,5” under two columns: ten and five, or ten and a half with the other figure left out? */
function commaDoubt(
  lines: readonly (readonly string[])[],
  columns: readonly string[],
  delimiter: string,
): CommaDoubt | null {
  if (delimiter !== ',' || columns.length !== NEEDED.length) return null;
  const isDecimalTail = (cell = '') => /^\d{1,2}$/.test(cell.trim());
  const isWhole = (cell = '') => /^[-+−]?\d+$/.test(cell.trim());
  if (!lines.every(([first, second]) => isWhole(first) && isDecimalTail(second))) return null;
  const row = Object.fromEntries(columns.map((column, at) => [column, lines[0]?.[at] ?? '']));
  return { line: 2, rightMm: figureOf(row['right_mm']) ?? 0, upMm: figureOf(row['up_mm']) ?? 0 };
}

/** A plain decimal figure; null: nothing there; NaN: something else, such as 0x1F or 1e3. */
function figureOf(cell = ''): number | null {
  const said = cell.trim().replace('−', '-').replace(',', '.');
  if (said === '') return null;
  return /^[-+]?(\d+(\.\d*)?|\.\d+)$/.test(said) ? Number(said) : Number.NaN;
}

const IN_WORDS: readonly ShotColumn[] = ['arrow', 'called_bad'];

/** Of the unit a column is written in; 1 where it is mm. */
function mmPer(written: readonly string[], columns: readonly string[], column: ShotColumn): number {
  return OTHER_UNITS.get(written[columns.indexOf(column)] ?? '')?.mm ?? 1;
}

interface Terms {
  readonly hand: Hand;
  readonly mmPer: (column: ShotColumn) => number;
}

function readRow(row: Row, line: number, { hand, mmPer }: Terms): FiledShot | string {
  const cell = (column: ShotColumn) => (row[column] ?? '').trim();
  const figure = (column: ShotColumn) => figureOf(row[column]);
  for (const column of SHOT_COLUMNS) {
    if (IN_WORDS.includes(column)) continue;
    if (Number.isNaN(figure(column))) return `${column} is “${cell(column)}”, not a number.`;
  }
  const place = (column: ShotColumn) => {
    const value = figure(column);
    return value === null ? null : value * mmPer(column);
  };
  const rightMm = place('right_mm');
  const upMm = place('up_mm');
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
  if (!whole(figure('end'), 1, 500)) return 'end is a whole number, 1 to 500.';
  if (!whole(figure('arrow_number'), 1, 99)) return 'arrow_number is a whole number, 1 to 99.';
  const distanceM = figure('distance_m');
  if (distanceM !== null && !(distanceM >= 2 && distanceM <= 120))
    return 'distance_m is 2 to 120 m.';
  if (Math.max(Math.abs(nockRight ?? 0), Math.abs(nockUp ?? 0)) > 45)
    return 'a nock points at most 45° off.';
  return {
    line,
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
