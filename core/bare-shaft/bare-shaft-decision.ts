import { upsets } from '../craft/upsets.ts';
import { blameList } from '../craft/blame-list.ts';
import { BARE_SHAFT_AXES, type BareShaftAxis } from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import { sittingOf } from '../log/sitting.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { BareShaftVerdict } from './bare-shaft-verdict.ts';
import { BOUNCE_SAID_AT } from './bounce.ts';
import { endsSpeaking } from './bare-shaft-evidence.ts';
import type { Outlook } from './bare-shaft-outlook.ts';
import { type PresentOutlook, presentOutlook } from './present-outlook.ts';
import { nearerDistanceM } from './nearer.ts';
import { nockingRoom } from './control-room.ts';
import { type Remedy, remediesFor } from './remedies.ts';
import { hasConflict, hasContactMarks } from './session-evidence.ts';
import type { ShaftByShaft } from './shaft-by-shaft.ts';

/** A remedy must take this much off the expected cost to the end, in moves, or the shots speak first. */
const WORTH_MOVING = 0.12;
/** After so many ends undecided, a step that can be undone may take off less, and be a nuisance. */
const PATIENCE_ENDS = 4;
const WORTH_AFTER_PATIENCE = 0.08;
/** The side of an offset must be this sure before anything is turned. */
const SIDE_SURE = 0.95;
/** So many ends since the last move and still undecided: more of them would hardly settle it. */
const LONG_ENDS = 8;
/** Then less sure a side is enough for a step that can be undone, */
const SIDE_AFTER_LONG = 0.9;
/** and a cut that takes this much off is made if it is worth its trouble; after twice as many, nearly so. */
const SAW_AFTER_LONG = { gain: 0.15, worth: 0, worthAfterTwice: -0.15 } as const;
/** “Same result two ends running before anything is touched.” */
const ENDS_FIRST = 2;
/** What cannot be undone wants the side surer still. */
const SAW_SURE = 0.985;
/** After a move, one end is enough when the side is as good as certain. */
const SIDE_CERTAIN = 0.975;
/** Below this chance of being inside the vertical axis is not yet likely enough to leave. */
const VERTICAL_LIKELY_INSIDE = 0.5;
/** After this many ends undecided, the lateral axis may be mended: never wait for ever. */
const VERTICAL_PATIENCE_ENDS = 3;

/** Another shaft is dear: before it is asked for, two ends more than a turn wants have to say the same. */
const SPENT_ENDS_MORE = 2;
/** With nothing left to turn, more ends than this do not bring it in when it is likelier out. */
const GIVEN_UP_ENDS = 12;
const GIVEN_UP_BELOW = 0.4;
/** A bounce this likely is tried before the nocking point is said to be spent. */
const BOUNCE_LIKELY = 0.2;

/** Two shafts far apart prove nothing; from this many on their scatter is worth looking into. */
const SCATTERED_SHAFTS = 4;
/** Past the threshold by this much, and never by less than this in all, mm. */
const BOUNCE_CLEAR_MM = 2;
const LEAST_RAISE_MM = 4;

/** Why bow and arrow are not blamed yet. */
export type BlameWhy = 'scattered' | 'conflict' | 'contact';

/** What the butt says should happen now. */
export type BareShaftDecision =
  | { readonly kind: 'done' }
  | { readonly kind: 'checkBlame'; readonly why: BlameWhy; readonly items: readonly string[] }
  /** `likely` would be made if the next end agrees. */
  | {
      readonly kind: 'shoot';
      readonly why:
        | 'oneMoreInside'
        | 'oneLook'
        | 'farOutShot'
        | 'neverMixed'
        | 'sureButSmall'
        | 'verticalFirst'
        | 'undecided'
        | 'proveTheMove';
      readonly axis: BareShaftAxis | null;
      readonly likely: Remedy | null;
    }
  | {
      readonly kind: 'mend';
      readonly axis: BareShaftAxis;
      readonly remedy: Remedy;
      readonly others: readonly Remedy[];
    }
  /** From here bare shafts may miss the butt: nearer, before anything is turned. */
  | { readonly kind: 'nearer'; readonly distanceM: number }
  /** One numbered shaft lands apart from its fellows: set aside until it was looked over. */
  | { readonly kind: 'setAside'; readonly shaft: Extract<ShaftByShaft, { kind: 'oneApart' }> }
  /** Bare shafts in two heaps: their middle is no offset, and no turn mends it. */
  | { readonly kind: 'twoHeaps'; readonly heaps: Extract<ShaftByShaft, { kind: 'twoHeaps' }> }
  /** The tail bounces: well up first, then come down. */
  | { readonly kind: 'bounce'; readonly raiseMm: number; readonly chance: number }
  | { readonly kind: 'spent'; readonly axis: BareShaftAxis };

