import { sideOf } from '../craft/handedness.ts';
import { movesWords } from '../craft/controls.ts';
import { showNumber } from '../quantity/show.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { WalkBackFigure } from '../walk-back/walk-back.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';
import { lineAnswers, WALK_BACK_SHOTS, walkBackStanding } from '../walk-back/walk-back-standing.ts';

/** Half of the normal 90 % interval in standard deviations. */
const HALF_90 = 1.6449;
/** “Reach a quarter turn at a time.” Preload likewise. */
const QUARTER = 0.25;
/** 1 turn of reach out: the line leans outward by about this; the sign is likely, not certain. */
const REACH_LEAN = { mean: 2.1, sd: 2 } as const;
/** 1 turn of preload stiffer: which way the line bows is not known beforehand. */
const PRELOAD_BOW = { mean: 0, sd: 20 } as const;

/** How a control moves the line, per turn. */
export interface LineGain {
  readonly mean: number;
  readonly sd: number;
  /** Changes it was learned from; 0: the rule of thumb. */
  readonly changes: number;
}

/** What the walk-back asks for next; a pure function of the record. */
export function walkBackMove(state: BowState, session: ShootingSession): Move | null {
  const { fit, next, shots } = walkBackStanding(state, session);
  const nearestM = session.distanceM;
  switch (next.kind) {
    case 'sightIn':
      return sightInMove(next.distanceM, nearestM);
    case 'setSight':
      return setSightMove(state, session, next);
    case 'shoot':
      return shootAt(next.distanceM, next.first, nearestM);
    case 'questionSpeed':
      return questionSpeedMove(session, next.speedMps);
    case 'allShot':
    case 'buttTooSmall':
      break;
  }
  if (fit === null || next.kind === 'buttTooSmall')
    return {
      ...plain('The butt is too small for a walk-back'),
      key: 'walkBack:buttTooSmall',
      why: 'Two distances at least must keep a hand’s breadth and three scatters on the butt.',
      wouldChange: 'A taller butt, the mark hung higher, or a faster arrow.',
      doneLabel: 'Understood',
    };
  const { drift, bend } = fit;
  if (drift.call === 'plus' || drift.call === 'minus') return reachMove(state, fit);
  if (bend !== null && (bend.call === 'plus' || bend.call === 'minus'))
    return preloadMove(state, bend);
  if (drift.call === 'inside' && (bend === null || bend.call === 'inside')) return straightMove();
  const again = drift.call === 'undecided' ? fit.farthestM : (fit.nearestM + fit.farthestM) / 2;
  const distances = [...new Set(shots.map(({ distanceM }) => distanceM))];
  const nearest = distances.reduce((best, one) =>
    Math.abs(one - again) < Math.abs(best - again) ? one : best,
  );
  const both =
    drift.call === 'undecided' ? `${fit.nearestM} and ${fit.farthestM} m` : `${nearest} m`;
  return {
    ...plain(`Shoot ${both} again`),
    key: 'walkBack:more',
    expect: `${WALK_BACK_SHOTS} fletched at each`,
    why: 'The line cannot be told from the scatter yet. These distances say most about it.',
    action: { kind: 'shootEnd', fletched: WALK_BACK_SHOTS, bare: 0 },
    doneLabel: 'Shoot it',
    place: 'butt',
  };
}

/** Nobody knows yet where the sight points: one arrow from where even that is safe. */
function sightInMove(distanceM: number, nearestM: number): Move {
  return {
    ...plain(`Shoot 1 fletched from ${distanceM} m`),
    key: `walkBack:sightIn:${distanceM}`,
    expect: `Sight set for ${nearestM} m, at the mark`,
    why: `Nobody has seen yet where it hits with the sight set for ${nearestM} m. From ${distanceM} m even a sight far off keeps the arrow on the butt.`,
    thenCheck: 'Plot the hit; it says how far the sight is off.',
    action: { kind: 'shootEnd', fletched: 1, bare: 0 },
    doneLabel: `At ${distanceM} m`,
    place: 'butt',
  };
}

