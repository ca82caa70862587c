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

const STEPS_UP: readonly number[] = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500];
const MOST_STEPS_UP = 5;

/**
 * An axis from nothing upward, in steps a person counts by.
 *
 * @param most how far up anything drawn lies, at least 0
 * @returns `decimals` with which no tick is written like another
 */
export function axisUp(most: number): {
  readonly domain: readonly [number, number];
  readonly ticks: readonly number[];
  readonly decimals: 0 | 1;
} {
  const step = STEPS_UP.find((one) => most <= MOST_STEPS_UP * one) ?? most / MOST_STEPS_UP;
  const steps = Math.max(1, Math.ceil(most / step - 1e-9));
  return {
    domain: [0, steps * step],
    ticks: Array.from({ length: steps + 1 }, (_, index) => index * step),
    decimals: step < 1 ? 1 : 0,
  };
}
