import { type ComparedRow, type ComparedWhat, isSideways } from '../compare/compared.ts';
import { rightFromOutward } from '../craft/handedness.ts';
import { READINGS } from '../craft/readings.ts';
import { staysInMm } from '../craft/show-reading.ts';
import { fromStored, type UnitSymbol } from '../quantity/units.ts';
import {
  comparedFigureWords,
  comparedName,
  type ComparedStyle,
  findingWords,
} from '../words/compare-words.ts';
import { type Cell, rounded, tableText } from './table-text.ts';

/** Names of what is compared. First and second, never left and right: many a figure is one of these itself. */
interface Sides {
  readonly first: string;
  readonly second: string;
}

const DECIMALS: Partial<Record<UnitSymbol, number>> = {
  mm: 1,
  cm: 1,
  in: 3,
  lb: 1,
  gr: 1,
  turn: 3,
};

/** A comparison as a table: figures in the bow's units, the difference, and what it means in words. */
export function comparisonTable(
  rows: readonly ComparedRow[],
  style: ComparedStyle,
  { first, second }: Sides,
): string {
  return tableText(
    [
      'what',
      'unit',
      `first: ${first}`,
      `second: ${second}`,
      'second_less_first',
      'times_one_reading_scatters',
      'says',
    ],
    rows.map((row) => {
      const unit = unitOf(row.what, style);
      const across = acrossOf(row);
      const figure = (stored: number) => shownFigure(across?.toFigure(stored) ?? stored, unit);
      const side = (which: 'a' | 'b'): Cell => {
        const one = row[which];
        if (one === null) return null;
        return one.value === null || unit === null
          ? comparedFigureWords(row, which, style)
          : figure(one.value);
      };
      const { finding } = row;
      return [
        `${comparedName(row.what)}${across === null ? '' : `, ${across.name}`}`,
        unit ?? '',
        side('a'),
        side('b'),
        finding.kind === 'differs' && unit !== null ? figure(finding.by) : null,
        finding.kind === 'differs' && finding.spreads !== null
          ? rounded(Math.abs(finding.spreads), 1)
          : null,
        findingWords(row, style),
      ];
    }),
  );
}

/** What a figure is written in; null: it is words. */
function unitOf(what: ComparedWhat, style: ComparedStyle): UnitSymbol | 'twists' | '%' | '' | null {
  switch (what.kind) {
    case 'reading':
      if (READINGS[what.reading].quantity === 'force') return 'lb';
      return staysInMm(what.reading) ? 'mm' : style.lengthUnit;
    case 'tiller':
      return style.lengthUnit;
    case 'landing':
      return style.lengthUnit === 'in' ? 'in' : 'cm';
    case 'position':
      return what.control === 'twists' ? 'twists' : 'turn';
    case 'arrow':
      if (what.figure === 'lengthMm') return style.lengthUnit;
      if (what.figure === 'focPercent') return '%';
      return what.figure === 'spine' ? '' : 'gr';
    case 'fact':
      if (what.fact === 'markedWeightN') return 'lb';
      if (what.fact === 'amoDrawMm') return style.lengthUnit;
      return what.fact === 'amoLengthIn' ? '' : null;
    // How far it was moved is said with its way: words.
    case 'moved':
    case 'string':
    case 'item':
      return null;
  }
}

/** How figures to one side are written: to the right, or outward where the two archers' hands differ. */
function acrossOf({ what, hands: { a, b } }: ComparedRow): {
  readonly name: string;
  readonly toFigure: (outwardMm: number) => number;
} | null {
  if (!isSideways(what)) return null;
  return a === b
    ? { name: 'to the right', toFigure: (mm) => rightFromOutward(mm, a) }
    : { name: 'outward', toFigure: (mm) => mm };
}

function shownFigure(value: number, unit: ReturnType<typeof unitOf>): number {
  if (unit === null || unit === '' || unit === '%' || unit === 'twists') return rounded(value, 1);
  return rounded(fromStored(value, unit), DECIMALS[unit] ?? 1);
}
