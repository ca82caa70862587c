import { HALF_90 } from '../../numeric/half-90.ts';
import type { MoveBecause } from '../../advice/move-because.ts';
import { movesWords } from '../../craft/controls.ts';
import { sideOf } from '../../craft/handedness.ts';
import type { Hand } from '../../craft/bow-terms.ts';
import type { BowState } from '../../log/bow-state.ts';
import { showNumber } from '../../quantity/show.ts';
import type { WalkBackFigure } from '../../walk-back/walk-back.ts';
import { WALK_BACK_SHOTS } from '../../walk-back/walk-back-standing.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends MoveBecause['topic']> = Extract<MoveBecause, { readonly topic: Topic }>;
type NextKind = Because<'walkBackNext'>['next']['kind'];
type Next<Kind extends NextKind> = Extract<
  Because<'walkBackNext'>['next'],
  { readonly kind: Kind }
>;

/** Less than this off is not said of an axis, mm. */
const LEAST_SAID_MM = 10;

export const BUTT_TOO_SMALL_WORDS: MoveWords = {
  ...plainWords('The butt is too small for a walk-back'),
  why: 'Two distances at least must keep a hand’s breadth and three scatters on the butt.',
  wouldChange: 'A taller butt, the mark hung higher, or a faster arrow.',
  doneLabel: 'Understood',
};

export const STRAIGHT_WORDS: MoveWords = {
  ...plainWords('Walk-back is straight'),
  expect: 'Straight and vertical: done',
  why: 'From near to far the hits stand in one line, inside what was agreed.',
  thenCheck: 'Bare shafts again if reach was moved on the way.',
  doneLabel: 'Note it',
};

/** What comes before the line can be judged. */
export function walkBackNextWords(
  state: BowState,
  { next, session }: Because<'walkBackNext'>,
): MoveWords {
  const nearestM = session.distanceM;
  switch (next.kind) {
    case 'sightIn':
      return sightInWords(next.distanceM, nearestM);
    case 'setSight':
      return setSightWords(state, nearestM, next);
    case 'shoot':
      return shootWords(next, nearestM);
    case 'questionSpeed':
      return speedWords(next.speedMps, nearestM);
    case 'allShot':
    case 'buttTooSmall':
      return BUTT_TOO_SMALL_WORDS;
  }
}

/** Nobody knows yet where the sight points: one arrow from where even that is safe. */
function sightInWords(distanceM: number, nearestM: number): MoveWords {
  return {
    ...plainWords(`Shoot 1 fletched from ${distanceM} m`),
    expect: `Sight set for ${nearestM} m, at the mark`,
    why: `Nobody has seen yet where it hits with the sight set for ${nearestM} m. From ${distanceM} m even a sight far off keeps the arrow on the butt.`,
    thenCheck: 'Plot the hit; it says how far the sight is off.',
    doneLabel: `At ${distanceM} m`,
  };
}

/** The nearest end is not on the mark: before anything is shot from farther, it has to be. */
function setSightWords(
  { bow: { hand, school } }: BowState,
  nearestM: number,
  off: Next<'setSight'>,
): MoveWords {
  const where = [
    ...(Math.abs(off.upMm) < LEAST_SAID_MM
      ? []
      : [`${cm(off.upMm)} cm ${off.upMm > 0 ? 'high' : 'low'}`]),
    ...(Math.abs(off.outwardMm) < LEAST_SAID_MM
      ? []
      : [`${cm(off.outwardMm)} cm ${sideOf(off.outwardMm, hand)}`]),
  ].join(', ');
  const sighted = school === 'sighted';
  return {
    ...plainWords(`Set ${sighted ? 'the sight' : 'your aim'} for ${nearestM} m`),
    expect: `It hits ${where} at ${nearestM} m`,
    why: 'The nearest end has to lie on the mark: what lies off there lies farther off from every farther distance, and leaves the butt.',
    reasons: [
      sighted
        ? 'Move the sight after the arrow: hits high, sight up; hits left, sight left.'
        : 'Aim as far to the other side as it hits, and keep that aim to the end of the walk.',
      'Hits from before are kept, and no longer speak of where later ones fall.',
    ],
    thenCheck: `${WALK_BACK_SHOTS} fletched at ${nearestM} m again.`,
    doneLabel: sighted ? 'Sight is set' : 'Aim is set',
  };
}

/** No bow shoots like that: the walk waits until it is known what happened. */
function speedWords(speedMps: number, nearestM: number): MoveWords {
  return {
    ...plainWords('Was the sight or the aim moved?'),
    expect: `Arrows fall as at ${showNumber(speedMps, 0)} m/s`,
    why: 'The hits fall as no such arrow does: sight or aim was moved on the way, arrows were mixed, or a distance is wrong. Nothing farther is asked for while that is open.',
    wouldChange: 'Hits called bad or taken back, or the walk shot anew with one sight setting.',
    thenCheck: `Set the sight for ${nearestM} m and begin again there.`,
    doneLabel: 'Begin again at the nearest',
  };
}

function shootWords({ distanceM, first }: Next<'shoot'>, nearestM: number): MoveWords {
  return {
    ...plainWords(`Shoot ${WALK_BACK_SHOTS} fletched at ${distanceM} m`),
    expect: first
      ? `Sight set for ${nearestM} m, aimed at the mark`
      : 'Same aim at the same mark, sight untouched',
    why: first
      ? 'From near to far with one sight setting: a line that leans or bends shows what one distance hides.'
      : 'The next distance whose hits stay on the butt.',
    thenCheck: 'Stop when the next would not be safe.',
    doneLabel: `At ${distanceM} m`,
  };
}

