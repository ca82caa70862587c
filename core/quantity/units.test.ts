import { describe, expect, it } from 'vitest';
import { readAmounts } from './read-amounts.ts';
import {
  fromStored,
  G_PER_GR,
  MM_PER_IN,
  N_PER_LBF,
  PLUNGER_MM_PER_TURN,
  toStored,
  UNIT_SPELLINGS,
  UNITS,
  type UnitSymbol,
} from './units.ts';

/** From the definitions: inch 1959, pound 0.45359237 kg, standard gravity, grain 64.79891 mg. */
const TABLE: readonly (readonly [UnitSymbol, string, number])[] = [
  ['mm', 'length', 1],
  ['cm', 'length', 10],
  ['m', 'length', 1000],
  ['in', 'length', 25.4],
  ['lb', 'force', 0.45359237 * 9.80665],
  ['N', 'force', 1],
  ['kg', 'force', 9.80665],
  ['gr', 'mass', 0.06479891],
  ['g', 'mass', 1],
  ['°', 'angle', 1],
  ['turn', 'turns', 1],
];

describe('a unit', () => {
  it.each(TABLE)('%s is a %s of %f stored units, there and back', (unit, quantity, factor) => {
    expect(UNITS[unit].quantity).toBe(quantity);
    expect(UNITS[unit].factor).toBeCloseTo(factor, 9);
    expect(toStored(3, unit)).toBeCloseTo(3 * factor, 8);
    expect(fromStored(3 * factor, unit)).toBeCloseTo(3, 8);
  });

  it('is in the table, and no other is', () => {
    expect(Object.keys(UNITS).toSorted()).toEqual(TABLE.map(([unit]) => unit).toSorted());
    expect(MM_PER_IN).toBe(25.4);
    expect(N_PER_LBF).toBeCloseTo(4.4482216152605, 12);
    expect(G_PER_GR).toBeCloseTo(0.06479891, 12);
    // A 5/16-24 thread: 24 turns an inch.
    expect(PLUNGER_MM_PER_TURN).toBeCloseTo(1.0583333, 6);
  });

  const SPELLED: Readonly<Record<string, UnitSymbol>> = {
    mm: 'mm',
    cm: 'cm',
    m: 'm',
    in: 'in',
    inch: 'in',
    inches: 'in',
    '"': 'in',
    '″': 'in',
    '”': 'in',
    "''": 'in',
    lb: 'lb',
    lbs: 'lb',
    '#': 'lb',
    n: 'N',
    kg: 'kg',
    gr: 'gr',
    grain: 'gr',
    grains: 'gr',
    g: 'g',
    '°': '°',
    deg: '°',
    turn: 'turn',
    turns: 'turn',
  };
  it.each(Object.entries(SPELLED))('may be typed %s: %s', (spelled, unit) => {
    const read = readAmounts(`5 ${spelled}`);
    expect(read.ok && read.amounts[0]).toMatchObject({ value: 5, unit });
  });
  it('has no other spelling', () => {
    expect(Object.fromEntries(UNIT_SPELLINGS)).toEqual(SPELLED);
  });
});
