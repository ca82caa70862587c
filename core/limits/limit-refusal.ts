import type { FitOutItem } from '../craft/fit-out.ts';
import type { BraceLimit } from './brace-limit.ts';

/** Which limit a proposal would pass, as data: words are made of it in one place. */
export type LimitPassed =
  | {
      readonly code: 'beyondBoltTravel';
      readonly bolt: 'top' | 'bottom';
      /** Where the bolt would stand, turns out; negative is past the stop. */
      readonly outTurns: number;
      readonly travelTurns: number;
      readonly guessed: boolean;
    }
  | { readonly code: 'boltsTooFarApart'; readonly apartTurns: number }
  | { readonly code: 'boltsNotCounted' }
  | {
      readonly code: 'twistsOutside';
      readonly twists: number;
      readonly fewest: number;
      readonly most: number;
    }
  /** So many have gone into (or out of) a string whose twists nobody has counted. */
  | { readonly code: 'twistsNotCounted'; readonly turned: number }
  | {
      readonly code: 'shaftTooShort';
      readonly leastMm: number;
      /** What may still be cut off the shaft on the bow, mm. */
      readonly leftMm: number;
      readonly lengthMm: number;
    }
  | { readonly code: 'shaftNotMeasured'; readonly missing: 'shaft' | 'draw' }
  | { readonly code: 'shaftCannotGrow' }
  | { readonly code: 'braceOutside'; readonly braceMm: number; readonly limit: BraceLimit }
  | {
      readonly code: 'locatorOutside';
      readonly heightMm: number;
      readonly low: number;
      readonly high: number;
      /** False where no reading says where it stands: counted from where it began. */
      readonly measured: boolean;
    }
  | {
      readonly code: 'sideScrewsSpent';
      readonly limb: 'top' | 'bottom';
      readonly turns: number;
      readonly mostTurns: number;
      readonly guessed: boolean;
    }
  | {
      readonly code: 'pointOutside';
      readonly pointG: number;
      readonly lowG: number;
      readonly highG: number;
    }
  | {
      readonly code: 'arrowTooLight';
      readonly massG: number;
      readonly leastG: number;
      readonly source: 'maker' | 'rule of thumb';
    }
  /** So much softer than the starting table that it can break. */
  | {
      readonly code: 'shaftTooSoft';
      readonly spine: number;
      readonly startingSpine: number;
      readonly stepsSoft: number;
    }
  | {
      readonly code: 'distanceTooFar';
      readonly distanceM: number;
      readonly farthestM: number;
      readonly why: 'neverShot' | 'shotNear' | 'strayed';
    }
  | { readonly code: 'notToBeShot'; readonly first: ShootingBar }
  /** Entries of this bow cannot be read: nothing that has no way back is done on what is left. */
  | { readonly code: 'recordHasGaps'; readonly unreadable: number }
  | {
      readonly code: 'notOnThisBow';
      readonly item: FitOutItem | null;
    };

/** What stands between a bow and its first shot. */
export type ShootingBar = 'stop' | 'notAssembled' | 'nockFitOpen' | 'braceUnread';

/** A refused proposal: which entry, which limit, and the nearest amount that is allowed. */
export type LimitRefusal = LimitPassed & {
  /** Place of the entry at fault among those proposed. */
  readonly at: number;
  /** Of the same control, in its unit; null where none helps or there is no amount. */
  readonly nearest: number | null;
};
