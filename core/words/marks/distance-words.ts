import { showNumber } from '../../quantity/show.ts';
import { METRES_PER_YARD } from '../../quantity/yards.ts';

/** `50 m`, `54.7 yd`. */
export function distanceWords(distanceM: number, unit: 'm' | 'yd'): string {
  const value = unit === 'm' ? distanceM : distanceM / METRES_PER_YARD;
  return `${showNumber(value, Math.abs(value - Math.round(value)) < 0.05 ? 0 : 1)} ${unit}`;
}

/** How far low a hit is where it stands one metre or yard farther than it was taken for: `5 cm low`. */
export function fartherWords(
  { perMetreMm }: { readonly perMetreMm: number | null },
  unit: 'm' | 'yd',
): string {
  if (perMetreMm === null) return '';
  const cm = ((unit === 'm' ? 1 : METRES_PER_YARD) * perMetreMm) / 10;
  const size = showNumber(Math.abs(cm), 0);
  if (size === '0') return '0 cm';
  return `${size} cm ${cm > 0 ? 'low' : 'high'}`;
}
