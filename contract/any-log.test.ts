import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CONTROLS } from '#core/craft/controls.ts';
import { READING_KINDS } from '#core/craft/readings.ts';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { gainOf } from '#core/gains/learned-gains.ts';
import { presentReading } from '#core/gains/present-reading.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { stateForSession } from '#core/log/as-of.ts';
import { backUpOf } from '#core/setup/back-up.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { readShots } from '#core/groups/read-shots.ts';
import { writeShots } from '#core/groups/shots-csv.ts';
import { stepWords } from '#core/words/step-words.ts';
import { verdictWords } from '#core/words/verdict-words.ts';
import { sessionVerdict } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { comparisonNotes } from '#core/words/comparison-notes.ts';
import { fineTuningStanding } from '#core/fine-tuning/fine-tuning-standing.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { speakMoveOrNull, type SpokenMove } from '#core/words/moves/speak-move.ts';
import { sessionEvidence } from '#core/bare-shaft/session-evidence.ts';
import { stepStates } from '#core/order/step-states.ts';
import { walkBackStanding } from '#core/walk-back/walk-back-standing.ts';
import { loggedEntrySchema } from './entry.ts';
import { anyLog, MINUTE_MS, START_MS, uuid } from './fixtures/any-log.ts';

function opened(log: readonly LoggedEntry[]): BowState {
  const state = foldLog(log);
  if (state === null) throw new Error('the log did not open');
  return state;
}

/** Every text and number of an answer, however deep. */
function* leaves(answer: unknown): Generator<string | number> {
  if (typeof answer === 'string' || typeof answer === 'number') yield answer;
  else if (answer instanceof Map || answer instanceof Set) yield* leaves([...answer]);
  else if (answer !== null && typeof answer === 'object')
    for (const inner of Object.values(answer)) yield* leaves(inner);
}

/** Nothing a tuner would read as a fault of the program. */
function expectSense(what: string, answer: unknown): void {
  for (const leaf of leaves(answer)) {
    const isSense =
      typeof leaf === 'number'
        ? Number.isFinite(leaf)
        : !/\b(NaN|undefined|null|Infinity)\b|\[object|-0(?![.\d])/.test(leaf);
    if (!isSense) expect.fail(`${what} says ${leaf}: ${JSON.stringify(answer).slice(0, 600)}`);
  }
}

/** What is shown of a move and what its button does, without the data its words are made of. */
function saidOf(move: SpokenMove | null): unknown {
  if (move === null) return null;
  const { title, expect: expected, why, reasons, wouldChange, thenCheck, doneLabel, action } = move;
  const other = [move.runnerUp?.title, move.runnerUp?.expect];
  return [title, expected, why, reasons, wouldChange, thenCheck, doneLabel, action, other];
}

describe('any log the contract lets in', () => {
  it('opens, and what is said of it holds no number that is none', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        for (const entry of log) loggedEntrySchema.parse(entry);
        const state = opened(log);
        const nowMs = START_MS + log.length * MINUTE_MS;
        expectSense('the order of work', stepStates(state).map(stepWords));
        for (const kind of READING_KINDS) {
          const now = presentReading(state, kind);
          expectSense(kind, [now?.value, now?.plusMinus]);
          for (const control of CONTROLS) expectSense(kind, gainOf(state, kind, control));
        }
        const move = speakMoveOrNull(state, nextMove(state, nowMs));
        expectSense('the next move', saidOf(move));
        expectSense('what may follow', saidOf(move?.likelyAfter ?? null));
        expectSense('a back-up', backUpOf(state, 'Second'));
        for (const one of state.sessions) {
          const then = stateForSession(state, one);
          const verdict = sessionVerdict(then, one);
          const { hand } = state.bow;
          const needed = { outward: null, up: null };
          expectSense('a verdict', verdictWords(verdict, { hand, unit: 'cm', needed }));
          for (const axis of ['bareShaftOutward', 'bareShaftUp'] as const) {
            const { plusSide, conflict } = sessionEvidence(then, one, verdict, axis);
            expectSense('the evidence', [plusSide, conflict]);
          }
          expectSense('what cannot be compared', comparisonNotes(then, one));
          expectSense('a walk-back', walkBackStanding(then, one));
          expectSense('fine tuning', fineTuningStanding(then, one));
        }
        expectSense('the entry line', readEntryLine('b 8 5/8', state));
      }),
      { numRuns: 200, seed: 1 },
    );
  });

  it('is, with an entry taken back, as if that had never been said', () => {
    fc.assert(
      fc.property(anyLog, fc.nat(), (log, pick) => {
        const place = 1 + (pick % log.length);
        const taken = log[place];
        // An undo among them may speak of what is taken out here: chains have a test of their own.
        if (taken === undefined || log.some((one) => one.body.kind === 'undone')) return;
        const undo: LoggedEntry = {
          ...log[0]!,
          id: uuid(9, 1),
          seq: log.length + 1,
          body: { kind: 'undone', entryId: taken.id },
        };
        const said = (state: BowState) => ({
          words: stepStates(state).map(stepWords),
          readings: READING_KINDS.map((kind) => presentReading(state, kind)?.value),
          positions: state.positions,
          strings: state.strings,
          moved: [...state.moved].filter(([, amount]) => amount !== 0),
          shots: state.sessions.map(({ shots }) =>
            shots.map(({ shotId, upMm, calledBad }) => [shotId, upMm, calledBad]),
          ),
          bow: state.bow,
        });
        expect(said(opened([...log, undo]))).toEqual(said(opened(log.toSpliced(place, 1))));
      }),
      { numRuns: 200, seed: 1 },
    );
  });

  it('gives its shots to a file and gets the same ones back', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        const { bow, sessions } = opened(log);
        for (const { shots } of sessions) {
          if (shots.length === 0) continue;
          const back = readShots(writeShots(shots, bow.hand), bow.hand);
          if (back.kind !== 'shots') throw new Error(`${back.says} ${back.remedy}`);
          expect(
            back.shots.map(({ arrow, calledBad, endNumber }) => [arrow, calledBad, endNumber]),
          ).toEqual(shots.map(({ arrow, calledBad, endNumber }) => [arrow, calledBad, endNumber]));
          for (const [index, { outwardMm, upMm }] of back.shots.entries()) {
            expect(Math.abs(outwardMm - shots[index]!.outwardMm)).toBeLessThanOrEqual(0.05 + 1e-9);
            expect(Math.abs(upMm - shots[index]!.upMm)).toBeLessThanOrEqual(0.05 + 1e-9);
          }
        }
      }),
      { numRuns: 100, seed: 1 },
    );
  });
});