/** The nearest end is not on the mark: before anything is shot from farther, it has to be. */
function setSightMove(
  state: BowState,
  session: ShootingSession,
  off: { readonly outwardMm: number; readonly upMm: number },
): Move {
  const { hand } = state.bow;
  const where = [
    ...(Math.abs(off.upMm) < LEAST_SAID_MM
      ? []
      : [`${cm(off.upMm)} cm ${off.upMm > 0 ? 'high' : 'low'}`]),
    ...(Math.abs(off.outwardMm) < LEAST_SAID_MM
      ? []
      : [`${cm(off.outwardMm)} cm ${sideOf(off.outwardMm, hand)}`]),
  ].join(', ');
  const sighted = state.bow.school === 'sighted';
  return {
    ...plain(
      sighted
        ? `Set the sight for ${session.distanceM} m`
        : `Set your aim for ${session.distanceM} m`,
    ),
    key: 'walkBack:setSight',
    expect: `It hits ${where} at ${session.distanceM} m`,
    why: 'The nearest end has to lie on the mark: what lies off there lies farther off from every farther distance, and leaves the butt.',
    reasons: [
      sighted
        ? 'Move the sight after the arrow: hits high, sight up; hits left, sight left.'
        : 'Aim as far to the other side as it hits, and keep that aim to the end of the walk.',
      'Hits from before are kept, and no longer speak of where later ones fall.',
    ],
    thenCheck: `${WALK_BACK_SHOTS} fletched at ${session.distanceM} m again.`,
    action: { kind: 'setAim', sessionId: session.sessionId },
    doneLabel: sighted ? 'Sight is set' : 'Aim is set',
    place: 'butt',
  };
}
/** Less than this off is not said of an axis, mm. */
const LEAST_SAID_MM = 10;

/** No bow shoots like that: the walk waits until it is known what happened. */
function questionSpeedMove(session: ShootingSession, speedMps: number): Move {
  return {
    ...plain('Was the sight or the aim moved?'),
    key: 'walkBack:speed',
    expect: `Arrows fall as at ${showNumber(speedMps, 0)} m/s`,
    why: 'The hits fall as no such arrow does: sight or aim was moved on the way, arrows were mixed, or a distance is wrong. Nothing farther is asked for while that is open.',
    wouldChange: 'Hits called bad or taken back, or the walk shot anew with one sight setting.',
    thenCheck: `Set the sight for ${session.distanceM} m and begin again there.`,
    action: { kind: 'setAim', sessionId: session.sessionId },
    doneLabel: 'Begin again at the nearest',
    place: 'butt',
  };
}

function shootAt(distanceM: number, first: boolean, nearestM: number): Move {
  return {
    ...plain(`Shoot ${WALK_BACK_SHOTS} fletched at ${distanceM} m`),
    key: `walkBack:${distanceM}`,
    expect: first
      ? `Sight set for ${nearestM} m, aimed at the mark`
      : 'Same aim at the same mark, sight untouched',
    why: first
      ? 'From near to far with one sight setting: a line that leans or bends shows what one distance hides.'
      : 'The next distance whose hits stay on the butt.',
    thenCheck: 'Stop when the next would not be safe.',
    action: { kind: 'shootEnd', fletched: WALK_BACK_SHOTS, bare: 0 },
    doneLabel: `At ${distanceM} m`,
    place: 'butt',
  };
}

