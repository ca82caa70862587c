import { HALF_90 } from '../../numeric/half-90.ts';
import { BARE_SHAFT_END } from '../../advice/bare-shaft-moves.ts';
import type { BareShaftBecause, OtherBecause } from '../../advice/move-because.ts';
import type { BlameWhy } from '../../bare-shaft/bare-shaft-decision.ts';
import { type Remedy, remedyEffect } from '../../bare-shaft/remedies.ts';
import type { SpentControl } from '../../bare-shaft/spent-controls.ts';
import { blameList } from '../../craft/blame-list.ts';
import { CONTROL_FACTS, movesWords, showAmount } from '../../craft/controls.ts';
import { lowerFirst } from '../../craft/letter-case.ts';
import type { AxisVerdict } from '../../groups/axis-verdict.ts';
import type { BowState } from '../../log/bow-state.ts';
import {
  type BareShaftAxis,
  REFERENCE_DISTANCE_M,
  SPINE_STEP_TO_OUTWARD,
} from '../../priors/prior-gains.ts';
import { showChance, showNumber } from '../../quantity/show.ts';
import { axisLines, effectWords, sideWords, whyWords } from '../bare-shaft-words.ts';
import { sideEffects } from '../remedy-words.ts';
import { causeOf, MIX_WORDS, offsetWords } from '../verdict-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends BareShaftBecause['topic']> = Extract<
  BareShaftBecause,
  { readonly topic: Topic }
>;
/** Which axis of a verdict a remedy's axis is. */
const VERDICT_AXIS = { bareShaftUp: 'up', bareShaftOutward: 'outward' } as const;

const SHOOT_WORDS = {
  first: {
    title: 'Shoot bare and fletched',
    why: 'Nothing has been shot since the last change.',
  },
  endOut: {
    title: 'Shoot the end out',
    why: 'At least two fletched and two bare shots are needed before anything can be said.',
  },
  nearer: {
    title: 'Shoot bare and fletched',
    why: 'From here bare shafts stay on the butt, and the offset can be judged.',
  },
} as const;

/** From there bare shafts would miss the butt. */
export function nearerWords({
  session,
  decision: { distanceM },
}: Because<'bareShaftNearer'>): MoveWords {
  return {
    ...shootWords(
      `Go nearer: ${distanceM} m`,
      `Bare shafts land so far off that some would miss the butt at ${session.distanceM} m. Nearer, before anything is turned: there the offset is smaller and every shot counts.`,
    ),
    expect: `Bare shafts on the butt at ${distanceM} m`,
    wouldChange: 'A larger butt.',
    doneLabel: `Begin at ${distanceM} m`,
  };
}

/** Nothing counts yet, or too little to say anything. */
export function bareShaftMoveWords({ why }: Because<'bareShaftShoot'>): MoveWords {
  const words = SHOOT_WORDS[why];
  return shootWords(words.title, words.why);
}

function shootWords(title: string, why: string, reasons: readonly string[] = []): MoveWords {
  return {
    title,
    expect: `${BARE_SHAFT_END.fletched} fletched, ${BARE_SHAFT_END.bare} bare`,
    why,
    reasons,
    wouldChange: 'The next end.',
    thenCheck: 'Call a bad shot before looking; mark it, do not drop it.',
    doneLabel: 'Start the next end',
  };
}

