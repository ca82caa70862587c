import { type Control, CONTROL_FACTS } from '#core/craft/controls.ts';
import { READING_KINDS, type ReadingKind, READINGS } from '#core/craft/readings.ts';
import type { Upset } from '#core/craft/upsets.ts';
import { presentReading } from '#core/gains/present-reading.ts';
import { shootingBars } from '#core/limits/shooting-bars.ts';
import { stopsOf } from '#core/limits/stops.ts';
import { BARE_SHAFT_AXES, type BareShaftAxis } from '#core/priors/prior-gains.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { AxisVerdict } from '#core/groups/axis-verdict.ts';
import { bareShaftEvidence, newestBareShaft } from '#core/bare-shaft/bare-shaft-evidence.ts';
import type { MoveBecause } from '#core/advice/move-because.ts';
import type { Move } from '#core/advice/move.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { planSetup, type SetupOption } from '#core/setup/plan-setup.ts';
import { remediesFor, remedyEffect } from '#core/bare-shaft/remedies.ts';
import { stepStates } from '#core/order/step-states.ts';
import { targetFor } from '#core/setup/targets.ts';

/** What may be asked of a bow. */
export const QUESTIONS = ['state', 'steps', 'verdict', 'advice', 'remedies', 'plan'] as const;
export type Question = (typeof QUESTIONS)[number];

/**
 * Answers as data: numbers with their unit in their name, ids of steps, readings and controls. The
 * sentences the views show are made of the same; none is needed to understand these.
 */
export const ANSWERS: Readonly<Record<Question, (state: BowState, nowMs: number) => unknown>> = {
  state: stateAnswer,
  steps: stepsAnswer,
  verdict: verdictAnswer,
  advice: (state, nowMs) => adviceAnswer(nextMove(state, nowMs)),
  remedies: remediesAnswer,
  plan: planAnswer,
};

const UNIT_OF_READING = { length: 'Mm', force: 'N' } as const;

function stateAnswer(state: BowState): unknown {
  const readings = READING_KINDS.flatMap((reading) => {
    const present = presentReading(state, reading);
    if (present === null) return [];
    const unit = UNIT_OF_READING[READINGS[reading].quantity];
    const target = targetFor(state, reading);
    return [
      {
        reading,
        [`value${unit}`]: present.value,
        [`plusMinus${unit}`]: present.plusMinus,
        isFresh: present.fresh,
        readAt: present.measured.at,
        band:
          target === null
            ? null
            : { [`low${unit}`]: target.low, [`high${unit}`]: target.high, source: target.source },
      },
    ];
  });
  return {
    bow: state.bow,
    readings,
    positions: state.positions,
    moved: [...state.moved].map(([control, amount]) => changeData(control, amount)),
    stops: stopsOf(state),
    shootingBars: shootingBars(state),
    sessions: state.sessions.map(({ sessionId, sessionKind, distanceM, shots, closed }) => ({
      sessionId,
      sessionKind,
      distanceM,
      shots: shots.length,
      closed,
    })),
    entriesUnreadable: state.unreadable,
    lastAt: state.lastAt,
  };
}

function stepsAnswer(state: BowState): unknown {
  return stepStates(state).map(({ step, state: how, missing, clearedAt, upsetBy }) => ({
    step: step.id,
    state: how,
    readingsMissing: missing,
    clearedAt,
    upsetBy: upsetBy.map(upsetData),
  }));
}

function upsetData(upset: Upset): unknown {
  return upset.kind === 'change'
    ? { kind: upset.kind, ...changeData(upset.control, upset.amount) }
    : { kind: upset.kind, item: upset.item };
}

function verdictAnswer(state: BowState): unknown {
  const { session, verdict } = bareShaftEvidence(state);
  if (session === null || verdict === null) return null;
  return {
    sessionId: session.sessionId,
    distanceM: session.distanceM,
    outward: axisData(verdict.outward),
    up: axisData(verdict.up),
    shotsCounted: verdict.counted,
    ends: verdict.ends,
    seenOnly: { outward: verdict.seen.outward, up: verdict.seen.up },
    isScattered: verdict.scattered,
    farOutShotIds: verdict.farOutShotIds,
    isDone: verdict.done,
  };
}

function axisData(axis: AxisVerdict): unknown {
  const { call, holds, done, offsetMm, plusMinusMm, odds, toleranceMm } = axis;
  return { call, holds, isDone: done, offsetMm, plusMinusMm, toleranceMm, chances: odds };
}

