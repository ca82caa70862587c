import Papa from 'papaparse';
import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import { readAmounts } from '../quantity/read-amounts.ts';
import { separatorOf } from '../quantity/separator.ts';
import { G_PER_GR } from '../quantity/units.ts';
import type { WeighedShaft } from './matched-set.ts';

const COLUMNS = ['shaft', 'mass', 'spine', 'runout_mm'] as const;
type Column = (typeof COLUMNS)[number];
/** More shafts than a club buys at once. */
const MOST_SHAFTS = 300;
const MASS_G = [2, 65] as const;
const RUN_OUT_MM = [0, 5] as const;

/** One line that could not be read: which, in which column, and why. The others are taken. */
interface LotProblem {
  readonly line: number;
  readonly column: Column;
  readonly says: string;
}

export interface LotTable {
  readonly shafts: readonly WeighedShaft[];
  readonly problems: readonly LotProblem[];
}

/**
 * Reads a lot of shafts as it is pasted from a spreadsheet or a file: name, mass, and where they were looked at
 * spine and run-out, a shaft a line, separated by tabs, semicolons or commas. A first line that names the columns
 * may be there. A line that cannot be read is named and the others are taken.
 *
 * @param massUnit what a mass without a unit is in
 */
export function readLot(text: string, massUnit: 'gr' | 'g'): LotTable {
  const plain = text.replace(/^\uFEFF/, '');
  const { data } = Papa.parse<string[]>(plain, { delimiter: separatorOf(plain) });
  const lines = data
    .map((cells, at) => ({ cells: cells.map((cell) => cell.trim()), line: at + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  const [first] = lines;
  const named = first === undefined ? null : columnsNamed(first.cells);
  const order = named ?? COLUMNS;
  const shafts: WeighedShaft[] = [];
  const problems: LotProblem[] = [];
  const names = new Set<string>();
  for (const { cells, line } of named === null ? lines : lines.slice(1)) {
    const read = readLine(cells, order, { massUnit, line, names });
    if ('says' in read) problems.push(read);
    else if (shafts.length < MOST_SHAFTS) shafts.push(read);
    else problems.push({ line, column: 'shaft', says: `more than ${MOST_SHAFTS} shafts at once` });
  }
  return { shafts, problems };
}

/** The columns a first line names, in its order; null where it is a shaft already. */
function columnsNamed(cells: readonly string[]): readonly (Column | null)[] | null {
  const found = cells.map(
    (cell) =>
      COLUMNS.find((column) => cell.toLowerCase().startsWith(column.split('_')[0] ?? '')) ?? null,
  );
  return found.includes('mass') ? found : null;
}

function readLine(
  cells: readonly string[],
  order: readonly (Column | null)[],
  {
    massUnit,
    line,
    names,
  }: { readonly massUnit: 'gr' | 'g'; readonly line: number; readonly names: Set<string> },
): WeighedShaft | LotProblem {
  const cell = (column: Column) => cells[order.indexOf(column)] ?? '';
  const wrong = (column: Column, says: string): LotProblem => ({ line, column, says });
  const shaft = cell('shaft') === '' ? String(line) : cell('shaft');
  if (names.has(shaft)) return wrong('shaft', `“${shaft}” stands there twice`);
  const mass = massOf(cell('mass'), massUnit);
  if (mass === null) return wrong('mass', `“${cell('mass')}” is no mass`);
  if (mass < MASS_G[0] || mass > MASS_G[1])
    return wrong('mass', `“${cell('mass')}” is no mass of a shaft, 30 to 1000 gr`);
  const spine = numberOf(cell('spine'));
  if (spine === undefined || (spine !== null && !isIn(spine, ARROW_RANGES.spine)))
    return wrong('spine', `“${cell('spine')}” is no spine, 150 to 2000`);
  const runOutMm = numberOf(cell('runout_mm'));
  if (runOutMm === undefined || (runOutMm !== null && !isIn(runOutMm, RUN_OUT_MM)))
    return wrong('runout_mm', `“${cell('runout_mm')}” is no run-out, 0 to 5 mm`);
  names.add(shaft);
  return { shaft, massG: mass, spine, runOutMm };
}

function isIn(value: number, [low, high]: readonly [number, number]): boolean {
  return value >= low && value <= high;
}

/** With a unit or without; null where it is none. */
function massOf(text: string, massUnit: 'gr' | 'g'): number | null {
  const read = text === '' ? null : readAmounts(text);
  if (read?.ok !== true) return null;
  const [amount, second] = read.amounts;
  if (amount === undefined || second !== undefined || amount.value <= 0) return null;
  const unit = amount.unit ?? massUnit;
  if (unit !== 'gr' && unit !== 'g') return null;
  return unit === 'gr' ? amount.value * G_PER_GR : amount.value;
}

/** A plain number with a point or a comma; null where nothing stands, undefined where it is none. */
function numberOf(text: string): number | null | undefined {
  if (text === '') return null;
  const read = readAmounts(text);
  const [amount, second] = read.ok ? read.amounts : [];
  return amount === undefined || second !== undefined || amount.unit !== null
    ? undefined
    : amount.value;
}