/** Nothing may be touched yet: says which of the reasons it is. */
export function waitMoveWords(
  state: BowState,
  { verdict, decision: { why, axis, likely } }: Because<'bareShaftWait'>,
): MoveWords {
  const reasons = [...axisLines(state, verdict), ...(verdict.neverMixed ? [MIX_WORDS] : [])];
  const called =
    axis === null ? null : causeOf(VERDICT_AXIS[axis], verdict[VERDICT_AXIS[axis]].call);
  const cause = axis === null ? '' : lowerFirst(called ?? sideWords(axis, likely));
  const again = (because: string) => shootWords('Shoot again, touch nothing', because, reasons);
  switch (why) {
    case 'oneMoreInside':
      return shootWords(
        'One more end, touch nothing',
        'Both axes look inside. It counts as done when a second end agrees.',
        reasons,
      );
    case 'oneLook':
      return again(`One look says ${cause}. One end proves nothing; two that agree do.`);
    case 'neverMixed':
      return shootWords(
        'Shoot bare and fletched in one end, mixed',
        'Shot in ends of their own, an aim that wandered in between passes for an offset.',
        axisLines(state, verdict),
      );
    case 'farOutShot':
      return again(
        `Two looks say ${cause}, but a shot that lies far from its kind weighs much among so few. One end more.`,
      );
    case 'sureButSmall':
      return again(
        `It is ${cause}, but by so little that a turn could as well make it worse. Another end tells how far to go.`,
      );
    case 'proveTheMove':
      return shootWords(
        'Shoot an end before anything else is turned',
        'One change, one proof: with two changes before an end, neither can be told from the other.',
        reasons,
      );
    case 'verticalFirst':
      return again(
        `Across it looks ${cause}, but up and down comes first and is not settled: a nocking point far off can pass for a stiff or weak shaft.`,
      );
    case 'undecided':
      return again(
        'The offset cannot be told from the scatter yet. More shots settle it; turning something would only hide it.',
      );
  }
}

const BLAME_BECAUSE: Readonly<Record<BlameWhy, string>> = {
  scattered:
    'The bare shafts scatter more than the bow can explain: form, nock fit and contact first.',
  conflict: 'What was seen disagrees with where the shafts landed: something else is at work.',
  contact: 'Marks on rest or riser: the tail touches, and a touched shaft tells nothing of spine.',
};

/** Before bow or arrow is blamed: what is to be looked at, in order. */
export function blameMoveWords(
  { bow }: BowState,
  { decision: { why, items } }: Because<'bareShaftBlame'>,
): MoveWords {
  return {
    ...shootWords(
      'Check before blaming bow or arrow',
      BLAME_BECAUSE[why],
      blameList(bow.school)
        .filter(({ id }) => items.includes(id))
        .map(({ words }) => words),
    ),
    expect: 'Go through the list, in order',
    doneLabel: 'All looked at',
  };
}

/** The tail strikes and rebounds: what looks high is far too low. */
export function bounceMoveWords(
  state: BowState,
  { verdict, decision: { raiseMm, chance } }: Because<'bareShaftBounce'>,
): MoveWords {
  return {
    ...plainWords(movesWords([{ control: 'nockingPoint', amount: raiseMm }])),
    expect: 'Expect bare shafts to turn round: high first, then down as you come down',
    why: `The tail bounces: lower made it worse (${showChance(chance)} sure). It stands far too low and only looks high. Go well up, then come down.`,
    reasons: axisLines(state, verdict),
    wouldChange: 'Bare shafts that rise when the nocking point is lowered.',
    thenCheck: 'Powder on shelf and rest after the next end, then bare shafts again.',
  };
}

/** Where bare shafts are expected at the session's distance: `6.1 ± 1.8 cm right`. */
function figureWords(
  { bow: { hand } }: BowState,
  { verdict, session, axis }: Pick<Because<'bareShaftMend'>, 'verdict' | 'session' | 'axis'>,
  outlook: Remedy['after'],
): string {
  const scale = session.distanceM / REFERENCE_DISTANCE_M;
  const { offsetMm, plusMinusMm } = remedyEffect.standing(outlook);
  const at = { offsetMm: offsetMm * scale, plusMinusMm: plusMinusMm * scale };
  const short = VERDICT_AXIS[axis];
  return offsetWords(short, { ...verdict[short], ...at }, { hand, unit: 'cm' }) ?? '';
}

const remedyMoves = ({ amounts }: Remedy) =>
  movesWords([...amounts].map(([control, amount]) => ({ control, amount })));

