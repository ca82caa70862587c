import { CONTROL_FACTS } from '../craft/controls.ts';
import { READINGS } from '../craft/readings.ts';
import { presentReading, presentWeightN } from '../gains/present-reading.ts';
import { priorGain } from '../gains/prior-gains.ts';
import { showLength, showNumber } from '../quantity/show.ts';
import type { BowState } from '../record/fold.ts';
import { changeMove } from './change-move.ts';
import { clamp, type Move, nearestInside } from './move.ts';
import { beyondBand, type StepStatus } from './step-states.ts';
import { targetFor } from './targets.ts';
import { twistRange, twistsNow } from './twists.ts';

/** Twists that bring brace height into its band, inside what the string can hold. */
export function braceMove(state: BowState, status: StepStatus): Move | null {
  const present = presentReading(state, 'braceHeight');
  const target = targetFor(state, 'braceHeight');
  if (present === null || target === null) return null;
  const gain = priorGain('braceHeight', 'twists', presentWeightN(state)).mean;
  const wanted = nearestInside(present.value, target, READINGS.braceHeight.tolerance);
  const room = twistRoom(state);
  const twists = clamp(Math.round((wanted - present.value) / gain), -room.out, room.in);
  if (twists === 0) return otherStringMove(state, status, wanted > present.value);
  const beyondLimit = target.limit !== null && beyondBand(present.value, target.limit) !== 0;
  return changeMove(state, status, new Map([['twists', twists]]), 'string', {
    reading: 'braceHeight',
    problem: `Brace stands ${showLength(present.value, state.bow)}, ${status.words}: ${showLength(target.low, state.bow)} to ${showLength(target.high, state.bow)} (${target.name}).`,
    stop: beyondLimit,
    thenCheck: 'Brace, three readings. Then tiller and nocking height.',
    gainWords: `One twist moves brace about ${showNumber(gain, 1)} mm on bows like this; anything from 0.35 to 1.8 is normal.`,
  });
}

/** Twists that may still go in or out, and no more than is sensible in one string-off. */
function twistRoom(state: BowState): { readonly in: number; readonly out: number } {
  const most = CONTROL_FACTS.twists.largest;
  const now = twistsNow(state);
  if (now === null) return { in: most, out: most };
  const range = twistRange(state.bow);
  return {
    in: clamp(range.most - now, 0, most),
    out: clamp(now - range.fewest, 0, most),
  };
}

/** The string has no twists left to give or take. */
function otherStringMove(state: BowState, status: StepStatus, shorter: boolean): Move {
  const { fewest, most } = twistRange(state.bow);
  return {
    key: 'otherString',
    step: status.step.id,
    title: shorter ? 'A shorter string' : 'A longer string',
    expect: null,
    why: `Brace is ${status.words}, and this string may hold only ${fewest} to ${most} twists.`,
    reasons: [
      shorter ? 'More twists would strain the string.' : 'With fewer twists the strands separate.',
    ],
    wouldChange: 'A fresh count of the twists.',
    caution: 'unstring',
    thenCheck: 'With the new string everything from nock fit on is checked again.',
    place: 'string',
    action: { kind: 'enterReading', entryText: 'b ' },
    doneLabel: 'Enter brace again',
    likelyAfter: null,
    stop: status.words === 'outside the limits',
  };
}
