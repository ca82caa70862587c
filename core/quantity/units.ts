/**
 * The units tuners use and the one unit each quantity is stored in:
 * length mm, force N, mass g, angle degrees, distance m, turns, count.
 */
export type Quantity = 'length' | 'force' | 'mass' | 'angle' | 'turns' | 'count';

/** Exact by definition (international inch, 1959). */
export const MM_PER_IN = 25.4;
/** Exact: pound (0.45359237 kg) times standard gravity (9.80665 m/s²). */
export const N_PER_LBF = 4.4482216152605;
const N_PER_KGF = 9.80665;
/** Exact: 1 grain = 64.79891 mg. */
export const G_PER_GR = 0.06479891;
/** One turn of a 5/16-24 plunger thread. */
export const PLUNGER_MM_PER_TURN = MM_PER_IN / 24;

export type UnitSymbol = 'mm' | 'cm' | 'm' | 'in' | 'lb' | 'N' | 'kg' | 'gr' | 'g' | '°' | 'turn';

interface UnitFacts {
  readonly quantity: Quantity;
  /** How many stored units one of these is. */
  readonly factor: number;
}

export const UNITS: Readonly<Record<UnitSymbol, UnitFacts>> = {
  mm: { quantity: 'length', factor: 1 },
  cm: { quantity: 'length', factor: 10 },
  m: { quantity: 'length', factor: 1000 },
  in: { quantity: 'length', factor: MM_PER_IN },
  lb: { quantity: 'force', factor: N_PER_LBF },
  N: { quantity: 'force', factor: 1 },
  kg: { quantity: 'force', factor: N_PER_KGF },
  gr: { quantity: 'mass', factor: G_PER_GR },
  g: { quantity: 'mass', factor: 1 },
  '°': { quantity: 'angle', factor: 1 },
  turn: { quantity: 'turns', factor: 1 },
};

/** Every way a unit may be typed, longest first where one begins another. */
export const UNIT_SPELLINGS: ReadonlyMap<string, UnitSymbol> = new Map<string, UnitSymbol>([
  ['mm', 'mm'],
  ['cm', 'cm'],
  ['m', 'm'],
  ['in', 'in'],
  ['inch', 'in'],
  ['inches', 'in'],
  ['"', 'in'],
  ['″', 'in'],
  ['”', 'in'],
  ["''", 'in'],
  ['lb', 'lb'],
  ['lbs', 'lb'],
  ['#', 'lb'],
  ['n', 'N'],
  ['kg', 'kg'],
  ['gr', 'gr'],
  ['grain', 'gr'],
  ['grains', 'gr'],
  ['g', 'g'],
  ['°', '°'],
  ['deg', '°'],
  ['turn', 'turn'],
  ['turns', 'turn'],
]);

/** Converts a typed value to the stored unit of its quantity. */
export function toStored(value: number, unit: UnitSymbol): number {
  return value * UNITS[unit].factor;
}

/** Converts a stored value to the given unit. */
export function fromStored(stored: number, unit: UnitSymbol): number {
  return stored / UNITS[unit].factor;
}
