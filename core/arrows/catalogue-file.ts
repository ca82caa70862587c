import Papa from 'papaparse';
import { FLETCHING_KINDS, SHAFT_MATERIALS } from '../craft/arrow-build.ts';
import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import {
  type CataloguePart,
  type NamedPart,
  PART_KINDS,
  type PartKind,
} from '../craft/catalogue-part.ts';
import { readAmounts } from '../quantity/read-amounts.ts';
import { separatorOf } from '../quantity/separator.ts';

/** Columns of the table, in this order; stored units, so that nothing is rounded on the way. */
const COLUMNS = [
  'part',
  'name',
  'material',
  'spine',
  'mass_per_length_g_per_m',
  'diameter_point_mm',
  'diameter_nock_mm',
  'length_mm',
  'mass_g',
  'count',
  'height_mm',
  'centre_in_front_mm',
] as const;
type Column = (typeof COLUMNS)[number];

/** One thing of a file that could not be read: where, and why. Everything else of it is taken. */
export interface PartProblem {
  /** `line 4`, or `parts 3` of a file of parts. */
  readonly place: string;
  readonly column: string;
  readonly says: string;
}

export type PartWithoutId = Omit<NamedPart, 'partId'>;
export interface ReadParts {
  readonly parts: readonly PartWithoutId[];
  readonly problems: readonly PartProblem[];
}

/** More parts than anybody keeps. */
export const MOST_PARTS = 500;
const MOST_NAME = 80;

/** The catalogue as a table, a part a line, with a heading; masses g, lengths mm. */
export function partsAsCsv(parts: readonly PartWithoutId[]): string {
  return `${Papa.unparse({ fields: [...COLUMNS], data: parts.map(cellsOf) }, { newline: '\n' })}\n`;
}

function cellsOf({ name, part }: PartWithoutId): readonly (string | number)[] {
  const cells: Partial<Record<Column, string | number>> = { part: part.kind, name };
  switch (part.kind) {
    case 'shaft':
      cells.material = part.material;
      cells.spine = part.spine;
      cells.mass_per_length_g_per_m = part.massPerLengthGPerM;
      cells.diameter_point_mm = part.diameterAtPointMm;
      cells.diameter_nock_mm = part.diameterAtNockMm;
      cells.length_mm = part.fullLengthMm;
      break;
    case 'point':
      cells.mass_g = part.massG;
      cells.centre_in_front_mm = part.centreInFrontMm;
      break;
    case 'nock':
      cells.mass_g = part.massG;
      cells.height_mm = part.outsideHeightMm;
      break;
    case 'fletching':
      cells.material = part.material;
      cells.count = part.count;
      cells.mass_g = part.massEachG;
      cells.length_mm = part.lengthMm;
      break;
    case 'insert':
    case 'collar':
    case 'footing':
    case 'wrap':
      cells.mass_g = part.massG;
      cells.length_mm = part.lengthMm;
      break;
  }
  return COLUMNS.map((column) => cells[column] ?? '');
}

/**
 * Reads a table of parts as a spreadsheet saves it: any separator, a byte-order mark, decimal commas beside
 * semicolons or tabs. A line that cannot be read is named with its column, and the others are taken.
 */