/** The next move: what to do, why, where, whether it is a stop, and the next best; null: every step holds. */
function adviceAnswer(move: Move | null): unknown {
  if (move === null) return null;
  const { key, step, because, stop, bar, openBefore, place, caution, action } = move;
  const { runnerUp, likelyAfter } = move;
  return {
    key,
    step,
    why: reasonData(because),
    isStop: stop !== null,
    stop,
    bar,
    stepsOpenBefore: openBefore,
    place,
    caution,
    action:
      action.kind === 'change'
        ? { kind: action.kind, changes: changesData(action.changes) }
        : action,
    nextBest: runnerUp === null ? null : { changes: changesData(runnerUp.changes) },
    likelyAfter: adviceAnswer(likelyAfter),
  };
}

/** What a move is proposed for, and what the reading or the bare shafts should be after it. */
function reasonData(because: MoveBecause): object {
  const { topic } = because;
  switch (because.topic) {
    case 'measure':
      return { topic, reading: because.reading };
    case 'oneControl': {
      const { reading, now, after } = because;
      return { topic, reading, now: valueData(reading, now), expected: valueData(reading, after) };
    }
    case 'setup':
      return {
        topic,
        outOfBand: because.missed.map(({ goal }) => goal.id),
        expected: optionData(because.option),
      };
    case 'bareShaftMend': {
      const { axis, remedy } = because;
      const { before, after } = remedy;
      return {
        topic,
        axis,
        now: remedyEffect.standing(before),
        expected: remedyEffect.standing(after),
      };
    }
    case 'bareShaftSpent':
      return { topic, axis: because.axis };
    case 'bareShaftWait':
    case 'bareShaftBlame':
      return { topic, reason: because.decision.why };
    case 'bareShaftShoot':
      return { topic, reason: because.why };
    case 'fineTuning':
      return { topic, reason: because.wants };
    case 'makeSafe':
      return { topic, by: because.by };
    default:
      return { topic };
  }
}

function valueData(
  reading: ReadingKind,
  { value, plusMinus }: { readonly value: number; readonly plusMinus: number },
): object {
  const unit = UNIT_OF_READING[READINGS[reading].quantity];
  return { [`value${unit}`]: value, [`plusMinus${unit}`]: plusMinus };
}

function remediesAnswer(state: BowState): unknown {
  const session = newestBareShaft(state);
  if (session === null) return null;
  const axis = (one: BareShaftAxis) =>
    remediesFor(state, session, one).map(({ amounts, before, after, worth, reversible }) => ({
      changes: [...amounts].map(([control, amount]) => changeData(control, amount)),
      chanceInsideBefore: before.odds.inside,
      chanceInsideAfter: after.odds.inside,
      worth,
      isReversible: reversible,
    }));
  return Object.fromEntries(BARE_SHAFT_AXES.map((one) => [one, axis(one)]));
}

function planAnswer(state: BowState): unknown {
  const { goals, chanceNow, best, runnerUp } = planSetup(state);
  return {
    goals: goals.map(({ id, low, high }) => {
      const unit = unitOfGoal(id);
      return { goal: id, [`low${unit}`]: low, [`high${unit}`]: high };
    }),
    chanceInBandNow: chanceNow,
    best: optionData(best),
    nextBest: optionData(runnerUp),
  };
}

function unitOfGoal(id: string): 'Mm' | 'N' {
  return id === 'drawWeight' ? 'N' : 'Mm';
}

function optionData(option: SetupOption | null): unknown {
  if (option === null) return null;
  return {
    changes: changesData(option.changes),
    chanceInBand: option.chance,
    expected: [...option.expected].map(([id, { mean, plusMinus }]) => {
      const unit = unitOfGoal(id);
      return { goal: id, [`value${unit}`]: mean, [`plusMinus${unit}`]: plusMinus };
    }),
  };
}

type Changes = readonly { readonly control: Control; readonly amount: number }[];

function changesData(changes: Changes): readonly unknown[] {
  return changes.map(({ control, amount }) => changeData(control, amount));
}

const UNIT_OF_CONTROL = { twist: 'Twists', turn: 'Turns', mm: 'Mm', g: 'G' } as const;

/** + is in, up, outward, stiffer, heavier, cut off. */
function changeData(control: Control, amount: number): object {
  return { control, [`amount${UNIT_OF_CONTROL[CONTROL_FACTS[control].unit]}`]: amount };
}