/** The line cannot be told from the scatter yet. */
export function walkBackMoreWords({ distancesM }: Because<'walkBackMore'>): MoveWords {
  return {
    ...plainWords(`Shoot ${distancesM.join(' and ')} m again`),
    expect: `${WALK_BACK_SHOTS} fletched at each`,
    why: 'The line cannot be told from the scatter yet. These distances say most about it.',
    doneLabel: 'Shoot it',
  };
}

/** Much was shot or turned, and it is neither straight nor surely leaning. */
export function walkBackEnoughWords(
  { bow: { hand } }: BowState,
  { fit, shots }: Because<'walkBackEnough'>,
): MoveWords {
  const { drift, toleranceMm, reachGain } = fit;
  const turned = reachGain.changes;
  const isOut = turned > 0 && Math.abs(drift.mm) - drift.plusMinusMm > toleranceMm;
  return {
    ...plainWords(
      isOut ? 'Reach does not straighten this line' : 'The walk-back may be left as it is',
    ),
    expect: `Drift ${figure(drift, hand)} from ${fit.nearestM} to ${fit.farthestM} m; good enough is ± ${cm(toleranceMm)} cm`,
    why: whyEnough(turned, isOut),
    reasons: [
      `As many shots again, ${shots}, would bring ± ${cm(drift.plusMinusMm / Math.SQRT2)} cm.`,
      ...(turned > 0
        ? [
            `A turn of reach leans the line ${showNumber(reachGain.mean, 1)} ± ${showNumber(HALF_90 * reachGain.sd, 1)} mm a metre on this bow.`,
          ]
        : []),
    ],
    wouldChange: isOut
      ? 'Something found and put right: then walk it again.'
      : 'A tighter day: then walk it again.',
    doneLabel: 'Leave it so',
  };
}

/** @param isOut the line surely leans by more than is good enough */
function whyEnough(turned: number, isOut: boolean): string {
  if (isOut)
    return `${turned} settings of reach have left it surely outside. Something else sends it aside: look at limb line, rest and sight bar, and whether the bow is held upright; a bow technician or a coach sees it sooner. It may be left, and shot as it is.`;
  return turned > 0
    ? `${turned} settings of reach have not brought it surely inside. What is left is smaller than what one walk of this archer can show.`
    : 'It is neither surely straight nor surely leaning: what is left is smaller than what a walk of this archer can show.';
}

/** Hits drift with distance: centre shot. */
export function reachWords(
  { bow: { hand } }: BowState,
  { fit, gain, amount, after }: Because<'walkBackReach'>,
): MoveWords {
  return {
    ...plainWords(movesWords([{ control: 'plungerReach', amount }])),
    expect: `Expect ${figure(after, hand)}, now ${figure(fit.drift, hand)}`,
    why: `Hits drift ${fit.drift.mm > 0 ? 'outward' : 'inward'} with distance: centre shot is too far ${amount < 0 ? 'out' : 'in'}, ${gain.changes === 0 ? 'as a rule; this bow has not shown it yet' : 'as this bow has shown'}.`,
    reasons: [
      `Drift from ${fit.nearestM} to ${fit.farthestM} m: ${figure(fit.drift, hand)}.`,
      gain.changes === 0
        ? `Rule of thumb: a turn out leans the line ${showNumber(gain.mean, 1)} ± ${showNumber(HALF_90 * gain.sd, 1)} mm a metre outward, 17 times in 20.`
        : `Learned from ${gain.changes} ${gain.changes === 1 ? 'change' : 'changes'}: a turn out leans the line ${showNumber(gain.mean, 1)} ± ${showNumber(HALF_90 * gain.sd, 1)} mm a metre.`,
    ],
    wouldChange: 'A second walk that leans the other way.',
    thenCheck: 'The same distances again, then bare shafts: across is open again.',
  };
}

/** The line leans neither way and bends: preload or drag. */
export function preloadWords({ fit, gain, amount }: Because<'walkBackPreload'>): MoveWords {
  const bend = fit.bend ?? { mm: 0, plusMinusMm: 0 };
  return {
    ...plainWords(movesWords([{ control: 'plungerPreload', amount }])),
    expect: 'Expect the line to straighten; if it bends more, go the other way',
    why: 'The line is straight neither way but bends: preload or side drag, not centre shot.',
    reasons: [
      `Its middle stands ${cm(bend.mm)} ± ${cm(bend.plusMinusMm)} cm off the straight.`,
      gain.changes === 0
        ? 'Which way preload bends the line is not known before this bow has shown it.'
        : `Learned from ${gain.changes} ${gain.changes === 1 ? 'change' : 'changes'} on this bow.`,
    ],
    wouldChange: 'Contact marks: then it is drag, and preload cannot cure it.',
    thenCheck: 'The same distances again, then bare shafts.',
  };
}

function figure({ mm, plusMinusMm }: Omit<WalkBackFigure, 'call'>, hand: Hand): string {
  return `${cm(mm)} ± ${cm(plusMinusMm)} cm ${sideOf(mm, hand)}`;
}

function cm(mm: number): string {
  return showNumber(Math.abs(mm) / 10, 1);
}
