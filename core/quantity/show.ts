import { type RuleDivision, toRuleFraction, writeRuleFraction } from './fraction.ts';
import { fromStored } from './units.ts';

/** How one bow's lengths are shown. */
export interface LengthStyle {
  readonly lengthUnit: 'in' | 'mm';
  readonly division: RuleDivision;
}

/**
 * Writes a number with a fixed count of decimals and a real minus sign; never `−0`.
 *
 * @param value finite
 * @param decimals 0 to 6
 */
export function showNumber(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}

/** As showNumber, with a plus sign for positive values: for differences and moves. */
export function showSigned(value: number, decimals: number): string {
  const text = showNumber(value, decimals);
  return value > 0 && Number(text) !== 0 ? `+${text}` : text;
}

/** Drops trailing zeros: 2, 2.5, 0.25. For turns and steps that are exact by nature. */
export function showExact(value: number, mostDecimals = 3): string {
  return showNumber(Number(value.toFixed(mostDecimals)), decimalsOf(value, mostDecimals));
}

function decimalsOf(value: number, most: number): number {
  for (let decimals = 0; decimals < most; decimals += 1) {
    if (Math.abs(Number(value.toFixed(decimals)) - value) < 10 ** -most / 2) return decimals;
  }
  return most;
}

/** A length without its unit, in the bow's style: `8 5/8` or `219.1`. */
export function showLengthFigure(mm: number, style: LengthStyle): string {
  if (style.lengthUnit === 'in')
    return writeRuleFraction(toRuleFraction(fromStored(mm, 'in'), style.division));
  return showNumber(mm, 1);
}

/** A length with its unit: `8 5/8 in` or `219.1 mm`. */
export function showLength(mm: number, style: LengthStyle): string {
  return `${showLengthFigure(mm, style)} ${style.lengthUnit}`;
}

/** A length both ways, millimetres first: `219.1 mm · 8 5/8 in`. */
export function showLengthBoth(mm: number, division: RuleDivision): string {
  return `${showLength(mm, { lengthUnit: 'mm', division })} · ${showLength(mm, { lengthUnit: 'in', division })}`;
}

/** Turns as a fraction of eighths where they are: `1/8 turn`, `1 1/2 turns`, `2 turns`. */
export function showTurns(turns: number): string {
  const size = Math.abs(turns);
  const eighths = Math.abs(size * 8 - Math.round(size * 8)) < 1e-6;
  const figure = eighths ? writeRuleFraction(toRuleFraction(turns, 8)) : showExact(turns, 2);
  return `${figure} ${size > 1 + 1e-9 ? 'turns' : 'turn'}`;
}

/** Draw weight in pounds to a tenth: `33.8 lb`. */
export function showWeight(forceN: number): string {
  return `${showNumber(fromStored(forceN, 'lb'), 1)} lb`;
}

/** A distance on the butt in cm or in, one decimal, unsigned. */
export function showButtDistance(mm: number, unit: 'cm' | 'in'): string {
  return `${showNumber(Math.abs(fromStored(mm, unit)), 1)} ${unit}`;
}

/** A chance as a whole percentage; never certain: `over 99 %`, `under 1 %`. */
export function showChance(chance: number): string {
  const whole = Math.round(chance * 100);
  return whole >= 100 ? 'over 99 %' : whole <= 0 ? 'under 1 %' : `${whole} %`;
}

/** A distance on the butt with its interval, unsigned: `6.1 ± 1.8 cm`. */
export function showButtInterval(mm: number, plusMinusMm: number, unit: 'cm' | 'in'): string {
  const [size = ''] = showButtDistance(mm, unit).split(' ');
  return `${size} ± ${showButtDistance(plusMinusMm, unit)}`;
}
