import { PROOF_END } from '../../advice/proof-move.ts';
import type { MoveBecause } from '../../advice/move-because.ts';
import { POINTS_LOOKED_AT } from '../../craft/blame-list.ts';
import type { Hand } from '../../craft/bow-terms.ts';
import { movesWords } from '../../craft/controls.ts';
import { ARROW_SHORT, type ProofPoint } from '../../craft/range-terms.ts';
import { lowerFirst, upperFirst } from '../../craft/letter-case.ts';
import type { BowState } from '../../log/bow-state.ts';
import type { BareShaftAxis } from '../../priors/prior-gains.ts';
import { showButtInterval } from '../../quantity/show.ts';
import { proofAxisWords } from '../proof-words.ts';
import { sideOf } from '../../craft/handedness.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends MoveBecause['topic']> = Extract<MoveBecause, { readonly topic: Topic }>;

/** Nothing of the proof has been shot: what to bring, and where to begin. */
export function openProofWords({ point }: Because<'openProof'>): MoveWords {
  return {
    ...plainWords(`Prove it with ${pointsName(point)}`),
    expect: `${upperFirst(pointsName(point))} beside practice arrows at a distance that will be shot`,
    why: 'Points for use steer at the front and show what practice points hide. The tune is for this, not for the bench.',
    reasons: [
      ...POINTS_LOOKED_AT.map(({ words }) => words),
      'A butt that stops them; shoot no two at one mark.',
    ],
    thenCheck: 'Where they land from the practice arrows, over two ends at least.',
    doneLabel: 'To the range',
  };
}

/** What the proof wants next, and why. */
export function proofMoveWords(state: BowState, because: Because<'proof'>): MoveWords {
  const { session, standing } = because;
  const { next, point } = standing;
  const points = pointsName(point);
  const lines = (['up', 'outward'] as const).flatMap((axis) => {
    const line = proofAxisWords(standing, axis, state.bow.hand);
    return line === null ? [] : [line];
  });
  switch (next.kind) {
    case 'shoot':
      return {
        ...plainWords(`Shoot ${PROOF_END.practice} practice and ${PROOF_END.points} ${points}`),
        expect: `Mixed in one end at ${session.distanceM} m, each at a mark of its own height`,
        why:
          next.wants === 'undecided'
            ? 'Whether they land together cannot be told from the scatter yet.'
            : 'Only beside practice arrows shot in the same end can it be told whether they land elsewhere.',
        reasons: lines,
        wouldChange: 'Two ends that say the same.',
        thenCheck: 'Plot them as what they are: the points’ own button, under the butt.',
        doneLabel: 'Start the next end',
      };
    case 'look':
      return {
        ...plainWords('Look the points over before the bow is blamed'),
        expect: 'Go through the list, in order',
        why: `${upperFirst(points)} land ${whereWords(because, next.axis, state.bow.hand)} the practice arrows. A point that wobbles or weighs more does the same.`,
        reasons: [
          ...POINTS_LOOKED_AT.filter(({ id }) => next.items.includes(id)).map(({ words }) => words),
          ...lines,
        ],
        thenCheck: 'What was found is put right, and an end shot again.',
        doneLabel: 'All looked at',
      };
    case 'turn': {
      const { turn, axis } = next;
      const way = (mm: number) => wayOf(axis, mm, state.bow.hand);
      return {
        ...plainWords(movesWords([turn])),
        expect: `Expect ${points} ${showButtInterval(turn.after.mm, turn.after.plusMinusMm, 'cm')} ${way(turn.after.mm)} after it`,
        why: `They land ${showButtInterval(turn.before.mm, turn.before.plusMinusMm, 'cm')} ${way(turn.before.mm)} of the practice arrows: ${causeWords(axis, turn.before.mm)}. Sized as bare shafts answer; points answer to a part of it, so it errs short.`,
        reasons: [
          ...lines,
          ...(turn.control === 'pointMass'
            ? ['Practice and proof arrows get the same mass in front, or nothing is compared.']
            : []),
        ],
        wouldChange: 'Points that do not spin true, or weigh more than those of practice.',
        thenCheck: 'This proof again, then bare shafts once: they have moved as well.',
        doneLabel: 'Done',
      };
    }
    case 'spent':
      return {
        ...plainWords(`Nothing more to turn for ${points}`),
        expect: `They land ${whereWords(because, next.axis, state.bow.hand)} the practice arrows`,
        why: 'What may be turned for it is at its limit. Other points of the same mass, or an aim of their own at this distance.',
        reasons: lines,
        wouldChange: 'Another make of point, or a shaft a step stiffer or softer.',
        thenCheck: 'With other points: this proof again.',
        doneLabel: 'Understood',
      };
    case 'proved':
      return {
        ...plainWords(`${upperFirst(points)} land with the practice arrows`),
        expect: `Proved at ${session.distanceM} m`,
        why: 'Two ends and more say that they land together, inside what was agreed.',
        reasons: lines,
        wouldChange: 'A farther distance: what is off grows with it.',
        thenCheck: 'Sharpen, cover, and keep these apart from practice.',
        doneLabel: 'Note it',
      };
  }
}

function pointsName(point: ProofPoint): string {
  return `${lowerFirst(ARROW_SHORT[point])}s`;
}

/** `6.0 ± 2.0 cm left of`, or `apart from`. */
function whereWords({ standing }: Because<'proof'>, axis: BareShaftAxis, hand: Hand): string {
  const { offsetMm, plusMinusMm } = axis === 'bareShaftUp' ? standing.up : standing.outward;
  if (offsetMm === null || plusMinusMm === null) return 'apart from';
  return `${showButtInterval(offsetMm, plusMinusMm, 'cm')} ${wayOf(axis, offsetMm, hand)} of`;
}

function wayOf(axis: BareShaftAxis, mm: number, hand: Hand): string {
  if (axis === 'bareShaftUp') return mm >= 0 ? 'high' : 'low';
  return sideOf(mm, hand);
}

function causeWords(axis: BareShaftAxis, mm: number): string {
  if (axis === 'bareShaftUp') return mm >= 0 ? 'nocking point low' : 'nocking point high';
  return mm >= 0 ? 'stiff' : 'weak';
}
