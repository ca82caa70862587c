import type { Amount, Refusal } from './read-amounts.ts';
import { type Quantity, toStored, UNITS, type UnitSymbol } from './units.ts';

/** What a figure is to be: its kind, the units a bare number may mean, and where it may lie. */
export interface FigureWanted {
  readonly name: string;
  readonly quantity: Exclude<Quantity, 'angle'>;
  /** Best first; a fraction always means inches. */
  readonly bare: readonly UnitSymbol[];
  /** Stored unit. */
  readonly range: readonly [low: number, high: number];
}

export type FigureRead =
  /** Inside its range; `unit` null for a count. */
  | {
      readonly kind: 'value';
      readonly stored: number;
      readonly unit: UnitSymbol | null;
      /** The unit was not typed, nor is it the first a bare number means. */
      readonly guessed: boolean;
    }
  /** A unit of another kind: pounds where millimetres are meant. */
  | { readonly kind: 'wrongUnit'; readonly refusal: Refusal }
  /** In no unit inside its range; the value is the one in the likeliest unit. */
  | { readonly kind: 'outside'; readonly stored: number; readonly unit: UnitSymbol | null };

/** The one reading of a typed figure: every code, fact, band and form field goes through it. */
export function readFigure(amount: Amount, wanted: FigureWanted): FigureRead {
  const { unit: typed, value } = amount;
  if (typed !== null && !fits(typed, wanted.quantity))
    return { kind: 'wrongUnit', refusal: wrongUnit(amount, wanted) };
  if (wanted.quantity === 'count') {
    const whole = Number.isInteger(value) && !amount.hasFraction;
    return whole && inside(value, wanted.range)
      ? { kind: 'value', stored: value, unit: null, guessed: false }
      : { kind: 'outside', stored: value, unit: null };
  }
  const units = unitsFor(amount, wanted);
  for (const [place, unit] of units.entries()) {
    const stored = toStored(value, unit);
    if (inside(stored, wanted.range))
      // Stryker disable next-line ConditionalExpression: a typed unit is the only one, in first place
      return { kind: 'value', stored, unit, guessed: typed === null && place > 0 };
  }
  const [likeliest] = units;
  if (likeliest === undefined) throw new RangeError(`readFigure: no unit for ${wanted.name}`);
  return { kind: 'outside', stored: toStored(value, likeliest), unit: likeliest };
}

function unitsFor(amount: Amount, { bare, quantity }: FigureWanted): readonly UnitSymbol[] {
  if (amount.unit !== null) return [amount.unit];
  return quantity === 'length' && amount.hasFraction ? ['in'] : bare;
}

/** Metres and yards are no unit of the bench: `219 m` is a slip, not a brace. */
function fits(unit: UnitSymbol, quantity: Quantity): boolean {
  return UNITS[unit].quantity === quantity && unit !== 'm';
}

function inside(stored: number, [low, high]: FigureWanted['range']): boolean {
  // Stryker disable next-line ArithmeticOperator,MethodExpression: dust stays far below any figure
  const dust = 1e-9 * Math.max(1, Math.abs(low), Math.abs(high));
  // Stryker disable next-line EqualityOperator: nothing is typed to a billionth
  return stored >= low - dust && stored <= high + dust;
}

const GIVE_IT: Readonly<Record<FigureWanted['quantity'], string>> = {
  length: 'Use inches, mm or cm.',
  force: 'Use lb, kg or N.',
  mass: 'Use grains or grams.',
  turns: 'Give it in turns, like 1 1/2.',
  count: 'Give it as a plain whole number.',
};

function wrongUnit(amount: Amount, { name, quantity }: FigureWanted): Refusal {
  return {
    at: amount.at,
    length: amount.length,
    // Stryker disable next-line StringLiteral: only a typed unit can be wrong
    says: `${name} is not measured in ${amount.unit ?? 'that'}.`,
    remedy: GIVE_IT[quantity],
  };
}