/**
 * Turn something, or shoot again? Vertical before lateral, one control at a time. A remedy is worth
 * making when the side of the offset is sure and the remedy, with its own uncertainty, takes more off
 * what is still to come than another end could be expected to.
 *
 * @param isSetAside remedies the tuner does not want now
 */
export function bareShaftDecision(
  state: BowState,
  oneOfThem: ShootingSession,
  verdict: BareShaftVerdict,
  isSetAside: (remedy: Remedy) => boolean,
): BareShaftDecision {
  const session = sittingOf(state, oneOfThem);
  if (verdict.done) return { kind: 'done' };
  const { apart } = verdict;
  if (apart?.kind === 'oneApart') return { kind: 'setAside', shaft: apart };
  if (apart?.kind === 'twoHeaps') return { kind: 'twoHeaps', heaps: apart };
  const distanceM = nearerDistanceM(session, verdict);
  if (distanceM !== null) return { kind: 'nearer', distanceM };
  const unchecked = blameList(state.bow.school).filter(({ id }) => !session.blameChecked.has(id));
  const why = blameWhy(state, session, verdict);
  if (why !== null && unchecked.length > 0)
    return { kind: 'checkBlame', why, items: unchecked.map(({ id }) => id) };

  // An aim that wandered between the ends passes for an offset: mixed in one end it does not.
  if (verdict.neverMixed) return { kind: 'shoot', why: 'neverMixed', axis: null, likely: null };
  const outlooks = Object.fromEntries(
    BARE_SHAFT_AXES.map((axis) => [axis, presentOutlook(state, session, axis)]),
  ) as Record<BareShaftAxis, PresentOutlook>;
  // One change, one proof: two before an end is shot, and neither can be told from the other.
  if (movedSinceLastEnd(state, session))
    return { kind: 'shoot', why: 'proveTheMove', axis: null, likely: null };
  const bounce = bounceRaise(state, outlooks.bareShaftUp, BOUNCE_SAID_AT);
  if (bounce !== null) return bounce;
  // A shot far from its kind that nobody called moves a mean of few: one end more before it is acted on.
  const endsFirst = verdict.farOutShotIds.length > 0 ? ENDS_FIRST + 1 : ENDS_FIRST;
  const wantedOf = (axis: BareShaftAxis) =>
    wanted(state, session, axis, { outlook: outlooks[axis], endsFirst, isSetAside });
  const vertical = wantedOf('bareShaftUp');
  const lateral = wantedOf('bareShaftOutward');
  const verticalSettled =
    outlooks.bareShaftUp.odds.inside >= VERTICAL_LIKELY_INSIDE ||
    endsSpeaking(state, session, 'bareShaftUp') >= VERTICAL_PATIENCE_ENDS;

  if (vertical.kind === 'mend') return vertical;
  if (lateral.kind === 'mend' && verticalSettled) return lateral;
  // Lower made it worse, and there is no lower to go: before the nocking point is given up, well up.
  const up =
    vertical.kind === 'spent' ? bounceRaise(state, outlooks.bareShaftUp, BOUNCE_LIKELY) : null;
  if (up !== null) return up;
  if (vertical.kind === 'spent' && lateral.kind !== 'mend') return vertical;
  if (lateral.kind === 'spent') return lateral;
  if (lateral.kind === 'mend')
    return {
      kind: 'shoot',
      why: 'verticalFirst',
      axis: 'bareShaftOutward',
      likely: lateral.remedy,
    };
  for (const one of [vertical, lateral])
    if (one.kind === 'oneLook')
      return { kind: 'shoot', why: one.why, axis: one.axis, likely: one.remedy };
  // What the verdict has called is not called undecided here.
  const called = BARE_SHAFT_AXES.toReversed().find((axis) => isOutCalled(verdict, axis));
  if (called !== undefined)
    return {
      kind: 'shoot',
      why: verdict[SHORT[called]].holds ? 'sureButSmall' : 'oneLook',
      axis: called,
      likely: null,
    };
  const bothInside = verdict.up.call === 'inside' && verdict.outward.call === 'inside';
  return {
    kind: 'shoot',
    why: bothInside ? 'oneMoreInside' : 'undecided',
    axis: null,
    likely: null,
  };
}

/** Which axis of a verdict. */
const SHORT = { bareShaftUp: 'up', bareShaftOutward: 'outward' } as const;

function isOutCalled(verdict: BareShaftVerdict, axis: BareShaftAxis): boolean {
  const { call } = verdict[SHORT[axis]];
  return call === 'plus' || call === 'minus';
}

