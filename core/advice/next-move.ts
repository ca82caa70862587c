import {
  BRACE_REFERENCE_LABEL,
  HAND_LABEL,
  hasAdjustableBolts,
  HOOK_LABEL,
  PURPOSE_LABEL,
} from '../craft/bow-terms.ts';
import { stepLists } from '../craft/checklists.ts';
import { lowerFirst, upperFirst } from '../craft/letter-case.ts';
import { SESSION_KIND_FACTS } from '../craft/session-kinds.ts';
import type { StepId } from '../craft/steps.ts';
import { presentReading } from '../gains/present-reading.ts';
import { instantMs } from '../quantity/instant.ts';
import type { BowState } from '../log/bow-state.ts';
import { bareShaftEvidence, sessionVerdict } from '../bare-shaft/bare-shaft-evidence.ts';
import { fineTuningMove } from './fine-tuning-move.ts';
import { walkBackMove } from './walk-back-move.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { bareShaftMove } from './bare-shaft-moves.ts';
import { adjustMove, measureMove } from './bench-moves.ts';
import type { Move, OtherMove } from './move.ts';
import { plainMove } from './plain-move.ts';
import { stepWords } from '../words/step-words.ts';
import { countedBand } from '../setup/counted-band.ts';
import { setupMove } from './setup-moves.ts';
import { beyondBand, type StepStatus, stepStates } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';
import { boltsOutNow, boltTravel } from '../limits/bolt-limits.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import type { ShootingBar } from '../limits/limit-refusal.ts';
import { barWords } from '../words/limit-words.ts';
import { shootingBars } from '../limits/shooting-bars.ts';
import { stopMove } from './stop-moves.ts';

/** A move set aside stays aside for the day: through the longest one, and not into the next. */
const ASIDE_MS = 16 * 3_600_000;
/** An open session speaks for “now” this long after its last shot. */
const SESSION_MS = 12 * 3_600_000;

/**
 * The one next move: a pure function of the bow's state and the time.
 *
 * A hard limit passed comes first. While shots are being shot, the butt speaks: tuners may work out
 * of order and are told what is still open before it. Otherwise the first step in the order of work
 * that is open, stale or out of band.
 *
 * @param nowMs milliseconds since 1970
 * @returns null when every step holds: the bow is done
 */
export function nextMove(state: BowState, nowMs: number): Move | null {
  const steps = stepStates(state);
  const stop = stopMove(state, steps);
  if (stop !== null) return stop;
  const [bar] = shootingBars(state);
  const allowed = (move: Move | null): Move | null => {
    const may = move === null ? null : withinLimits(state, move);
    if (may === null || isAside(state, may, nowMs)) return null;
    return bar !== undefined && isShooting(may) ? barMove(state, steps, bar) : may;
  };

  const atTheButt = bar === undefined ? allowed(buttMove(state, steps, nowMs)) : null;
  if (atTheButt !== null) return atTheButt;

  const string = allowed(newStringMove(state, steps));
  if (string !== null) return string;

  for (const status of steps) {
    if (status.state === 'skipped') continue;
    if (status.step.id === LAST_OF_SETUP) {
      const together = allowed(setupBlockMove(state, steps));
      if (together !== null) return together;
    }
    if (status.state === 'holds' && status.step.id !== 'bareShaft') continue;
    const move = allowed(moveForStep(state, status));
    if (move !== null) return move;
  }
  return bar === undefined ? null : barMove(state, steps, bar);
}

/** A move as far as the limits let it be proposed; null when they do not. */
function withinLimits(state: BowState, move: Move): Move | null {
  const refused = (changes: OtherMove['changes']) => checkChanges(state, changes) !== null;
  if (move.action.kind === 'change' && refused(move.action.changes)) return null;
  const { runnerUp, likelyAfter } = move;
  return {
    ...move,
    runnerUp: runnerUp === null || refused(runnerUp.changes) ? null : runnerUp,
    likelyAfter: likelyAfter === null ? null : withinLimits(state, likelyAfter),
  };
}

function isShooting({ action }: Move): boolean {
  return action.kind === 'shootEnd' || action.kind === 'fireShots';
}

/** What has to be seen to before a shot, even when it was set aside. */
function barMove(state: BowState, steps: readonly StepStatus[], bar: ShootingBar): Move | null {
  const stepOf: Readonly<Record<ShootingBar, StepId>> = {
    stop: 'inspect',
    notAssembled: 'inspect',
    nockFitOpen: 'nockFit',
    braceUnread: 'roughBrace',
  };
  const status = steps.find(({ step }) => step.id === stepOf[bar]);
  if (status === undefined) return null;
  const move =
    bar === 'braceUnread'
      ? measureMove(state, { ...status, missing: ['braceHeight'] })
      : moveForStep(state, status);
  return move === null ? null : { ...move, reasons: [barWords(bar), ...move.reasons] };
}