function reachMove(
  state: BowState,
  fit: NonNullable<ReturnType<typeof walkBackStanding>['fit']>,
): Move {
  const { hand } = state.bow;
  const gain = reachGain(state);
  const amount = fit.drift.mm * gain.mean > 0 ? -QUARTER : QUARTER;
  const span = fit.farthestM - fit.nearestM;
  const after = fit.drift.mm + gain.mean * amount * span;
  const spread = Math.hypot(fit.drift.plusMinusMm, HALF_90 * gain.sd * QUARTER * span);
  const changes = [{ control: 'plungerReach' as const, amount }];
  return {
    ...plain(movesWords(changes)),
    key: `walkBack:reach:${amount}`,
    expect: `Expect ${cm(after)} ± ${cm(spread)} cm ${sideOf(after, hand)}, now ${figure(fit.drift, hand)}`,
    why: `Hits drift ${fit.drift.mm > 0 ? 'outward' : 'inward'} with distance: centre shot is too far ${amount < 0 ? 'out' : 'in'}, ${gain.changes === 0 ? 'as a rule; this bow has not shown it yet' : 'as this bow has shown'}.`,
    reasons: [
      `Drift from ${fit.nearestM} to ${fit.farthestM} m: ${figure(fit.drift, hand)}.`,
      gain.changes === 0
        ? `Rule of thumb: a turn out leans the line ${showNumber(gain.mean, 1)} ± ${showNumber(HALF_90 * gain.sd, 1)} mm a metre outward, 17 times in 20.`
        : `Learned from ${gain.changes} ${gain.changes === 1 ? 'change' : 'changes'}: a turn out leans the line ${showNumber(gain.mean, 1)} ± ${showNumber(HALF_90 * gain.sd, 1)} mm a metre.`,
    ],
    wouldChange: 'A second walk that leans the other way.',
    thenCheck: 'The same distances again, then bare shafts: across is open again.',
    place: 'plunger',
    action: { kind: 'change', changes },
  };
}

function preloadMove(state: BowState, bend: WalkBackFigure): Move {
  const gain = preloadGain(state);
  const amount = gain.changes > 0 && bend.mm * gain.mean > 0 ? -QUARTER : QUARTER;
  const changes = [{ control: 'plungerPreload' as const, amount }];
  return {
    ...plain(movesWords(changes)),
    key: `walkBack:preload:${amount}`,
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
    place: 'plunger',
    action: { kind: 'change', changes },
  };
}

function straightMove(): Move {
  return {
    ...plain('Walk-back is straight'),
    key: 'walkBack:straight',
    expect: 'Straight and vertical: done',
    why: 'From near to far the hits stand in one line, inside what was agreed.',
    thenCheck: 'Bare shafts again if reach was moved on the way.',
    action: { kind: 'confirmStep', step: 'walkBack' },
    doneLabel: 'Note it',
  };
}

/** Lean per turn of reach, mm a metre: the rule of thumb until walks before and after have shown it. */
export function reachGain(state: BowState): LineGain {
  return learned(
    REACH_LEAN,
    lineAnswers(state, 'plungerReach').map(({ change, before, after }) => ({
      amount: change.amount,
      shift: after.leanMmPerM.mean - before.leanMmPerM.mean,
      halfWidth: Math.hypot(after.leanMmPerM.plusMinus, before.leanMmPerM.plusMinus),
    })),
  );
}

function preloadGain(state: BowState): LineGain {
  return learned(
    PRELOAD_BOW,
    lineAnswers(state, 'plungerPreload').flatMap(({ change, before, after }) =>
      before.bend === null || after.bend === null
        ? []
        : [
            {
              amount: change.amount,
              shift: after.bend.mm - before.bend.mm,
              halfWidth: Math.hypot(after.bend.plusMinusMm, before.bend.plusMinusMm),
            },
          ],
    ),
  );
}

/** Conjugate normal update of a gain from shifts seen over amounts turned. */
function learned(
  prior: { readonly mean: number; readonly sd: number },
  seen: readonly {
    readonly amount: number;
    readonly shift: number;
    readonly halfWidth: number;
  }[],
): LineGain {
  let precision = 1 / prior.sd ** 2;
  let weighted = prior.mean * precision;
  for (const { amount, shift, halfWidth } of seen) {
    const sd = halfWidth / HALF_90;
    precision += (amount / sd) ** 2;
    weighted += (amount * shift) / sd ** 2;
  }
  return { mean: weighted / precision, sd: Math.sqrt(1 / precision), changes: seen.length };
}

function figure({ mm, plusMinusMm }: WalkBackFigure, hand: Parameters<typeof sideOf>[1]): string {
  return `${cm(mm)} ± ${cm(plusMinusMm)} cm ${sideOf(mm, hand)}`;
}

function cm(mm: number): string {
  return showNumber(Math.abs(mm) / 10, 1);
}

function plain(title: string): Omit<Move, 'key'> {
  return { ...plainMove('walkBack', title), caution: 'bareShafts' };
}
