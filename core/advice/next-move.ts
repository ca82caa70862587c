import { hasAdjustableBolts } from '../craft/bow-terms.ts';
import { stepLists } from '../craft/checklists.ts';
import { SESSION_KIND_FACTS } from '../craft/session-kinds.ts';
import { SETUP_STEPS, type StepId } from '../craft/steps.ts';
import { presentReading } from '../gains/present-reading.ts';
import { instantMs } from '../quantity/instant.ts';
import type { BowState } from '../log/bow-state.ts';
import { bareShaftEvidence, sessionVerdict } from '../bare-shaft/bare-shaft-evidence.ts';
import { fineTuningMove } from './fine-tuning-move.ts';
import { walkBackMove } from './walk-back-move.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { bareShaftMove } from './bare-shaft-moves.ts';
import { braceSearchMove, openSearchMove, ownOpenSearch } from './brace-search-move.ts';
import { adjustMove, measureMove } from './bench-moves.ts';
import { marksMove, openMarksMove } from './marks-move.ts';
import type { ChangeList, Move } from './move.ts';
import { stepMove } from './plain-move.ts';
import { countBoltsMove, countMove } from './count-moves.ts';
import { landingMove } from './landing-move.ts';
import { openProofMove, proofMove } from './proof-move.ts';
import { shaftMove } from './shaft-move.ts';
import { countedBand } from '../setup/counted-band.ts';
import { setupMove } from './setup-moves.ts';
import { beyondBand, type StepStatus, stepStates } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import type { ShootingBar } from '../limits/limit-refusal.ts';
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

  const atTheButt = bar === undefined ? allowed(presentWorkMove(state, steps, nowMs)) : null;
  if (atTheButt !== null) return atTheButt;

  const landing = allowed(landingMove(state));
  if (landing !== null) return landing;

  const string = allowed(newStringMove(state, steps));
  if (string !== null) return string;

  for (const status of steps) {
    const crawl = allowed(crawlMove(state, steps, status));
    if (crawl !== null) return crawl;
    if (status.state === 'skipped') continue;
    if (status.step.id === LAST_OF_SETUP) {
      const together = allowed(setupBlockMove(state, steps, nowMs));
      if (together !== null) return together;
    }
    if (status.state === 'holds') continue;
    const shaft = allowed(shaftMove(state, steps, status));
    if (shaft !== null) return shaft;
    const move = allowed(moveForStep(state, status));
    if (move !== null) return move;
  }
  return bar === undefined ? null : barMove(state, steps, bar);
}

/** A move as far as the limits let it be proposed; null when they do not. */
function withinLimits(state: BowState, move: Move): Move | null {
  const refused = (changes: ChangeList) => checkChanges(state, changes) !== null;
  if (move.action.kind === 'change' && refused(move.action.changes)) return null;
  const { runnerUp, likelyAfter } = move;
  return {
    ...move,
    runnerUp: runnerUp === null || refused(runnerUp.changes) ? null : runnerUp,
    likelyAfter: likelyAfter === null ? null : withinLimits(state, likelyAfter),
  };
}

function isShooting({ action }: Move): boolean {
  return ['shootEnd', 'fireShots', 'shootNearer', 'openSession'].includes(action.kind);
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
      ? measureMove({ ...status, missing: ['braceHeight'] })
      : moveForStep(state, status);
  return move === null ? null : { ...move, bar };
}

const LAST_OF_SETUP: StepId = 'roughTiller';

/**
 * Once all three have been read, or were passed over: the one move that brings them in together. Who has
 * no scale sets the weighing aside; brace and tiller are set up all the same.
 */
function setupBlockMove(state: BowState, steps: readonly StepStatus[], nowMs: number): Move | null {
  const all = steps.filter(({ step }) => SETUP_STEPS.includes(step.id));
  const isPassedOver = (status: StepStatus) => {
    if (status.step.id === 'roughBrace') return false;
    const measure = measureMove(status);
    return status.state === 'skipped' || (measure !== null && isAside(state, measure, nowMs));
  };
  const block = all.filter((status) => status.missing.length === 0 || !isPassedOver(status));
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
 * After a new string, or other limbs: its brace before the bow is drawn for anything, and then the way back to the
 * bow's own height. Nock fit comes first, by the order of work.
 */
function newStringMove(state: BowState, steps: readonly StepStatus[]): Move | null {
  if (state.stringTurns.length < 2) return null;
  const status = steps.find(({ step }) => step.id === 'roughBrace');
  const bars = shootingBars(state);
  if (status === undefined || bars.includes('notAssembled') || bars.includes('nockFitOpen'))
    return null;
  if (bars.includes('braceUnread')) return measureMove({ ...status, missing: ['braceHeight'] });
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
    const { session, verdict } = bareShaftEvidence(state);
    return bareShaftMove(state, session, verdict);
  }
  if (status.missing.length > 0) return countMove(state, status) ?? measureMove(status);
  if (SETUP_STEPS.includes(step.id)) return null;
  if (status.state === 'outOfBand') return adjustMove(state, status);
  if (step.clearing.by === 'readings') {
    return step.clearing.look === null ? null : confirmMove(status, 'look');
  }
  if (step.clearing.by === 'shots') return shootInMove(status, step.clearing.count);
  if (step.id === 'braceSearch') {
    const search = ownOpenSearch(state);
    return (search === null ? null : braceSearchMove(state, search)) ?? openSearchMove(status);
  }
  if (step.id === 'sightMarks') return openMarksMove(state, status);
  if (stepLists(step.id).length > 0) return openListMove(status, 'list');
  if (step.id === 'purpose') return openListMove(status, 'facts');
  if (step.id === 'proof' && state.bow.purpose === 'hunting') return openProofMove('broadhead');
  return confirmMove(status, 'look');
}

