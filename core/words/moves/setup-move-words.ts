import type { MoveBecause, SetupMiss } from '../../advice/move-because.ts';
import { type Control, CONTROL_FACTS, movesWords } from '../../craft/controls.ts';
import { upperFirst } from '../../craft/letter-case.ts';
import type { ReadingKind } from '../../craft/readings.ts';
import { boltTravel } from '../../limits/bolt-limits.ts';
import type { BowState } from '../../log/bow-state.ts';
import type { StepStatus } from '../../order/step-states.ts';
import {
  showLength,
  showLengthFigure,
  showNumber,
  showSigned,
  showWeight,
} from '../../quantity/show.ts';
import { fromStored } from '../../quantity/units.ts';
import type { SetupOption } from '../../setup/plan-setup.ts';
import { gainWords } from '../gain-words.ts';
import { showPlusMinus } from '../show-plus-minus.ts';
import { stepWords } from '../step-words.ts';
import { stepMoveWords } from './bench-move-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends MoveBecause['topic']> = Extract<MoveBecause, { readonly topic: Topic }>;
interface OfStep {
  readonly status: StepStatus;
}

/** Which gain stands behind each control of a set-up move. */
const SHOWN_GAINS: readonly (readonly [Control, ReadingKind])[] = [
  ['twists', 'braceHeight'],
  ['topBolt', 'tillerTop'],
  ['bottomBolt', 'tillerBottom'],
  ['topBolt', 'drawWeight'],
];

/** The whole move that brings draw weight, brace and tiller in together. */
export function setupWords(
  state: BowState,
  { status, plan, option, missed }: Because<'setup'>,
): MoveWords {
  const { changes } = option;
  const bolts = changes.some(({ control }) => control !== 'twists');
  const gains = SHOWN_GAINS.filter(([control]) => changes.some((one) => one.control === control))
    .map(([control, kind]) => gainWords(state, kind, control))
    .filter((words) => words !== null);
  const travel = boltTravel(state.bow);
  const percent = showNumber(100 * Math.min(0.99, option.chance), 0);
  return {
    ...plainWords(movesWords(changes)),
    expect: `Expect ${setupExpect(state, option)}`,
    why: `${missed.map((one) => missWords(state, one)).join(' ')} ${changes.length > 1 ? 'All in one unstringing.' : ''}`.trim(),
    reasons: [
      ...gains.map((words) => `${upperFirst(words)}.`),
      `Chance that all are in band after it: ${percent} %; as it stands ${showNumber(100 * plan.chanceNow, 0)} %.`,
      ...(bolts
        ? [
            `Bolt travel ${showNumber(travel.turns, 1)} turns out${travel.guessed ? ', a guess: the maker’s figure wins' : ', the maker’s'}.`,
          ]
        : []),
      option.chance < 0.5
        ? 'The step is short because this bow’s own answer is not known yet; it teaches it.'
        : status.step.why,
    ],
    wouldChange: 'A fresh reading, or what this bow shows after the move.',
    thenCheck: bolts
      ? 'See that both limbs sit. Draw weight twice, brace three times, both tillers.'
      : 'Brace, three readings. Then draw weight, both tillers, nocking height.',
  };
}

/** `brace 8 5/8 ± 1/32 in, tiller +4 ± 1 mm, weight 34.0 ± 0.3 lb`. */
export function setupExpect({ bow }: BowState, option: SetupOption): string {
  return [...option.expected]
    .map(([id, { mean, plusMinus }]) => {
      switch (id) {
        case 'braceHeight':
          return `brace ${showLength(mean, bow)} ± ${showPlusMinus(plusMinus, bow)}`;
        case 'tiller':
          return `tiller ${showSigned(mean, 0)} ± ${showNumber(Math.max(1, plusMinus), 0)} mm`;
        case 'drawWeight':
          return `weight ${showNumber(fromStored(mean, 'lb'), 1)} ± ${showNumber(Math.max(0.1, fromStored(plusMinus, 'lb')), 1)} lb`;
      }
    })
    .join(', ');
}