/** Whether something that moves bare shafts was changed since the last end was shot. */
function movedSinceLastEnd(state: BowState, session: ShootingSession): boolean {
  const lastShot = session.shots.at(-1)?.index ?? -1;
  return state.upsets.some(
    (one) =>
      one.index > lastShot && (upsets(one, 'bareShaftVertical') || upsets(one, 'bareShaftLateral')),
  );
}

function blameWhy(
  state: BowState,
  session: ShootingSession,
  verdict: BareShaftVerdict,
): BlameWhy | null {
  if (verdict.scattered && verdict.counted.bare >= SCATTERED_SHAFTS) return 'scattered';
  if (hasConflict(state, session, verdict)) return 'conflict';
  return hasContactMarks(state, session) ? 'contact' : null;
}

/** A bounce that is as good as sure: a large raise, past where it probably begins. */
function bounceRaise(
  state: BowState,
  { model }: Outlook,
  saidAt: number,
): Extract<BareShaftDecision, { kind: 'bounce' }> | null {
  const { bounce } = model;
  if (bounce === null || bounce.now < saidAt) return null;
  const nowMm = state.moved.get('nockingPoint') ?? 0;
  const clearMm = (bounce.thresholdMm ?? nowMm) + BOUNCE_CLEAR_MM - nowMm;
  const room = nockingRoom(state).up;
  const raiseMm = Math.min(room, Math.max(LEAST_RAISE_MM, Math.ceil(clearMm)));
  return raiseMm > 0 ? { kind: 'bounce', raiseMm, chance: bounce.now } : null;
}

type Wanted =
  | Extract<BareShaftDecision, { kind: 'mend' | 'spent' }>
  | {
      readonly kind: 'oneLook';
      readonly why: 'oneLook' | 'farOutShot';
      readonly axis: BareShaftAxis;
      readonly remedy: Remedy;
    }
  | { readonly kind: 'nothing' };

/** What one axis would have done by itself. */
function wanted(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
  {
    outlook,
    endsFirst,
    isSetAside,
  }: {
    readonly outlook: Outlook;
    readonly endsFirst: number;
    readonly isSetAside: (remedy: Remedy) => boolean;
  },
): Wanted {
  const side = Math.max(outlook.plusSide, 1 - outlook.plusSide);
  const ends = endsSpeaking(state, session, axis);
  const sideNeeded = ends >= LONG_ENDS ? SIDE_AFTER_LONG : SIDE_SURE;
  if (side < sideNeeded || ends === 0) return { kind: 'nothing' };
  const all = remediesFor(state, session, axis);
  const remedies = all.filter((one) => !isSetAside(one));
  // What the tuner does not want now is no less there: only where there is truly nothing the shots are asked again.
  const spentEnds = endsFirst + (remedies.length < all.length ? 0 : SPENT_ENDS_MORE);
  const isOut = Math.max(outlook.odds.plus, outlook.odds.minus) >= SIDE_CERTAIN;
  // Given up after long, or certainly out: even a step hardly worth its trouble is better than nothing.
  const isGivenUp = ends >= GIVEN_UP_ENDS && outlook.odds.inside < GIVEN_UP_BELOW;
  const [first, ...others] = remedies.filter((one) =>
    isWorthMoving(one, ends, { isOut: isOut || isGivenUp, side }),
  );
  if (first === undefined)
    return (isOut && ends >= spentEnds) || isGivenUp
      ? { kind: 'spent', axis }
      : { kind: 'nothing' };
  const movedBefore = outlook.model.blocks.filter((one) => one.session === session).length > 1;
  if (ends >= endsFirst || (movedBefore && side >= SIDE_CERTAIN))
    return { kind: 'mend', axis, remedy: first, others };
  const why = ends >= ENDS_FIRST ? 'farOutShot' : 'oneLook';
  return { kind: 'oneLook', why, axis, remedy: first };
}

/** Certainly out, any step that helps is; undecided for long, one that helps a little and can be undone. */
function isWorthMoving(
  { worth, gain, reversible }: Remedy,
  ends: number,
  { isOut, side }: { readonly isOut: boolean; readonly side: number },
): boolean {
  if (isOut && ends >= ENDS_FIRST) return true;
  if (reversible)
    return worth >= WORTH_MOVING || (ends >= PATIENCE_ENDS && gain >= WORTH_AFTER_PATIENCE);
  // The saw waits until the side is as good as certain.
  if (side < SAW_SURE) return false;
  if (worth >= WORTH_MOVING) return true;
  if (ends < LONG_ENDS || gain < SAW_AFTER_LONG.gain) return false;
  return worth >= SAW_AFTER_LONG[ends >= 2 * LONG_ENDS ? 'worthAfterTwice' : 'worth'];
}