/** Draw weight, brace and tiller move each other: all are read before any is corrected. */
const SETUP_STEPS: readonly StepId[] = ['drawWeight', 'roughBrace', 'roughTiller'];
const LAST_OF_SETUP: StepId = 'roughTiller';

/** Once all three have been read: the one move that brings them in together. */
function setupBlockMove(state: BowState, steps: readonly StepStatus[]): Move | null {
  const block = steps.filter(({ step }) => SETUP_STEPS.includes(step.id));
  if (block.some((status) => status.missing.length > 0)) return null;
  const out = block.find((status) => status.state === 'outOfBand');
  const worst = out ?? block[0];
  if (worst === undefined) return null;
  const move = setupMove(state, worst) ?? asBuiltMove(state, worst);
  // Twists alone mend neither tiller nor weight: with the bolts counted there is more to turn.
  const wantsBolts = block.some(
    ({ state: how, step }) => how === 'outOfBand' && step.id !== 'roughBrace',
  );
  return (wantsBolts ? countBoltsMove(state, worst) : null) ?? move;
}

/**
 * After a new string: its brace before the bow is drawn for anything, and then the way back to the
 * bow's own height. Nock fit comes first, by the order of work.
 */
function newStringMove(state: BowState, steps: readonly StepStatus[]): Move | null {
  if (state.stringTurns.length < 2) return null;
  const status = steps.find(({ step }) => step.id === 'roughBrace');
  const bars = shootingBars(state);
  if (status === undefined || bars.includes('notAssembled') || bars.includes('nockFitOpen'))
    return null;
  if (bars.includes('braceUnread'))
    return measureMove(state, { ...status, missing: ['braceHeight'] });
  const own = targetFor(state, 'braceHeight');
  const present = presentReading(state, 'braceHeight');
  if (own?.source !== 'this bow' || present === null || !present.fresh) return null;
  if (beyondBand(present.value, countedBand(state, 'braceHeight', own)) === 0) return null;
  return setupMove(state, status);
}

function isAside(state: BowState, move: Move, nowMs: number): boolean {
  return state.setAside.some(
    ({ moveKey, at }) => moveKey === move.key && nowMs - instantMs(at) < ASIDE_MS,
  );
}

function moveForStep(state: BowState, status: StepStatus): Move | null {
  const { step } = status;
  if (step.clearing.by === 'verdict') {
    const { session, verdict } = bareShaftEvidence(state, 'bareShaftVertical');
    return bareShaftMove(state, session, verdict);
  }
  if (status.missing.length > 0) return countMove(state, status) ?? measureMove(state, status);
  if (SETUP_STEPS.includes(step.id)) return null;
  if (status.state === 'outOfBand') return adjustMove(state, status);
  if (step.clearing.by === 'readings') {
    return step.clearing.look === null ? null : confirmMove(status, step.clearing.look);
  }
  if (step.clearing.by === 'shots') return shootInMove(status, step.clearing.count);
  if (stepLists(step.id).length > 0) return listMove(status, step.clearing.ask);
  if (step.id === 'purpose') return factsMove(state, status);
  return confirmMove(status, step.clearing.ask);
}

/** A bow just put together: twists and bolt turns are counted before anything is turned. */
function countMove(state: BowState, status: StepStatus): Move | null {
  if (!state.bow.inParts || status.step.id !== SETUP_STEPS[0]) return null;
  if (state.positions.twists === null) {
    return {
      ...stepMove(status, 'Count the twists in the string'),
      key: 'count:twists',
      why: 'What a twist does grows with the twists already in, and the string has limits: 0.25 to 0.8 an inch.',
      thenCheck: 'Type tc and the count.',
      place: 'string',
      action: { kind: 'enterReading', entryText: 'tc ' },
      doneLabel: 'Enter it',
    };
  }
  return countBoltsMove(state, status);
}

/** Before a bolt is turned somebody has to know where it stands. */
function countBoltsMove(state: BowState, status: StepStatus): Move | null {
  if (!hasAdjustableBolts(state.bow.school) || boltsOutNow(state) !== null) return null;
  const travel = boltTravel(state.bow);
  return {
    ...stepMove(status, 'Count the turns both bolts stand out'),
    key: 'count:bolts',
    why: `Gently in to the stop, then out to the middle. The limits are counted from there: ${travel.turns} turns${travel.guessed ? ', a guess; the maker’s figure wins' : ' by the maker'}.`,
    caution: 'bolts',
    thenCheck: 'Type bo and the turns out, top and bottom if they differ.',
    place: 'topLimb',
    action: { kind: 'enterReading', entryText: 'bo ' },
    doneLabel: 'Enter it',
  };
}

