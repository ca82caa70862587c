import type { ComparedRow, ComparedWhat, SheetFigure } from '../compare/compared.ts';
import { rightFromOutward } from '../craft/handedness.ts';
import { READINGS } from '../craft/readings.ts';
import { type FigureStyle, isLateral, staysInMm } from '../craft/show-reading.ts';
import { fromStored, type UnitSymbol } from '../quantity/units.ts';
import { comparedFigureWords, comparedName, findingWords } from '../words/compare-words.ts';
import { type Cell, rounded, tableText } from './table-text.ts';

/** What is compared for whom: names of the two sides. */
interface Sides {
  readonly left: string;
  readonly right: string;
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
  style: FigureStyle,
  { left, right }: Sides,
): string {
  return tableText(
    [
      'what',
      'unit',
      `left: ${left}`,
      `right: ${right}`,
      'right_less_left',
      'times_one_reading_scatters',
      'says',
    ],
    rows.map((row) => {
      const unit = unitOf(row.what, style);
      const figure = (stored: number) => shownFigure(row.what, stored, unit, style);
      const side = (one: SheetFigure | null): Cell => {
        if (one === null) return null;
        return one.value === null || unit === null
          ? comparedFigureWords(row.what, one, style)
          : figure(one.value);
      };
      const { finding } = row;
      return [
        `${comparedName(row.what)}${isSideways(row.what) ? ', to the right' : ''}`,
        unit ?? '',
        side(row.a),
        side(row.b),
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
function unitOf(what: ComparedWhat, style: FigureStyle): UnitSymbol | 'twists' | '%' | '' | null {
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

function isSideways(what: ComparedWhat): boolean {
  return what.kind === 'landing' ? what.axis === 'outward' : isLateralReading(what);
}

function isLateralReading(what: ComparedWhat): boolean {
  return what.kind === 'reading' && isLateral(what.reading);
}

function shownFigure(
  what: ComparedWhat,
  stored: number,
  unit: ReturnType<typeof unitOf>,
  style: FigureStyle,
): number {
  const value = isSideways(what) ? rightFromOutward(stored, style.hand) : stored;
  if (unit === null || unit === '' || unit === '%' || unit === 'twists') return rounded(value, 1);
  return rounded(fromStored(value, unit), DECIMALS[unit] ?? 1);
}
