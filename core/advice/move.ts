import type { CautionId } from '../craft/cautions.ts';
import type { Control } from '../craft/controls.ts';
import type { FitOutItem } from '../craft/fit-out.ts';
import type { ArrowState } from '../craft/range-terms.ts';
import type { SessionKind } from '../craft/session-kinds.ts';
import type { StepId } from '../craft/steps.ts';
import type { ShootingBar } from '../limits/limit-refusal.ts';
import type { SafetyStop } from '../limits/stops.ts';
import type { MoveBecause, OtherBecause } from './move-because.ts';

/** Where on the drawing a move takes the hand: the thread starts here. */
export type MovePlace =
  | 'string'
  | 'topLimb'
  | 'bottomLimb'
  | 'nockingPoint'
  | 'plunger'
  | 'brace'
  | 'tillerTop'
  | 'weight'
  | 'arrow'
  | 'bow'
  | 'butt';

/** Controls moved together in one go, each with how far: + is in, up, outward, stiffer, heavier. */
export type ChangeList = readonly { readonly control: Control; readonly amount: number }[];

/** What pressing “Done” means. */
type MoveAction =
  /** Log these changes: one move, one string-off. */
  | { readonly kind: 'change'; readonly changes: ChangeList }
  /** Put this on the entry line and let the tuner read the tool. */
  | { readonly kind: 'enterReading'; readonly entryText: string }
  | { readonly kind: 'confirmStep'; readonly step: StepId }
  /** Open the step's own sheet: a list to tick off, or a thing to describe. */
  | { readonly kind: 'openStep'; readonly step: StepId }
  /** The fit-out, with the change of this item begun. */
  | { readonly kind: 'fitItem'; readonly item: FitOutItem }
  | { readonly kind: 'fireShots'; readonly count: number }
  /** Go to the butt and shoot this many of each. */
  | { readonly kind: 'shootEnd'; readonly fletched: number; readonly bare: number }
  /** A session of this kind is agreed and begun. */
  | { readonly kind: 'openSession'; readonly sessionKind: SessionKind }
  /** The search for the quiet brace height. */
  | { readonly kind: 'openSearch' }
  /** The arrows, with this sheet open over them. */
  | { readonly kind: 'openArrows'; readonly sheet: 'buy' }
  /** Look at these before bow or arrow is blamed; ticking them off goes on. */
  | { readonly kind: 'checkBlame'; readonly sessionId: string; readonly items: readonly string[] }
  /** Close this session and open another, nearer to the butt. */
  | { readonly kind: 'shootNearer'; readonly sessionId: string; readonly distanceM: number }
  /** A numbered shaft leaves the session: what it shot counts no more. */
  | {
      readonly kind: 'setShaftAside';
      readonly sessionId: string;
      readonly arrow: ArrowState;
      readonly arrowNumber: number;
    }
  /** Sight or aim was set anew: what was hit before says nothing of what follows. */
  | { readonly kind: 'setAim'; readonly sessionId: string }
  /** Two settings are to be shot side by side before one is kept. */
  | {
      readonly kind: 'narrowExperiment';
      readonly experimentId: string;
      readonly best: number;
      readonly other: number;
    }
  /** Where bare shafts land, mm at 18 m, becomes what they are tuned to. */
  | { readonly kind: 'setLanding'; readonly outwardMm: number; readonly upMm: number }
  | { readonly kind: 'closeExperiment'; readonly experimentId: string }
  | { readonly kind: 'nothing' };

/** A second-best proposal. */
export interface OtherMove {
  readonly changes: ChangeList;
  readonly because: OtherBecause;
}

/**
 * One proposal, as data: which control and how far, where, why, what it is expected to do, what can go
 * wrong. Sentences are made of it in `words/moves`, and nothing here is made of a sentence.
 */
export interface Move {
  /** The same proposal has the same key, so that it can be set aside. */
  readonly key: string;
  readonly step: StepId | null;
  /** Why it is proposed, and what is expected of it. */
  readonly because: MoveBecause;
  readonly caution: CautionId | null;
  readonly place: MovePlace;
  readonly action: MoveAction;
  /** A tool that may be lacking: the step can be passed over for want of it. */
  readonly without: 'scale' | null;
  /** The best move of another kind, for who would rather not do this one. */
  readonly runnerUp: OtherMove | null;
  /** What will probably come next, for who wants to look ahead or go ahead. */
  readonly likelyAfter: Move | null;
  /** The hard limit that is passed: the bow is not shot until this is done. */
  readonly stop: SafetyStop | null;
  /** What keeps the bow from its first shot until this is done. */
  readonly bar: ShootingBar | null;
  /** Steps of the order of work that are not settled, though this comes after them. */
  readonly openBefore: readonly StepId[];
}

/** Rounds to a whole number of steps, clear of floating dust. */
export function roundToStep(amount: number, step: number): number {
  const rounded = Math.round(amount / step) * step;
  return Math.abs(rounded) < step / 2 ? 0 : Number(rounded.toFixed(6));
}

export function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}

/** A little inside the nearer edge of the band: the least move that will read as in band. */
export function nearestInside(
  value: number,
  band: { low: number; high: number },
  margin: number,
): number {
  const inset = Math.min(margin, (band.high - band.low) / 2);
  return clamp(value, band.low + inset, band.high - inset);
}
