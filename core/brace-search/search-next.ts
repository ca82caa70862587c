import type { BraceStanding } from './brace-decision.ts';
import type { HeightVisit } from './height-visits.ts';

/** Why the string is turned. */
export type TwistFor =
  /** To where the search was to begin. */
  | 'begin'
  /** To a height that may be quieter. */
  | 'look'
  /** Back to the one it settles on. */
  | 'return'
  /** To the other of the best two. */
  | 'other';

/** What a search wants next, as data. */
export type SearchNext =
  | { readonly kind: 'readBrace'; readonly have: number; readonly want: number }
  | { readonly kind: 'shoot'; readonly have: number; readonly want: number }
  | {
      readonly kind: 'twist';
      readonly twists: number;
      readonly heightMm: number;
      readonly for: TwistFor;
      /** What it is expected to bring, dB; null where it is not to bring any. */
      readonly worthDb: number | null;
    }
  /** Shot without silencers: one shot with them on, before it is settled. */
  | { readonly kind: 'seeSilencers' }
  | { readonly kind: 'settle'; readonly heightMm: number; readonly flat: boolean }
  /** The string touched the arm up to the highest height there is. */
  | { readonly kind: 'armAlways' }
  | { readonly kind: 'over' };

export interface SearchStanding {
  readonly visits: readonly HeightVisit[];
  /** Where the bow stands: the last of the visits; null before practice has begun. */
  readonly here: HeightVisit | null;
  readonly twistMm: number;
  /** The curve with what it says; null while nothing was found at any height. */
  readonly judged: BraceStanding | null;
  readonly touchedMm: number | null;
  /** Whether so many twists stay inside the limits, as little as a twist is known. */
  readonly mayTwist: (twists: number) => boolean;
  /** Times the string came off for it, those of the best two apart. */
  readonly stringOffs: number;
  readonly bestTwoStringOffs: number;
  /** What a string that still creeps loses meanwhile, mm; null: nothing to speak of. */
  readonly creepMm: number | null;
  readonly next: SearchNext;
}

/** The same before it is decided what it wants. */
export type SearchSoFar = Omit<SearchStanding, 'next'>;
