import { type LengthStyle, showLengthFigure, showNumber } from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';

/**
 * The size of an uncertainty in the bow's own style. In inches it is rounded up to the next
 * division: `± 0 in` would claim what nobody knows.
 */
export function showPlusMinus(mm: number, style: LengthStyle): string {
  if (style.lengthUnit === 'mm') return `${showNumber(Math.max(mm, 0.1), 1)} mm`;
  const divisions = Math.max(1, Math.ceil(fromStored(mm, 'in') * 32 - 0.25));
  return `${showLengthFigure((divisions / 32) * 25.4, { lengthUnit: 'in', division: 32 })} in`;
}