/** One remedy: what is turned, what it should do, and instead of what. */
export function mendMoveWords(state: BowState, because: Because<'bareShaftMend'>): MoveWords {
  const { verdict, axis, remedy, others } = because;
  const before = figureWords(state, because, remedy.before);
  return {
    ...plainWords(remedyMoves(remedy)),
    expect: `Expect bare shafts ${figureWords(state, because, remedy.after)}, now ${before}`,
    why: whyWords(axis, remedy, {
      isOpen: verdict[VERDICT_AXIS[axis]].call === 'undecided',
      others,
    }),
    reasons: [
      ...axisLines(state, verdict),
      `With everything shot before it: ${before}.`,
      effectWords(remedy),
      `It would raise the chance of being inside from ${showChance(remedy.before.odds.inside)} to ${showChance(remedy.after.odds.inside)}.`,
      ...others.map(
        (other) =>
          `${remedyMoves(other)}: to ${showChance(other.after.odds.inside)}${other.reversible ? '' : ', and it cannot be taken back'}.`,
      ),
      ...sideEffects(state, remedy),
    ],
    wouldChange: 'A second end on the other side, contact marks, or a mixed-up point mass.',
    thenCheck:
      axis === 'bareShaftUp'
        ? 'Bare shafts again: same side, smaller. If it grows, the tail may be bouncing: go well up.'
        : 'Bare shafts again, then sight marks.',
  };
}

/** What the second-best remedy is expected to do. */
export function otherMendExpect(
  state: BowState,
  because: Extract<OtherBecause, { readonly topic: 'bareShaftMend' }>,
): string {
  return `Expect bare shafts ${figureWords(state, because, because.remedy.after)}`;
}

const SPENT_TITLE: Readonly<Record<BareShaftAxis, string>> = {
  bareShaftUp: 'Nocking point is at its limit',
  bareShaftOutward: 'Another shaft',
};

const SPENT_BECAUSE: Readonly<Record<SpentControl['why'], string>> = {
  atLimit: 'as far as it goes',
  unknown: 'nobody has measured how far it may go',
  notProposed: 'set aside, or not expected to help',
};

/** `Plunger preload: as far as it goes, 2 turns stiffer than at first.` */
function spentWords({ control, movedBy, why }: SpentControl): string {
  const { name, plus, minus } = CONTROL_FACTS[control];
  const moved =
    movedBy === 0
      ? ''
      : `, ${showAmount(control, Math.abs(movedBy))} ${movedBy > 0 ? plus : minus} since the beginning`;
  return `${name}: ${SPENT_BECAUSE[why]}${moved}.`;
}

/** What a shaft two steps of spine away would do. */
function otherShaftWords(call: AxisVerdict['call']): string {
  const [cm, sd] = [SPINE_STEP_TO_OUTWARD.mean, SPINE_STEP_TO_OUTWARD.sd].map(
    (mm) => (2 * mm) / 10,
  );
  const which = call === 'minus' ? 'stiffer' : 'weaker';
  return `A shaft two steps of spine (about 100) ${which} would move bare shafts ${showNumber(cm ?? 0, 0)} ± ${showNumber(HALF_90 * (sd ?? 0), 0)} cm at ${REFERENCE_DISTANCE_M} m, a rule of thumb.`;
}

/** Everything the bow has is spent. */
export function spentMoveWords(
  { bow: { hand } }: BowState,
  { verdict, axis, controls }: Because<'bareShaftSpent'>,
): MoveWords {
  const short = VERDICT_AXIS[axis];
  const judged = verdict[short];
  const cause = (causeOf(short, judged.call) ?? '').toLowerCase();
  const words = offsetWords(short, judged, { hand, unit: 'cm' }) ?? '';
  return {
    ...plainWords(SPENT_TITLE[axis]),
    why: `Still ${cause}, ${words}, and what this bow can turn is spent or set aside.`,
    reasons: [
      ...controls.map(spentWords),
      ...(axis === 'bareShaftOutward' ? [otherShaftWords(judged.call)] : []),
    ],
    wouldChange: 'A remedy set aside earlier.',
    thenCheck: 'Ask a coach or a bow technician before cutting.',
    doneLabel: 'Understood',
  };
}
