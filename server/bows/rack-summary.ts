import type { RackBow } from '#contract/rack.ts';
import { careList } from '#core/care/care-list.ts';
import { CARE_FACTS } from '#core/craft/care-jobs.ts';
import { stepWords } from '#core/words/step-words.ts';
import { throatBraceMm } from '#core/craft/brace-reference.ts';
import { presentReading } from '#core/gains/present-reading.ts';
import { stopWords } from '#core/words/limit-words.ts';
import { stopsOf } from '#core/limits/stops.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { speakMove } from '#core/words/moves/speak-move.ts';
import { isReadyToTune, stepStates } from '#core/order/step-states.ts';

/** Of the time only hours matter: a move set aside comes back on another day. */
const GOOD_FOR_MS = 3_600_000;
const known = new WeakMap<BowState, { readonly atMs: number; readonly summary: RackBow }>();

/** What the rack shows of a bow; worked out anew only once something was logged, or an hour later. */
export function rackSummaryOnce(state: BowState, nowMs: number): RackBow {
  const before = known.get(state);
  if (before !== undefined && Math.abs(nowMs - before.atMs) < GOOD_FOR_MS) return before.summary;
  const summary = rackSummary(state, nowMs);
  known.set(state, { atMs: nowMs, summary });
  return summary;
}

/** What the rack shows of a bow, folded from its log. */
function rackSummary(state: BowState, nowMs: number): RackBow {
  const { bow } = state;
  const steps = stepStates(state);
  const inState = (wanted: string) => steps.filter((step) => step.state === wanted).length;
  const move = nextMove(state, nowMs);
  const braceMm = presentReading(state, 'braceHeight')?.value;
  return {
    bowId: state.bowId,
    name: bow.name,
    owner: bow.owner,
    described: bow.described,
    bowKind: bow.bowKind,
    amoLengthIn: bow.amoLengthIn,
    hand: bow.hand,
    hook: bow.hook,
    purpose: bow.purpose,
    school: bow.school,
    inParts: bow.inParts && !state.readings.has('braceHeight'),
    putAway: state.putAway,
    ready: isReadyToTune(steps),
    lastAt: state.lastAt,
    braceMm: braceMm === undefined ? null : throatBraceMm(bow, braceMm),
    tillerTopMm: presentReading(state, 'tillerTop')?.value ?? null,
    tillerBottomMm: presentReading(state, 'tillerBottom')?.value ?? null,
    steps: {
      hold: inState('holds'),
      open: inState('toDo'),
      stale: inState('stale') + inState('outOfBand'),
      all: steps.length,
    },
    due: steps
      .filter((step) => step.state === 'stale' || step.state === 'outOfBand')
      .map((step) => ({ step: step.step.name, words: stepWords(step) })),
    care: (state.putAway ? [] : careList(state, nowMs))
      .filter(({ due }) => due)
      .map(({ job }) => CARE_FACTS[job].name),
    setAside: state.unreadable,
    stops: stopsOf(state).map((stop) => stopWords(stop, state).title),
    nextMove:
      move === null ? null : { title: speakMove(state, move).title, stop: move.stop !== null },
  };
}