/** Off the shelf, weight and tiller are as built: said once, not turned. */
function asBuiltMove(state: BowState, status: StepStatus): Move | null {
  if (hasAdjustableBolts(state.bow.school) || status.state !== 'outOfBand') return null;
  if (status.step.id === 'roughBrace') return null;
  return {
    ...stepMove(status, `${status.step.name} is as built`),
    key: `asBuilt:${status.step.id}`,
    why: `It is ${stepWords(status)}, and this bow’s bolts are for assembly only. Tune what can be moved: twists, nocking point, arrow.`,
    wouldChange: 'A limb pad or another limb: work for a bow technician.',
    doneLabel: 'Understood',
  };
}

/** What is to be confirmed is said, and opens to be put right. */
function factsMove({ bow }: BowState, status: StepStatus): Move {
  const facts = [
    HAND_LABEL[bow.hand],
    `hook ${HOOK_LABEL[bow.hook]}`,
    `for ${PURPOSE_LABEL[bow.purpose]}`,
    `brace read ${BRACE_REFERENCE_LABEL[bow.braceReference]}`,
  ];
  return {
    ...confirmMove(status, upperFirst(`${facts.join(', ')}.`)),
    action: { kind: 'openStep', step: status.step.id },
    doneLabel: 'Look at them',
  };
}

function listMove(status: StepStatus, ask: string): Move {
  return {
    ...confirmMove(status, ask),
    action: { kind: 'openStep', step: status.step.id },
    doneLabel: 'Go through the list',
  };
}

/** The move the butt asks for while a session is open and fresh; says what is still open before it. */
function buttMove(state: BowState, steps: readonly StepStatus[], nowMs: number): Move | null {
  const session = state.sessions.findLast(({ closed }) => !closed);
  if (session === undefined) return null;
  const lastAt = session.shots.at(-1)?.at ?? session.openedAt;
  if (nowMs - instantMs(lastAt) > SESSION_MS) return null;
  const move = sessionMove(state, session);
  if (move === null) return null;
  const open = openBefore(steps, SESSION_KIND_FACTS[session.sessionKind].step);
  if (open.length === 0) return move;
  const words = `Not settled before it: ${open.map((status) => lowerFirst(status.step.name)).join(', ')}.`;
  return { ...move, reasons: [...move.reasons, words] };
}

/** What a session of each kind asks for. */
function sessionMove(state: BowState, session: ShootingSession): Move | null {
  switch (session.sessionKind) {
    case 'bareShaft':
      return session.shots.length === 0
        ? null
        : bareShaftMove(state, session, sessionVerdict(state, session));
    case 'walkBack':
      return walkBackMove(state, session);
    case 'fineTuning':
      return fineTuningMove(state, session);
  }
}

function openBefore(steps: readonly StepStatus[], id: StepId): readonly StepStatus[] {
  const end = steps.findIndex((status) => status.step.id === id);
  return steps.slice(0, Math.max(0, end)).filter((status) => status.state !== 'holds');
}

function isUntouched({ state, begun }: StepStatus): boolean {
  return state === 'toDo' && !begun;
}

function shootInMove(status: StepStatus, needed: number): Move {
  const half = Math.ceil(needed / 2);
  return {
    ...stepMove(status, `Shoot in: ${half} shots`),
    why: `${status.step.why} ${isUntouched(status) ? '' : `So far ${stepWords(status)}.`}`.trim(),
    thenCheck: 'Brace height after 20, 50 and 100 shots.',
    place: 'string',
    action: { kind: 'fireShots', count: half },
    doneLabel: `${half} shots shot`,
  };
}

function confirmMove(status: StepStatus, ask: string): Move {
  return {
    ...stepMove(status, status.step.name),
    expect: ask,
    why:
      status.step.clearing.by === 'readings'
        ? `Measured; a look that no tool replaces is still to come. ${status.step.why}`
        : status.state === 'stale'
          ? `It is ${stepWords(status)}. ${status.step.why}`
          : status.step.why,
    action: { kind: 'confirmStep', step: status.step.id },
    doneLabel: 'It is so',
  };
}

function stepMove(status: StepStatus, title: string): Move {
  return {
    ...plainMove(status.step.id, title),
    key: `step:${status.step.id}`,
    why: status.step.why,
    reasons: [`Order of work: ${lowerFirst(status.step.why)}`],
    caution: status.step.caution,
    place: 'bow',
  };
}
