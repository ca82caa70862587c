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
  twists: facts('twists', 'tw', 'String twists', 'twist', 'in', 'out', 1, 12, true),
  topBolt: facts('topBolt', 'top', 'Top bolt', 'turn', 'in', 'out', 1 / 8, 2, true),
  bottomBolt: facts('bottomBolt', 'bot', 'Bottom bolt', 'turn', 'in', 'out', 1 / 8, 2, true),
  nockingPoint: facts('nockingPoint', 'nk', 'Nocking point', 'mm', 'up', 'down', 0.5, 6, false),
  plungerReach: facts('plungerReach', 'pr', 'Plunger reach', 'turn', 'out', 'in', 1 / 4, 2, false),
  plungerPreload: facts(
    'plungerPreload',
    'pp',
    'Plunger preload',
    'turn',
    'stiffer',
    'softer',
    1 / 4,
    2,
    false,
  ),
  sidePlate: facts('sidePlate', 'plate', 'Side plate', 'mm', 'thicker', 'thinner', 0.1, 3, false),
  topSideScrews: facts(
    'topSideScrews',
    'st',
    'Top side screws',
    'turn',
    'outward one tighter',
    'inward one tighter',
    1 / 8,
    1,
    true,
  ),
  bottomSideScrews: facts(
    'bottomSideScrews',
    'sb',
    'Bottom side screws',
    'turn',
    'outward one tighter',
    'inward one tighter',
    1 / 8,
    1,
    true,
  ),
  restHeight: facts('restHeight', 'rest', 'Rest', 'mm', 'up', 'down', 0.5, 5, false),
  pointMass: facts('pointMass', 'pt', 'Point mass', 'g', 'heavier', 'lighter', 0.3239946, 4, false),
  shaftCut: {
    ...facts('shaftCut', 'cut', 'Shaft', 'mm', 'cut off', 'cut off', 3, 6, false),
    reversible: false,
  },
};

function facts(
  control: Control,
  code: string,
  name: string,
  unit: ControlUnit,
  plus: string,
  minus: string,
  step: number,
  largest: number,
  needsUnstrung: boolean,
): ControlFacts {
  return { control, code, name, unit, plus, minus, step, largest, needsUnstrung, reversible: true };
}

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
