import type { Amount } from '../quantity/read-amounts.ts';
import { toRuleFraction, writeRuleFraction } from '../quantity/fraction.ts';
import { showExact } from '../quantity/show.ts';
import { toStored, type UnitSymbol } from '../quantity/units.ts';

/** A guess at what was meant, as it would be typed, and in the stored unit. */
export interface Slip {
  readonly typed: string;
  readonly stored: number;
}

const MOST_GUESSES = 3;
const DIVISIONS = 64;

/**
 * The classic slips behind an implausible number: a whole inch too many or misread, a decimal
 * point moved, the other unit. Only plausible ones, the one nearest the expected value first.
 *
 * @param amount as typed
 * @param unit the unit it was taken in
 * @param plausible range in the stored unit
 * @param expected what the reading probably is, stored unit
 */
export function likelySlips(
  amount: Amount,
  unit: UnitSymbol,
  plausible: readonly [number, number],
  expected: number,
): readonly Slip[] {
  const guesses: { value: number; unit: UnitSymbol }[] = [
    { value: amount.value * 10, unit },
    { value: amount.value / 10, unit },
    { value: amount.value / 100, unit },
  ];
  if (amount.whole !== null) {
    const part = Math.abs(amount.value) - amount.whole;
    guesses.push({ value: part, unit });
    for (let whole = 0; whole <= 12; whole += 1) guesses.push({ value: whole + part, unit });
  }
  for (const other of ['in', 'mm', 'cm'] as const) {
    if (unit !== other && (unit === 'in' || unit === 'mm' || unit === 'cm')) {
      guesses.push({ value: amount.value, unit: other });
      if (other === 'mm') guesses.push({ value: amount.value / 10, unit: other });
    }
  }
  const seen = new Set<number>();
  return guesses
    .map(({ value, unit: meant }) => ({
      typed: writeTyped(value, meant, unit),
      stored: toStored(value, meant),
    }))
    .filter(({ stored }) => {
      const mark = Math.round(stored * 100);
      const fresh = !seen.has(mark);
      seen.add(mark);
      return fresh && stored >= plausible[0] && stored <= plausible[1];
    })
    .toSorted((one, other) => Math.abs(one.stored - expected) - Math.abs(other.stored - expected))
    .slice(0, MOST_GUESSES);
}

function writeTyped(value: number, unit: UnitSymbol, typedIn: UnitSymbol): string {
  const onARule = Math.abs(value * DIVISIONS - Math.round(value * DIVISIONS)) < 1e-9;
  const figure =
    unit === 'in' && onARule
      ? writeRuleFraction(toRuleFraction(value, DIVISIONS))
      : showExact(value, 2);
  return unit === typedIn && unit === 'in' ? `${figure} in` : `${figure} ${unit}`;
}
