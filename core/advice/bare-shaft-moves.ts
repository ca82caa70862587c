import { BLAME_LIST } from '../craft/blame-list.ts';
import { movesWords } from '../craft/controls.ts';
import { showChance } from '../quantity/show.ts';
import { type BareShaftAxis, REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { AxisVerdict } from '../groups/axis-verdict.ts';
import type { BareShaftVerdict } from '../bare-shaft/bare-shaft-verdict.ts';
import { causeOf, offsetWords } from '../words/verdict-words.ts';
import {
  type BareShaftDecision,
  bareShaftDecision,
  type BlameWhy,
} from '../bare-shaft/bare-shaft-decision.ts';
import type { Move, MovePlace } from './move.ts';
import { plainMove } from './plain-move.ts';
import { type Remedy, remedyEffect } from '../bare-shaft/remedies.ts';
import { axisLines, effectWords, sideWords, whyWords } from '../words/bare-shaft-words.ts';
import { remedyKey, sideEffects } from '../words/remedy-words.ts';

/** An end that a verdict can grow on. */
const END = { fletched: 6, bare: 3 } as const;

/** What the bare shafts ask for next. Vertical before lateral; one control at a time. */
export function bareShaftMove(
  state: BowState,
  session: ShootingSession | null,
  verdict: BareShaftVerdict | null,
): Move | null {
  if (
    session === null ||
    verdict === null ||
    verdict.counted.fletched + verdict.counted.bare === 0
  ) {
    return shootMove(
      'first',
      'Shoot bare and fletched',
      'Nothing has been shot since the last change.',
      [],
      null,
    );
  }
  if (verdict.done) return null;
  const { up, outward } = verdict;
  if (up.offsetMm === null && outward.offsetMm === null) {
    return shootMove(
      'endOut',
      'Shoot the end out',
      'At least two fletched and two bare shots are needed before anything can be said.',
      [],
      null,
    );
  }
  const decision = bareShaftDecision(state, session, verdict, (remedy) =>
    isSetAside(state, remedyKey(remedy)),
  );
  return moveFor(state, session, verdict, decision);
}

function moveFor(
  state: BowState,
  session: ShootingSession,
  verdict: BareShaftVerdict,
  decision: BareShaftDecision,
): Move | null {
  switch (decision.kind) {
    case 'done':
      return null;
    case 'checkBlame':
      return blameMove(session.sessionId, decision);
    case 'mend':
      return remedyMove(state, session, decision.remedy, { ...decision, verdict });
    case 'bounce':
      return bounceMove(state, verdict, decision);
    case 'spent': {
      const axis = decision.axis === 'bareShaftUp' ? 'up' : 'outward';
      return nothingLeftMove(axis, verdict[axis], state);
    }
    case 'shoot':
      return waitMove(state, session, verdict, decision);
  }
}

const BLAME_BECAUSE: Readonly<Record<BlameWhy, string>> = {
  scattered:
    'The bare shafts scatter more than the bow can explain: form, nock fit and contact first.',
  conflict: 'What was seen disagrees with where the shafts landed: something else is at work.',
  contact: 'Marks on rest or riser: the tail touches, and a touched shaft tells nothing of spine.',
};

/** Before bow or arrow is blamed: what is to be looked at, in order. */
function blameMove(
  sessionId: string,
  { why, items }: Extract<BareShaftDecision, { kind: 'checkBlame' }>,
): Move {
  return {
    ...shootMove(
      'blame',
      'Check before blaming bow or arrow',
      BLAME_BECAUSE[why],
      BLAME_LIST.filter(({ id }) => items.includes(id)).map(({ words }) => words),
      null,
    ),
    key: 'blame',
    expect: 'Go through the list, in order',
    action: { kind: 'checkBlame', sessionId, items },
    doneLabel: 'All looked at',
  };
}

/** The tail strikes and rebounds: what looks high is far too low. */
function bounceMove(
  state: BowState,
  verdict: BareShaftVerdict,
  { raiseMm, chance }: Extract<BareShaftDecision, { kind: 'bounce' }>,
): Move {
  const changes = [{ control: 'nockingPoint', amount: raiseMm }] as const;
  return {
    ...shootMove('bounce', movesWords(changes), '', axisLines(state, verdict), null),
    key: 'mend:bounce',
    expect: 'Expect bare shafts to turn round: high first, then down as you come down',
    why: `The tail bounces: lower made it worse (${showChance(chance)} sure). It stands far too low and only looks high. Go well up, then come down.`,
    wouldChange: 'Bare shafts that rise when the nocking point is lowered.',
    caution: null,
    thenCheck: 'Powder on shelf and rest after the next end, then bare shafts again.',
    place: 'nockingPoint',
    action: { kind: 'change', changes },
    doneLabel: 'Done',
  };
}

/** Nothing may be touched yet: says which of the reasons it is. */
function waitMove(
  state: BowState,
  session: ShootingSession,
  verdict: BareShaftVerdict,
  { why, axis, likely }: Extract<BareShaftDecision, { kind: 'shoot' }>,
): Move {
  const reasons = axisLines(state, verdict);
  const likelyAfter =
    axis === null || likely === null
      ? null
      : remedyMove(state, session, likely, { verdict, axis, others: [] });
  const cause = axis === null ? '' : sideWords(axis, likely).toLowerCase();
  switch (why) {
    case 'oneMoreInside':
      return shootMove(
        'oneMore',
        'One more end, touch nothing',
        'Both axes look inside. It counts as done when a second end agrees.',
        reasons,
        null,
      );
    case 'oneLook':
      return shootMove(
        'again',
        'Shoot again, touch nothing',
        `One look says ${cause}. One end proves nothing; two that agree do.`,
        reasons,
        likelyAfter,
      );
    case 'verticalFirst':
      return shootMove(
        'again',
        'Shoot again, touch nothing',
        `Across it looks ${cause}, but up and down comes first and is not settled: a nocking point far off can pass for a stiff or weak shaft.`,
        reasons,
        likelyAfter,
      );
    case 'undecided':
      return shootMove(
        'again',
        'Shoot again, touch nothing',
        'The offset cannot be told from the scatter yet. More shots settle it; turning something would only hide it.',
        reasons,
        null,
      );
  }
}

function shootMove(
  id: string,
  title: string,
  why: string,
  reasons: readonly string[],
  likelyAfter: Move | null,
): Move {
  return {
    ...plainMove('bareShaft', title),
    key: `shoot:${id}`,
    expect: `${END.fletched} fletched, ${END.bare} bare`,
    why,
    reasons,
    wouldChange: 'The next end.',
    caution: 'bareShafts',
    thenCheck: 'Call a bad shot before looking; mark it, do not drop it.',
    action: { kind: 'shootEnd', ...END },
    doneLabel: 'Start the next end',
    likelyAfter,
  };
}

/** What a remedy is proposed for, and instead of what. */
interface Weighed {
  readonly verdict: BareShaftVerdict;
  readonly axis: BareShaftAxis;
  readonly others: readonly Remedy[];
}

function remedyMove(
  state: BowState,
  session: ShootingSession,
  remedy: Remedy,
  { verdict, axis, others }: Weighed,
): Move {
  const short = axis === 'bareShaftUp' ? 'up' : 'outward';
  const context = { hand: state.bow.hand, unit: 'cm' } as const;
  const scale = session.distanceM / REFERENCE_DISTANCE_M;
  const figure = (outlook: Remedy['before']) => {
    const { offsetMm, plusMinusMm } = remedyEffect.standing(outlook);
    const at = { offsetMm: offsetMm * scale, plusMinusMm: plusMinusMm * scale };
    return offsetWords(short, { ...verdict[short], ...at }, context) ?? '';
  };
  const changes = changesOf(remedy);
  const [second] = others;
  return {
    key: remedyKey(remedy),
    step: 'bareShaft',
    title: movesWords(changes),
    expect: `Expect bare shafts ${figure(remedy.after)}, now ${figure(remedy.before)}`,
    why: whyWords(axis, remedy, verdict[short].call === 'undecided'),
    reasons: [
      ...axisLines(state, verdict),
      `With everything shot before it: ${figure(remedy.before)}.`,
      effectWords(remedy),
      `It would raise the chance of being inside from ${showChance(remedy.before.odds.inside)} to ${showChance(remedy.after.odds.inside)}.`,
      ...others.map(
        (other) =>
          `${movesWords(changesOf(other))}: to ${showChance(other.after.odds.inside)}${other.reversible ? '' : ', and it cannot be taken back'}.`,
      ),
      ...sideEffects(state, remedy),
    ],
    wouldChange: 'A second end on the other side, contact marks, or a mixed-up point mass.',
    caution: remedy.amounts.has('topBolt')
      ? 'bolts'
      : remedy.amounts.has('shaftCut')
        ? 'cutting'
        : 'bareShafts',
    thenCheck:
      axis === 'bareShaftUp'
        ? 'Bare shafts again: same side, smaller. If it grows, the tail may be bouncing: go well up.'
        : 'Bare shafts again, then sight marks.',
    place: placeOf(remedy),
    action: { kind: 'change', changes },
    doneLabel: 'Done',
    runnerUp:
      second === undefined
        ? null
        : {
            title: movesWords(changesOf(second)),
            expect: `Expect bare shafts ${figure(second.after)}`,
            changes: changesOf(second),
          },
    likelyAfter: null,
    stop: false,
  };
}

function changesOf({ amounts }: Remedy) {
  return [...amounts].map(([control, amount]) => ({ control, amount }));
}

function placeOf({ amounts }: Remedy): MovePlace {
  if (amounts.has('nockingPoint')) return 'nockingPoint';
  if (amounts.has('plungerPreload')) return 'plunger';
  if (amounts.has('topBolt')) return 'topLimb';
  return amounts.has('twists') ? 'string' : 'arrow';
}

function isSetAside(state: BowState, key: string): boolean {
  return state.setAside.some(
    (one) => one.moveKey === key && one.at >= (state.sessions.at(-1)?.openedAt ?? ''),
  );
}

/** Everything the bow has is spent: say so instead of proposing the impossible. */
function nothingLeftMove(axis: 'outward' | 'up', judged: AxisVerdict, state: BowState): Move {
  const cause = (causeOf(axis, judged.call) ?? '').toLowerCase();
  const words = offsetWords(axis, judged, { hand: state.bow.hand, unit: 'cm' }) ?? '';
  return {
    key: `spent:${axis}`,
    step: 'bareShaft',
    title: axis === 'up' ? 'Nocking point is at its limit' : 'Another shaft',
    expect: null,
    why: `Still ${cause}, ${words}, and what this bow can turn is spent or set aside.`,
    reasons: [
      'Weak is cured in the arrow by cutting or a lighter point, stiff by a heavier point; then by another spine.',
    ],
    wouldChange: 'A remedy set aside earlier.',
    caution: 'cutting',
    thenCheck: 'Ask a coach or a bow technician before cutting.',
    place: 'arrow',
    action: { kind: 'nothing' },
    doneLabel: 'Understood',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}
