import { toStored } from '#core/quantity/units.ts';
import { tickStep } from '../plot/butt-view.ts';

/**
 * An axis as far left of the mark as right of it, in whole units: a line is judged by which side it
 * goes to.
 *
 * @param reach how far anything drawn lies from the mark, in `unit`
 * @returns ends and ticks in `unit`; no tick is written like another on its side
 */
export function axisAcross(
  reach: number,
  unit: 'cm' | 'in',
): { readonly domain: readonly [number, number]; readonly ticks: readonly number[] } {
  const step = tickStep(toStored(reach, unit), toStored(1, unit));
  const steps = Math.max(1, Math.ceil(reach / step));
  return {
    domain: [-steps * step, steps * step],
    ticks: Array.from({ length: 2 * steps + 1 }, (_, index) => (index - steps) * step),
  };
}
