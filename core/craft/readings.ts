import { type School, shootsOffTheShelf } from './bow-terms.ts';
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

/**
 * The readings, with typical figures from common workshop practice.
 * Values learned on the bow at hand replace the typical ones.
 */
export const READINGS: Readonly<Record<ReadingKind, ReadingFacts>> = {
  braceHeight: {
    kind: 'braceHeight',
    code: 'b',
    name: 'Brace height',
    quantity: 'length',
    plausible: [120, 260],
    typicalSd: 0.7,
    tolerance: 2,
    datum: 'brace reference of the bow',
    howTo: 'Clip the square on the string, its arm on the brace reference. Read at the string.',
  },
  tillerTop: {
    kind: 'tillerTop',
    code: 'tt',
    name: 'Tiller, top',
    quantity: 'length',
    plausible: [100, 260],
    typicalSd: 0.7,
    tolerance: 2,
    datum: 'limb root, same edge of the string as the bottom',
    howTo: 'Where limb meets riser. Rock the square until the distance is smallest.',
  },
  tillerBottom: {
    kind: 'tillerBottom',
    code: 'tb',
    name: 'Tiller, bottom',
    quantity: 'length',
    plausible: [100, 260],
    typicalSd: 0.7,
    tolerance: 2,
    datum: 'limb root, same edge of the string as the top',
    howTo:
      'As at the top, on the same edge of the string. Rock the square to the smallest distance.',
  },
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
  nockingHeight: {
    kind: 'nockingHeight',
    code: 'n',
    name: 'Nocking height',
    quantity: 'length',
    plausible: [-5, 25],
    typicalSd: 0.3,
    tolerance: 0.5,
    datum: 'lower edge of the upper locator, above square from the arrow support',
    howTo: 'Square on the string, its arm on the rest. Read the lower edge of the upper locator.',
  },
  centreShotAtPoint: {
    kind: 'centreShotAtPoint',
    code: 'cs',
    name: 'Centre shot at the point',
    quantity: 'length',
    plausible: [-8, 15],
    typicalSd: 0.3,
    tolerance: 0.5,
    datum: 'shaft at the point, from the string plane, outward positive',
    howTo: 'Stand behind, string down the middle of the limbs; see where the point lies beside it.',
  },
  centreShotAtPlunger: {
    kind: 'centreShotAtPlunger',
    code: 'cs@p',
    name: 'Centre shot at the plunger',
    quantity: 'length',
    plausible: [-8, 15],
    typicalSd: 0.3,
    tolerance: 0.5,
    datum: 'shaft at the plunger, from the string plane, outward positive',
    howTo:
      'As at the point, but read where the plunger touches. A turn shows about a third as much here.',
  },
  limbLineTop: {
    kind: 'limbLineTop',
    code: 'll t',
    name: 'Limb line, top',
    quantity: 'length',
    plausible: [-15, 15],
    typicalSd: 0.3,
    tolerance: 0.5,
    datum: 'string from the middle of the top gauge, outward positive',
    howTo: 'One eye, head still: how far the string passes from the middle of the top gauge.',
  },
  limbLineBottom: {
    kind: 'limbLineBottom',
    code: 'll b',
    name: 'Limb line, bottom',
    quantity: 'length',
    plausible: [-15, 15],
    typicalSd: 0.3,
    tolerance: 0.5,
    datum: 'string from the middle of the bottom gauge, outward positive',
    howTo: 'One eye, head still: how far the string passes from the middle of the bottom gauge.',
  },
  limbLineRod: {
    kind: 'limbLineRod',
    code: 'll r',
    name: 'Limb line, long rod',
    quantity: 'length',
    plausible: [-30, 30],
    typicalSd: 0.4,
    tolerance: 1,
    datum: 'string from the middle of the long rod’s end, outward positive',
    howTo: 'Same eye, same place: how far the string passes from the middle of the long rod.',
  },
  drawLength: {
    kind: 'drawLength',
    code: 'dl',
    name: 'Draw length',
    quantity: 'length',
    plausible: [450, 900],
    typicalSd: 3,
    tolerance: 6,
    datum: 'AMO: nock throat to pivot point at full draw, plus 1.75 in',
    howTo:
      'Someone marks the shaft above the pivot point at full draw. Measure to the nock throat, add 1 3/4 in.',
  },
  restHeight: {
    kind: 'restHeight',
    code: 'rh',
    name: 'Rest height',
    quantity: 'length',
    plausible: [-10, 30],
    typicalSd: 0.3,
    tolerance: 0.5,
    datum: 'shaft centre from the plunger centre, up positive',
    howTo: 'With the arrow on the rest: how far the shaft’s centre stands above the plunger’s.',
  },
};

/** The units a bare number may mean for this reading, best first for a bow in the given unit. */
export function bareUnits(kind: ReadingKind, lengthUnit: 'in' | 'mm'): readonly UnitSymbol[] {
  if (READINGS[kind].quantity === 'force') return ['lb'];
  return lengthUnit === 'in' ? ['in', 'mm'] : ['mm', 'in'];
}

/** How a reading is taken off the shelf, where that is otherwise. */
const HOW_OFF_THE_SHELF: Partial<Record<ReadingKind, string>> = {
  drawWeight:
    'Draw on the scale to your own draw length, marked on the arrow, in a safe direction. Let down with the hand on the string.',
  nockingHeight:
    'Square on the string, its arm on the shelf. Read the lower edge of the upper locator.',
  tillerTop: 'Where the limb leaves the handle. Rock the square until the distance is smallest.',
};

/** Said with every reading: replicates of one seating share its error. */
export const READ_AGAIN =
  'Take the tool off and set it anew for each repeat: seated once, it repeats its own mistake.';

/** How a reading is taken on a bow of a school. */
export function howToRead(kind: ReadingKind, school: School): string {
  return (shootsOffTheShelf(school) ? HOW_OFF_THE_SHELF[kind] : undefined) ?? READINGS[kind].howTo;
}