/** Who walks the string begins at another tiller and nocking height: by how far, is asked before them. */
function crawlMove(
  { bow }: BowState,
  steps: readonly StepStatus[],
  status: StepStatus,
): Move | null {
  if (bow.hook !== 'stringWalk' || bow.crawlMm !== undefined) return null;
  const wanted = steps.some(
    ({ step, state: how }) =>
      (step.id === 'roughTiller' || step.id === 'nockingPoint') && how !== 'holds',
  );
  if (status.step.id !== SETUP_STEPS[0] || !wanted) return null;
  return {
    ...stepMove(status, { topic: 'askCrawl', status }),
    key: 'ask:crawl',
    caution: null,
    place: 'nockingPoint',
    action: { kind: 'enterReading', entryText: 'cr ' },
  };
}

/** Off the shelf, weight and tiller are as built: said once, not turned. */
function asBuiltMove(state: BowState, status: StepStatus): Move | null {
  if (hasAdjustableBolts(state.bow.school) || status.state !== 'outOfBand') return null;
  if (status.step.id === 'roughBrace') return null;
  return {
    ...stepMove(status, { topic: 'asBuilt', status }),
    key: `asBuilt:${status.step.id}`,
  };
}

/** What is to be confirmed is a list to go through, or facts that open to be put right. */
function openListMove(status: StepStatus, ask: 'list' | 'facts'): Move {
  return { ...confirmMove(status, ask), action: { kind: 'openStep', step: status.step.id } };
}

/** What is being worked on just now: a search or a session, whichever something was last written of. */
function presentWorkMove(
  state: BowState,
  steps: readonly StepStatus[],
  nowMs: number,
): Move | null {
  const search = ownOpenSearch(state);
  const session = state.sessions.findLast(({ closed }) => !closed);
  const searchAt = search === null ? Number.NEGATIVE_INFINITY : instantMs(search.lastAt);
  const isSearch =
    nowMs - searchAt <= SESSION_MS &&
    (session === undefined || searchAt >= instantMs(session.shots.at(-1)?.at ?? session.openedAt));
  return (
    (search !== null && isSearch ? braceSearchMove(state, search) : null) ??
    buttMove(state, steps, nowMs)
  );
}

/** The move the butt asks for while a session is open and fresh; says what is still open before it. */
function buttMove(state: BowState, steps: readonly StepStatus[], nowMs: number): Move | null {
  const session = state.sessions.findLast(({ closed }) => !closed);
  if (session === undefined) return null;
  const lastAt = session.shots.at(-1)?.at ?? session.openedAt;
  if (nowMs - instantMs(lastAt) > SESSION_MS) return null;
  const move = sessionMove(state, session);
  if (move === null || isNoted(steps, move)) return null;
  const open = openBefore(steps, SESSION_KIND_FACTS[session.sessionKind].step);
  return { ...move, openBefore: open.map(({ step }) => step.id) };
}

/** What a session came to was written down already: it asks no more. */
function isNoted(steps: readonly StepStatus[], { action }: Move): boolean {
  return (
    action.kind === 'confirmStep' &&
    steps.some(({ step, state }) => step.id === action.step && state === 'holds')
  );
}

/** What a session of each kind asks for. */
function sessionMove(state: BowState, session: ShootingSession): Move | null {
  switch (session.sessionKind) {
    case 'bareShaft':
      return session.shots.length === 0
        ? null
        : (landingMove(state) ?? bareShaftMove(state, session, sessionVerdict(state, session)));
    case 'walkBack':
      return walkBackMove(state, session);
    case 'fineTuning':
      return fineTuningMove(state, session);
    case 'marks':
      return marksMove(state);
    case 'proof':
      return proofMove(state, session);
  }
}

function openBefore(steps: readonly StepStatus[], id: StepId): readonly StepStatus[] {
  const end = steps.findIndex((status) => status.step.id === id);
  return steps.slice(0, Math.max(0, end)).filter((status) => status.state !== 'holds');
}

function shootInMove(status: StepStatus, needed: number): Move {
  const shots = Math.ceil(needed / 2);
  return {
    ...stepMove(status, { topic: 'shootIn', status, shots }),
    place: 'string',
    action: { kind: 'fireShots', count: shots },
  };
}

function confirmMove(status: StepStatus, ask: 'look' | 'list' | 'facts'): Move {
  return {
    ...stepMove(status, { topic: 'confirm', status, ask }),
    action: { kind: 'confirmStep', step: status.step.id },
  };
}
