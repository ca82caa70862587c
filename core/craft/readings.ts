import { N_PER_LBF, type Quantity, type UnitSymbol } from '../quantity/units.ts';

export const READING_KINDS = [
  'braceHeight',
  'tillerTop',
  'tillerBottom',
  'drawWeight',
  'nockingHeight',
  'centreShotAtPoint',
  'centreShotAtPlunger',
  'limbLineTop',
  'limbLineBottom',
  'limbLineRod',
  'restHeight',
  'drawLength',
] as const;
/** Something one measures on the bow. */
export type ReadingKind = (typeof READING_KINDS)[number];

export interface ReadingFacts {
  readonly kind: ReadingKind;
  /** What is typed on the entry line. */
  readonly code: string;
  readonly name: string;
  readonly quantity: Extract<Quantity, 'length' | 'force'>;
  /** Outside this range (stored unit) the program asks before it believes. */
  readonly plausible: readonly [number, number];
  /** Typical standard deviation of one reading, stored unit; used until this person's is learned. */
  readonly typicalSd: number;
  /** Half width of the bench tolerance, stored unit. */
  readonly tolerance: number;
  readonly datum: string;
  /** One line: how to hold the tool. */
  readonly howTo: string;
}

const length = (
  kind: ReadingKind,
  code: string,
  name: string,
  plausible: readonly [number, number],
  typicalSd: number,
  tolerance: number,
  datum: string,
  howTo: string,
): ReadingFacts => ({
  kind,
  code,
  name,
  quantity: 'length',
  plausible,
  typicalSd,
  tolerance,
  datum,
  howTo,
});

/**
 * The readings, with typical figures from common workshop practice.
 * Values learned on the bow at hand replace the typical ones.
 */
export const READINGS: Readonly<Record<ReadingKind, ReadingFacts>> = {
  braceHeight: length(
    'braceHeight',
    'b',
    'Brace height',
    [120, 260],
    0.7,
    2,
    'brace reference of the bow',
    'Clip the square on the string, its arm on the brace reference. Read at the string.',
  ),
  tillerTop: length(
    'tillerTop',
    'tt',
    'Tiller, top',
    [100, 260],
    0.7,
    2,
    'limb root, same edge of the string as the bottom',
    'Where limb meets riser. Rock the square until the distance is smallest.',
  ),
  tillerBottom: length(
    'tillerBottom',
    'tb',
    'Tiller, bottom',
    [100, 260],
    0.7,
    2,
    'limb root, same edge of the string as the top',
    'As at the top, on the same edge of the string. Rock the square to the smallest distance.',
  ),
  drawWeight: {
    kind: 'drawWeight',
    code: 'w',
    name: 'Draw weight',
    quantity: 'force',
    plausible: [8 * N_PER_LBF, 80 * N_PER_LBF],
    typicalSd: 0.15 * N_PER_LBF,
    tolerance: 0.5 * N_PER_LBF,
    datum: 'scale hook at the archer’s own draw',
    howTo:
      'Draw on the scale to the clicker or the mark, in a safe direction. Let down with the hand on the string.',
  },
  nockingHeight: length(
    'nockingHeight',
    'n',
    'Nocking height',
    [-5, 25],
    0.3,
    0.5,
    'lower edge of the upper locator, above square from the arrow support',
    'Square on the string, its arm on the rest. Read the lower edge of the upper locator.',
  ),
  centreShotAtPoint: length(
    'centreShotAtPoint',
    'cs',
    'Centre shot at the point',
    [-8, 15],
    0.3,
    0.5,
    'shaft at the point, from the string plane, outward positive',
    'Stand behind, string down the middle of the limbs; see where the point lies beside it.',
  ),
  centreShotAtPlunger: length(
    'centreShotAtPlunger',
    'cs@p',
    'Centre shot at the plunger',
    [-8, 15],
    0.3,
    0.5,
    'shaft at the plunger, from the string plane, outward positive',
    'As at the point, but read where the plunger touches. A turn shows about a third as much here.',
  ),
  limbLineTop: length(
    'limbLineTop',
    'll t',
    'Limb line, top',
    [-15, 15],
    0.3,
    0.5,
    'string from the middle of the top gauge, outward positive',
    'One eye, head still: how far the string passes from the middle of the top gauge.',
  ),
  limbLineBottom: length(
    'limbLineBottom',
    'll b',
    'Limb line, bottom',
    [-15, 15],
    0.3,
    0.5,
    'string from the middle of the bottom gauge, outward positive',
    'One eye, head still: how far the string passes from the middle of the bottom gauge.',
  ),
  limbLineRod: length(
    'limbLineRod',
    'll r',
    'Limb line, long rod',
    [-30, 30],
    0.4,
    1,
    'string from the middle of the long rod’s end, outward positive',
    'Same eye, same place: how far the string passes from the middle of the long rod.',
  ),
  drawLength: length(
    'drawLength',
    'dl',
    'Draw length',
    [450, 900],
    3,
    6,
    'AMO: nock throat to pivot point at full draw, plus 1.75 in',
    'Someone marks the shaft above the pivot point at full draw. Measure to the nock throat, add 1 3/4 in.',
  ),
  restHeight: length(
    'restHeight',
    'rh',
    'Rest height',
    [-10, 30],
    0.3,
    0.5,
    'shaft centre from the plunger centre, up positive',
    'With the arrow on the rest: how far the shaft’s centre stands above the plunger’s.',
  ),
};

/** The units a bare number may mean for this reading, best first for a bow in the given unit. */
export function bareUnits(kind: ReadingKind, lengthUnit: 'in' | 'mm'): readonly UnitSymbol[] {
  if (READINGS[kind].quantity === 'force') return ['lb'];
  return lengthUnit === 'in' ? ['in', 'mm'] : ['mm', 'in'];
}
