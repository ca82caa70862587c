/** Pictures that may be kept with a session: what a browser can make and show. */
export const PICTURE_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;

/** What may be kept besides words: pictures, and a second of sound around a shot. */
export const KEPT_TYPES = [...PICTURE_TYPES, 'audio/wav'] as const;
export type KeptType = (typeof KEPT_TYPES)[number];

/** Larger pictures are made smaller before they are sent. */
export const MOST_PICTURE_BYTES = 3_000_000;