/** `Brace stands 8 9/16 in, below band: 8 5/8 to 8 11/16 in (quiet).` */
function missWords({ bow }: BowState, { goal, value }: SetupMiss): string {
  const { target } = goal;
  const way = value < goal.low ? 'below band' : 'above band';
  switch (goal.id) {
    case 'braceHeight':
      return `Brace stands ${showLength(value, bow)}, ${way}: ${showLengthFigure(target.low, bow)} to ${showLength(target.high, bow)} (${target.name}).`;
    case 'tiller':
      return `Tiller reads ${showSigned(value, 1)} mm, ${way}: ${showSigned(target.low, 0)} to ${showSigned(target.high, 0)} mm (${target.name}).`;
    case 'drawWeight':
      return `It draws ${showWeight(value)}, ${way}: ${showWeight(target.low)} to ${showWeight(target.high)} (${target.name}).`;
  }
}

/** Brace is out, and this string cannot bring it in. */
export function otherStringWords({
  status,
  shorter,
  twists: { fewest, most },
}: Because<'otherString'>): MoveWords {
  return {
    ...plainWords(shorter ? 'A shorter string' : 'A longer string'),
    why: `Brace is ${stepWords(status)}, and this string may hold only ${fewest} to ${most} twists.`,
    reasons: [
      shorter ? 'More twists would strain the string.' : 'With fewer twists the strands separate.',
    ],
    wouldChange: 'A fresh count of the twists.',
    thenCheck: 'With the new string everything from nock fit on is checked again.',
    doneLabel: 'Fit another string',
  };
}

/** The bolts may not go as far as it would take. */
export function outOfReachWords({ status }: OfStep): MoveWords {
  return {
    ...plainWords(`${status.step.name}: out of reach`),
    why: `${status.step.name} is ${stepWords(status)}, and what the bolts may turn does not bring it in.`,
    reasons: [
      `Bolts stay inside their travel and within ${CONTROL_FACTS.topBolt.largest} turns of each other.`,
    ],
    wouldChange: 'The maker’s bolt travel, a wider band with its reason, or a fresh reading.',
    thenCheck: 'Ask a bow technician, or set the band this bow can reach.',
    doneLabel: 'Understood',
  };
}

/** A bow just put together: how many twists are in the string. */
export function countTwistsWords({ status }: OfStep): MoveWords {
  return {
    ...stepMoveWords(status, 'Count the twists in the string'),
    why: 'What a twist does grows with the twists already in, and the string has limits: 0.25 to 0.8 an inch.',
    thenCheck: 'Type tc and the count.',
    doneLabel: 'Enter it',
  };
}

/** Who walks the string: how far below the nock. */
export function askCrawlWords({ status }: OfStep): MoveWords {
  return {
    ...stepMoveWords(status, 'Say how deep the crawl is'),
    why: 'The hook stands below the nock and loads the bottom limb: starting tiller and nocking height depend on how far.',
    thenCheck: 'Type cr and the mm below the nock at the distance shot most; 0 just under it.',
    doneLabel: 'Enter it',
  };
}

/** Before a bolt is turned somebody has to know where it stands. */
export function countBoltsWords({ bow }: BowState, { status }: OfStep): MoveWords {
  const travel = boltTravel(bow);
  return {
    ...stepMoveWords(status, 'Count the turns both bolts stand out'),
    why: `Gently in to the stop, then out to the middle. The limits are counted from there: ${travel.turns} turns${travel.guessed ? ', a guess; the maker’s figure wins' : ' by the maker'}.`,
    thenCheck: 'Type bo and the turns out, top and bottom if they differ.',
    doneLabel: 'Enter it',
  };
}

/** Off the shelf, weight and tiller are as built. */
export function asBuiltWords({ bow }: BowState, { status }: OfStep): MoveWords {
  return {
    ...stepMoveWords(status, `${status.step.name} is as built`),
    why: `It is ${stepWords(status)}, and ${bow.bowKind === 'longbow' ? 'this bow has no bolts' : 'this bow’s bolts are for assembly only'}. Tune what can be moved: twists, nocking point, arrow.`,
    wouldChange: 'A limb pad or another limb: work for a bow technician.',
    doneLabel: 'Understood',
  };
}
