import type {
  Felt,
  Heard,
  SearchBeginning,
  SearchPurpose,
  Silencers,
  SoundSource,
} from '../craft/search-terms.ts';

/** What can be said in a search for the quiet brace height. Lengths mm, levels dB of full scale. */
export type SearchBody =
  | {
      readonly kind: 'braceSearchOpened';
      readonly searchId: string;
      readonly purpose: SearchPurpose;
      /** Where it looks, inside the limits of the bow. */
      readonly lowMm: number;
      readonly highMm: number;
      readonly beginsAt: SearchBeginning;
      readonly silencers: Silencers;
      readonly distanceM: number;
      /** A second of sound around each shot stays with the record. */
      readonly keepsSounds: boolean;
      /** Shot with the stand-in, by this seed: nothing of it is the bow's. */
      readonly practiceSeed?: number | undefined;
      /** Looked at farther than the table goes: why. */
      readonly despite?: string | undefined;
    }
  | {
      /** Practice alone: the height the made-up bow stands at. A real one's is read. */
      readonly kind: 'practiceHeight';
      readonly searchId: string;
      readonly heightMm: number;
      /** Twists from the height before. */
      readonly twists: number;
    }
  | {
      readonly kind: 'shotHeard';
      readonly searchId: string;
      readonly source: SoundSource;
      readonly levelDb: number;
      readonly decayMs?: number | undefined;
      readonly centroidHz: number;
      /** Of the octaves in `core/sound/spectrum`, in their order. */
      readonly octavesDb: readonly number[];
      readonly roomDb: number;
      /** The kept second of it. */
      readonly soundId?: string | undefined;
      /** Shot with silencers on, where the search is shot without. */
      readonly silenced?: boolean | undefined;
    }
  | {
      /** What ear, hand and arm say of the height the bow stands at. Later words add to it. */
      readonly kind: 'heightJudged';
      readonly searchId: string;
      readonly heard?: Heard | undefined;
      readonly felt?: Felt | undefined;
      readonly armTouched?: boolean | undefined;
      readonly groupMm?: number | undefined;
      /** With silencers back on it was shot once, and was as calm. */
      readonly silencersSeen?: boolean | undefined;
    }
  | {
      /** The best two are shot one after the other: best, other, best. */
      readonly kind: 'bestTwoBegun';
      readonly searchId: string;
      readonly bestMm: number;
      readonly otherMm: number;
    }
  | {
      readonly kind: 'braceSearchClosed';
      readonly searchId: string;
      /** Where it settled; absent: it was left. */
      readonly settledMm?: number | undefined;
      /** As the sketch of its neighbours stood then: it can be judged again another year. */
      readonly alikeMm?: readonly number[] | undefined;
    };
