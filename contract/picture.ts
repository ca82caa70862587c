/** Pictures that may be kept with a session: what a browser can make and show. */
export const PICTURE_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export type PictureType = (typeof PICTURE_TYPES)[number];

/** Larger pictures are made smaller before they are sent. */
export const MOST_PICTURE_BYTES = 3_000_000;
