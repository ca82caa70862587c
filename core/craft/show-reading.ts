import { showLengthFigure, showNumber, showSigned } from '../quantity/show.ts';
import type { RuleDivision } from '../quantity/fraction.ts';
import { fromStored } from '../quantity/units.ts';
import type { Hand } from './bow-terms.ts';
import { sideOf } from './handedness.ts';
import { READINGS, type ReadingKind } from './readings.ts';

/** What the figures of a bow depend on. */
export interface FigureStyle {
  readonly lengthUnit: 'in' | 'mm';
  readonly division: RuleDivision;
  readonly hand: Hand;
}

/** Readings to one side of the string: shown with left or right, always in millimetres. */
const LATERAL: ReadonlySet<ReadingKind> = new Set<ReadingKind>([
  'centreShotAtPoint',
  'centreShotAtPlunger',
  'limbLineTop',
  'limbLineBottom',
  'limbLineRod',
]);
/** Too small for a sixteenth of an inch to say anything, mm. */
const NO_SIDE_BELOW_MM = 0.05;

/** Whether a length stays in millimetres on every bow: half a millimetre matters there. */
export function staysInMm(kind: ReadingKind): boolean {
  return kind === 'restHeight' || isLateral(kind);
}

export function isLateral(kind: ReadingKind): boolean {
  return LATERAL.has(kind);
}

/**
 * A reading as figure and unit: `8 5/8` `in`, `33.8` `lb`, `1.3` `mm left`. Offsets of half a
 * millimetre matter there, so lateral readings and rest height stay in millimetres on every bow.
 */
export function readingFigure(
  kind: ReadingKind,
  stored: number,
  style: FigureStyle,
): { readonly figure: string; readonly unit: string } {
  if (READINGS[kind].quantity === 'force')
    return { figure: showNumber(fromStored(stored, 'lb'), 1), unit: 'lb' };
  if (kind === 'restHeight') return { figure: showSigned(stored, 1), unit: 'mm' };
  if (!isLateral(kind)) return { figure: showLengthFigure(stored, style), unit: style.lengthUnit };
  const side = Math.abs(stored) < NO_SIDE_BELOW_MM ? '' : ` ${sideOf(stored, style.hand)}`;
  return { figure: showNumber(Math.abs(stored), 1), unit: `mm${side}` };
}

/** The same in one piece: `8 5/8 in`, `1.3 mm left`. */
export function showReading(kind: ReadingKind, stored: number, style: FigureStyle): string {
  const { figure, unit } = readingFigure(kind, stored, style);
  return `${figure} ${unit}`;
}
