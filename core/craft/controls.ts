import { lowerFirst } from './letter-case.ts';
import { showExact, showTurns } from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';

export const CONTROLS = [
  'twists',
  'topBolt',
  'bottomBolt',
  'nockingPoint',
  'plungerReach',
  'plungerPreload',
  'sidePlate',
  'restHeight',
  'topSideScrews',
  'bottomSideScrews',
  'pointMass',
  'shaftCut',
] as const;
/** Something one can turn or change. */
export type Control = (typeof CONTROLS)[number];

/** The unit an amount of this control is stored in. */
type ControlUnit = 'twist' | 'turn' | 'mm' | 'g';

export interface ControlFacts {
  readonly control: Control;
  readonly code: string;
  readonly name: string;
  readonly unit: ControlUnit;
  /** What + and − do, in the workshop's words. */
  readonly plus: string;
  readonly minus: string;
  /** Smallest step worth making, in `unit`. */
  readonly step: number;
  /** More than this in one go is asked about, in `unit`. */
  readonly largest: number;
  readonly needsUnstrung: boolean;
  readonly reversible: boolean;
}

/** The controls, their signs (+ = in, up, outward, stiffer) and steps. */
export const CONTROL_FACTS: Readonly<Record<Control, ControlFacts>> = {
  twists: {
    control: 'twists',
    code: 'tw',
    name: 'String twists',
    unit: 'twist',
    plus: 'in',
    minus: 'out',
    step: 1,
    largest: 12,
    needsUnstrung: true,
    reversible: true,
  },
  topBolt: {
    control: 'topBolt',
    code: 'top',
    name: 'Top bolt',
    unit: 'turn',
    plus: 'in',
    minus: 'out',
    step: 1 / 8,
    largest: 2,
    needsUnstrung: true,
    reversible: true,
  },
  bottomBolt: {
    control: 'bottomBolt',
    code: 'bot',
    name: 'Bottom bolt',
    unit: 'turn',
    plus: 'in',
    minus: 'out',
    step: 1 / 8,
    largest: 2,
    needsUnstrung: true,
    reversible: true,
  },
  nockingPoint: {
    control: 'nockingPoint',
    code: 'nk',
    name: 'Nocking point',
    unit: 'mm',
    plus: 'up',
    minus: 'down',
    step: 0.5,
    largest: 6,
    needsUnstrung: false,
    reversible: true,
  },
  plungerReach: {
    control: 'plungerReach',
    code: 'pr',
    name: 'Plunger reach',
    unit: 'turn',
    plus: 'out',
    minus: 'in',
    step: 1 / 4,
    largest: 2,
    needsUnstrung: false,
    reversible: true,
  },
  plungerPreload: {
    control: 'plungerPreload',
    code: 'pp',
    name: 'Plunger preload',
    unit: 'turn',
    plus: 'stiffer',
    minus: 'softer',
    step: 1 / 4,
    largest: 2,
    needsUnstrung: false,
    reversible: true,
  },
  sidePlate: {
    control: 'sidePlate',
    code: 'plate',
    name: 'Side plate',
    unit: 'mm',
    plus: 'thicker',
    minus: 'thinner',
    step: 0.1,
    largest: 3,
    needsUnstrung: false,
    reversible: true,
  },
  topSideScrews: {
    control: 'topSideScrews',
    code: 'st',
    name: 'Top side screws',
    unit: 'turn',
    plus: 'outward one tighter',
    minus: 'inward one tighter',
    step: 1 / 8,
    largest: 1,
    needsUnstrung: true,
    reversible: true,
  },
  bottomSideScrews: {
    control: 'bottomSideScrews',
    code: 'sb',
    name: 'Bottom side screws',
    unit: 'turn',
    plus: 'outward one tighter',
    minus: 'inward one tighter',
    step: 1 / 8,
    largest: 1,
    needsUnstrung: true,
    reversible: true,
  },
  restHeight: {
    control: 'restHeight',
    code: 'rest',
    name: 'Rest',
    unit: 'mm',
    plus: 'up',
    minus: 'down',
    step: 0.5,
    largest: 5,
    needsUnstrung: false,
    reversible: true,
  },
  pointMass: {
    control: 'pointMass',
    code: 'pt',
    name: 'Point mass',
    unit: 'g',
    plus: 'heavier',
    minus: 'lighter',
    step: 0.3239946,
    largest: 4,
    needsUnstrung: false,
    reversible: true,
  },
  shaftCut: {
    control: 'shaftCut',
    code: 'cut',
    name: 'Shaft',
    unit: 'mm',
    plus: 'cut off',
    minus: 'cut off',
    step: 3,
    largest: 6,
    needsUnstrung: false,
    reversible: false,
  },
};

/** An amount of a control without direction: `4 twists`, `1/4 turn`, `1.5 mm`, `10 gr`. */
export function showAmount(control: Control, amount: number): string {
  const size = Math.abs(amount);
  switch (CONTROL_FACTS[control].unit) {
    case 'twist':
      return `${showExact(size)} ${size === 1 ? 'twist' : 'twists'}`;
    case 'turn':
      return showTurns(size);
    case 'mm':
      return `${showExact(size, 1)} mm`;
    case 'g':
      return `${showExact(fromStored(size, 'gr'), 0)} gr`;
  }
}

/** A change as an instruction: `4 twists in`, `Top bolt 1/4 turn out`, `Nocking point 1.5 mm down`. */
export function changeWords(control: Control, amount: number): string {
  const { name, plus, minus } = CONTROL_FACTS[control];
  const way = amount >= 0 ? plus : minus;
  if (control === 'twists') return `${showAmount(control, amount)} ${way}`;
  return `${name} ${showAmount(control, amount)} ${way}`;
}

/**
 * Several changes as one instruction. Both bolts the same way read as one: `Both bolts 1/4 turn in`.
 */
export function movesWords(
  changes: readonly { readonly control: Control; readonly amount: number }[],
): string {
  const [first, second] = changes;
  if (first === undefined) return '';
  if (
    second !== undefined &&
    first.control === 'topBolt' &&
    second.control === 'bottomBolt' &&
    first.amount === second.amount
  ) {
    return changeWords('topBolt', first.amount).replace('Top bolt', 'Both bolts');
  }
  const [head = '', ...rest] = changes.map(({ control, amount }) => changeWords(control, amount));
  return [head, ...rest.map(lowerFirst)].join(', ');
}

/** A past change, short, for “stale: … since”: `4 twists`, `top bolt 1/4 turn`. */
export function sinceWords(control: Control, netAmount: number): string {
  if (Math.abs(netAmount) < 1e-9)
    return `${control === 'twists' ? 'twists' : CONTROL_FACTS[control].name.toLowerCase()} there and back`;
  if (control === 'twists') {
    return netAmount < 0 ? `${showAmount(control, netAmount)} out` : showAmount(control, netAmount);
  }
  return `${CONTROL_FACTS[control].name.toLowerCase()} ${showAmount(control, netAmount)}`;
}
