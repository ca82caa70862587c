import { showNumber } from '../../quantity/show.ts';
import { METRES_PER_YARD } from '../../quantity/yards.ts';

/** `50 m`, `54.7 yd`. */
export function distanceWords(distanceM: number, unit: 'm' | 'yd'): string {
  const value = unit === 'm' ? distanceM : distanceM / METRES_PER_YARD;
  return `${showNumber(value, Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1)} ${unit}`;
}
