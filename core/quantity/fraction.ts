/** A number split for a rule: sign, whole, and a reduced fraction. */
export interface RuleFraction {
  readonly negative: boolean;
  readonly whole: number;
  readonly numerator: number;
  readonly denominator: number;
}

/** The divisions of a rule that a fraction may be shown in. */
export type RuleDivision = 8 | 16 | 32 | 64;

/**
 * Rounds a value to the nearest division of a rule and reduces the fraction.
 *
 * @param value any finite number
 * @param division how many parts the unit is divided into
 * @throws RangeError when value is not finite
 */
export function toRuleFraction(value: number, division: RuleDivision): RuleFraction {
  if (!Number.isFinite(value)) throw new RangeError(`toRuleFraction: value ${value} is not finite`);
  const parts = Math.round(Math.abs(value) * division);
  let numerator = parts % division;
  let denominator: number = division;
  while (numerator > 0 && numerator % 2 === 0) {
    numerator /= 2;
    denominator /= 2;
  }
  return {
    negative: value < 0 && parts > 0,
    whole: Math.floor(parts / division),
    numerator,
    denominator: numerator === 0 ? 1 : denominator,
  };
}

/** Writes a rule fraction as tuners do: `8 5/8`, `1/4`, `−3/16`, `8`. */
export function writeRuleFraction(fraction: RuleFraction): string {
  const sign = fraction.negative ? '−' : '';
  const part = fraction.numerator === 0 ? '' : `${fraction.numerator}/${fraction.denominator}`;
  if (part === '') return `${sign}${fraction.whole}`;
  return fraction.whole === 0 ? `${sign}${part}` : `${sign}${fraction.whole} ${part}`;
}