export function readPartsCsv(text: string): ReadParts {
  const plain = text.replace(/^\uFEFF/, '');
  const { data } = Papa.parse<string[]>(plain, { delimiter: separatorOf(plain) });
  const lines = data
    .map((cells, at) => ({ cells: cells.map((cell) => cell.trim()), line: at + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  const [heading, ...rest] = lines;
  if (heading === undefined) return { parts: [], problems: [] };
  const order = heading.cells.map((cell) => COLUMNS.find((one) => one === cell.toLowerCase()));
  if (!order.includes('part') || !order.includes('name'))
    return {
      parts: [],
      problems: [
        {
          place: `line ${heading.line}`,
          column: 'part',
          says: `the first line names the columns: ${COLUMNS.join(', ')}`,
        },
      ],
    };
  const parts: PartWithoutId[] = [];
  const problems: PartProblem[] = [];
  for (const { cells, line } of rest) {
    const row = new Row(`line ${line}`, (column) => cells[order.indexOf(column)] ?? '');
    const read = row.part();
    if (read === null) problems.push(...row.problems);
    else if (parts.length < MOST_PARTS) parts.push(read);
    else
      problems.push({
        place: `line ${line}`,
        column: 'part',
        says: `more than ${MOST_PARTS} parts`,
      });
  }
  return { parts, problems };
}

/** One line of the table while it is read: the first thing wrong in it is kept. */
class Row {
  readonly problems: PartProblem[] = [];
  private readonly place: string;
  private readonly cell: (column: Column) => string;

  constructor(place: string, cell: (column: Column) => string) {
    this.place = place;
    this.cell = cell;
  }

  part(): PartWithoutId | null {
    const kind = this.oneOf('part', PART_KINDS);
    const name = this.name();
    if (kind === null || name === null) return null;
    const part = this.ofKind(kind);
    return this.problems.length > 0 || part === null ? null : { name, part };
  }

  private name(): string | null {
    const name = this.cell('name');
    if (name !== '' && name.length <= MOST_NAME && name.isWellFormed()) return name;
    return this.wrong(
      'name',
      name === '' ? 'there is no name' : `longer than ${MOST_NAME} letters`,
    );
  }

  private ofKind(kind: PartKind): CataloguePart | null {
    const mass = (range: readonly [number, number]) => this.figure('mass_g', range);
    const length = (range: readonly [number, number]) => this.figure('length_mm', range);
    switch (kind) {
      case 'shaft': {
        const diameterAtPointMm = this.figure('diameter_point_mm', ARROW_RANGES.diameterMm);
        return {
          kind,
          material: this.oneOf('material', SHAFT_MATERIALS) ?? 'carbon',
          spine: this.figure('spine', ARROW_RANGES.spine),
          massPerLengthGPerM: this.figure(
            'mass_per_length_g_per_m',
            ARROW_RANGES.massPerLengthGPerM,
          ),
          diameterAtPointMm,
          // A shaft that does not taper needs it said once.
          diameterAtNockMm:
            this.cell('diameter_nock_mm') === ''
              ? diameterAtPointMm
              : this.figure('diameter_nock_mm', ARROW_RANGES.diameterMm),
          fullLengthMm: length(ARROW_RANGES.fullLengthMm),
        };
      }
      case 'point':
        return {
          kind,
          massG: mass(ARROW_RANGES.pointMassG),
          centreInFrontMm: this.figure('centre_in_front_mm', ARROW_RANGES.pointCentreMm),
        };
      case 'nock':
        return {
          kind,
          massG: mass(ARROW_RANGES.nockMassG),
          outsideHeightMm: this.figure('height_mm', ARROW_RANGES.nockHeightMm),
        };
      case 'fletching': {
        const count = this.figure('count', ARROW_RANGES.fletchings);
        if (!Number.isInteger(count)) return this.wrong('count', 'not a whole number');
        return {
          kind,
          material: this.oneOf('material', FLETCHING_KINDS) ?? 'vane',
          count,
          massEachG: mass(ARROW_RANGES.fletchingEachG),
          lengthMm: length(ARROW_RANGES.fletchingMm),
        };
      }
      case 'wrap':
        return { kind, massG: mass(ARROW_RANGES.wrapMassG), lengthMm: length(ARROW_RANGES.wrapMm) };
      case 'insert':
      case 'collar':
      case 'footing':
        return {
          kind,
          massG: mass(ARROW_RANGES.frontPartG),
          lengthMm: length(ARROW_RANGES.frontPartMm),
        };
    }
  }

  private oneOf<T extends string>(column: Column, all: readonly T[]): T | null {
    const typed = this.cell(column).toLowerCase();
    const found = all.find((one) => one === typed);
    return found ?? this.wrong(column, `“${this.cell(column)}” is none of ${all.join(', ')}`);
  }

  private figure(column: Column, [low, high]: readonly [number, number]): number {
    const typed = this.cell(column);
    const read = readAmounts(typed);
    const [amount] = read.ok && read.amounts.length === 1 ? read.amounts : [];
    if (typed === '' || amount === undefined || amount.unit !== null) {
      this.wrong(column, typed === '' ? 'there is no figure' : `“${typed}” is no plain number`);
      return low;
    }
    if (amount.value < low || amount.value > high)
      this.wrong(column, `“${typed}” is outside ${round(low)} to ${round(high)}`);
    return amount.value;
  }

  private wrong(column: Column, says: string): null {
    if (this.problems.length === 0) this.problems.push({ place: this.place, column, says });
    return null;
  }
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
