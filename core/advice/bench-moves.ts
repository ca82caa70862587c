import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { stepWords } from '../words/step-words.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { locatorTurns, USUAL_SERVING_THREAD_MM } from '../craft/locators.ts';
import { presentReading } from '../gains/present-reading.ts';
import { isLateral, showReading } from '../craft/show-reading.ts';
import { showExact, showWeight } from '../quantity/show.ts';
import type { BowState } from '../log/bow-state.ts';
import { oneControlMove } from './change-move.ts';
import { limbLineMove } from './limb-line-move.ts';
import type { Move, MovePlace } from './move.ts';
import { showPlusMinus } from '../words/show-plus-minus.ts';
import type { StepStatus } from '../order/step-states.ts';

/** Where the hand goes for each reading. */
const ENTRY_PLACE: Partial<Record<ReadingKind, MovePlace>> = {
  braceHeight: 'brace',
  tillerTop: 'tillerTop',
  tillerBottom: 'tillerTop',
  drawWeight: 'weight',
  nockingHeight: 'nockingPoint',
  centreShotAtPoint: 'plunger',
  limbLineTop: 'topLimb',
  limbLineBottom: 'bottomLimb',
  limbLineRod: 'bow',
  drawLength: 'weight',
  restHeight: 'plunger',
};

const COUNT_WORDS: Readonly<Record<number, string>> = { 2: 'two', 3: 'three' };

/** Read the tool again: a step that is open or stale. */
export function measureMove(state: BowState, status: StepStatus): Move | null {
  const { clearing } = status.step;
  if (clearing.by !== 'readings') return null;
  const kind = status.missing[0] ?? clearing.of[0];
  if (kind === undefined) return null;
  const facts = READINGS[kind];
  const count = clearing.each;
  const stale = status.state === 'stale';
  return {
    key: `measure:${status.step.id}`,
    step: status.step.id,
    title: `Measure ${lowerFirst(clearing.of.length > 1 ? READINGS[kind].name : status.step.name)}`,
    expect: expectedWords(state, kind),
    why: stale
      ? `${status.step.name} is ${stepWords(status)}. ${status.step.why}`
      : `It has not been measured. ${status.step.why}`,
    reasons: [
      `Order of work: ${lowerFirst(status.step.why)}`,
      `Cleared by ${clearing.of.map((of) => lowerFirst(READINGS[of].name)).join(' and ')}, ${count === 1 ? 'one reading' : `${count} readings`}${clearing.of.length > 1 ? ' each' : ''}; replicates on one line count.`,
      facts.howTo,
    ],
    wouldChange: 'Set it aside with “Not now”: later steps stay open to you.',
    caution: kind === 'drawWeight' ? 'scale' : null,
    thenCheck: `Type ${facts.code} and ${count > 1 ? `${COUNT_WORDS[count] ?? count} readings with spaces between` : 'the reading'}.`,
    place: ENTRY_PLACE[kind] ?? 'bow',
    action: { kind: 'enterReading', entryText: `${facts.code} ` },
    doneLabel: 'Enter it',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}

function expectedWords(state: BowState, kind: ReadingKind): string | null {
  const present = presentReading(state, kind);
  if (present === null || present.fresh) return null;
  const name = lowerFirst(READINGS[kind].name);
  if (READINGS[kind].quantity === 'force')
    return `Expect ${name} about ${showWeight(present.value)}`;
  const style =
    isLateral(kind) || kind === 'restHeight'
      ? { ...state.bow, lengthUnit: 'mm' as const }
      : state.bow;
  return `Expect ${name} ${showReading(kind, present.value, state.bow)} ± ${showPlusMinus(present.plusMinus, style)}`;
}

/** Turn something: a step whose readings lie outside its band. */
export function adjustMove(state: BowState, status: StepStatus): Move | null {
  switch (status.step.id) {
    case 'nockingPoint':
      return oneControlMove(state, status, {
        reading: 'nockingHeight',
        control: 'nockingPoint',
        place: 'nockingPoint',
        thenCheck: 'Nocking height again, locators loose until proven.',
        inOtherWords: turnsOfLocator,
      });
    case 'centreShot':
      return oneControlMove(state, status, {
        reading: 'centreShotAtPoint',
        control: shootsOffTheShelf(state.bow.school) ? 'sidePlate' : 'plungerReach',
        place: 'plunger',
        thenCheck: 'Centre shot at the point again.',
      });
    case 'restAndPlunger':
      return oneControlMove(state, status, {
        reading: 'restHeight',
        control: 'restHeight',
        place: 'plunger',
        thenCheck: 'Rest height again, then nocking height.',
      });
    case 'limbLine':
      return limbLineMove(state, status);
    default:
      return null;
  }
}

function turnsOfLocator(moveMm: number): string {
  const turns = locatorTurns(Math.abs(moveMm), USUAL_SERVING_THREAD_MM);
  return `A tied locator climbs one serving thread a turn: about ${showExact(turns, 0)} ${turns === 1 ? 'turn' : 'turns'} with a ${USUAL_SERVING_THREAD_MM} mm thread, a rule of thumb.`;
}
