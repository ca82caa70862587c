/** What a brace search is for. */
export const SEARCH_PURPOSES = ['quiet', 'lowestClear', 'groups'] as const;
export type SearchPurpose = (typeof SEARCH_PURPOSES)[number];

/** Where it begins: just inside the lower limit, in the middle, or where the bow stands. */
export const SEARCH_BEGINNINGS = ['low', 'middle', 'here'] as const;
export type SearchBeginning = (typeof SEARCH_BEGINNINGS)[number];

/** What is on the string while it is searched. */
export const SILENCERS = ['none', 'off', 'on'] as const;
export type Silencers = (typeof SILENCERS)[number];

/** A height by ear, against the height before. */
export const HEARD = ['quieter', 'same', 'louder'] as const;
export type Heard = (typeof HEARD)[number];

/** The same by the hand that holds the bow: how much it jumps. */
export const FELT = ['calmer', 'same', 'jumpier'] as const;
export type Felt = (typeof FELT)[number];

/** Where the sound of a shot comes from; the stand-in's is no bow's. */
export const SOUND_SOURCES = ['microphone', 'file', 'standIn'] as const;
export type SoundSource = (typeof SOUND_SOURCES)[number];

export const SEARCH_PURPOSE_LABEL: Readonly<Record<SearchPurpose, string>> = {
  quiet: 'quiet and calm',
  lowestClear: 'lowest that clears the arm',
  groups: 'quiet now, groups decide later',
};
export const SEARCH_BEGINNING_LABEL: Readonly<Record<SearchBeginning, string>> = {
  low: 'the low end',
  middle: 'the middle',
  here: 'where it stands',
};
export const SILENCERS_LABEL: Readonly<Record<Silencers, string>> = {
  none: 'there are none',
  off: 'taken off',
  on: 'on',
};

/** Shots that are recorded, or listened to, at one height. */
export const SHOTS_A_HEIGHT = 3;
/** Fewer say little of what one height sounds like. */
export const FEWEST_SHOTS_A_HEIGHT = 2;
/** Readings of the brace at one height. */
export const READINGS_A_HEIGHT = 3;
