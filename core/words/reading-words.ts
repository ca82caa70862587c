import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { isLateral, showReading } from '../craft/show-reading.ts';
import { showLengthBoth, showNumber } from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';

/** A reading in the bow's own unit. */
export function oneFigure(kind: ReadingKind, stored: number, state: BowState): string {
  return showReading(kind, stored, state.bow);
}

/** A reading in both units of length: `219.1 mm · 8 5/8 in`. */
export function bothFigures(kind: ReadingKind, stored: number, state: BowState): string {
  if (READINGS[kind].quantity === 'force' || isLateral(kind)) return oneFigure(kind, stored, state);
  return showLengthBoth(stored, state.bow.division);
}

/** How large a difference between two readings is, without its sign. */
export function sizeFigure(kind: ReadingKind, difference: number): string {
  const size = Math.abs(difference);
  return READINGS[kind].quantity === 'force'
    ? `${showNumber(fromStored(size, 'lb'), 1)} lb`
    : `${showNumber(size, 1)} mm`;
}

/** `6.0 mm over`: how far a reading lies from the one before. */
export function sizeWords(kind: ReadingKind, moved: number): string {
  return `${sizeFigure(kind, moved)} ${moved > 0 ? 'over' : 'under'}`;
}
