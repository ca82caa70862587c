import { z } from 'zod';

/** Longest name and free text accepted, so that one entry can never fill the disk. */
const MOST_NAME = 80;
const MOST_TEXT = 2000;

export const id = z.uuid();

/**
 * Text that is stored just as it was sent: whole characters and no NUL. Half a character, or what
 * stands behind a NUL, would come back from the disk as something else.
 */
function plain(most: number) {
  return z
    .string()
    .max(most)
    .refine((text) => text.isWellFormed(), 'holds half a character')
    .refine((text) => !text.includes('\u0000'), 'holds a NUL');
}

/** A name may be left out; it neither begins nor ends with a blank. */
export const name = plain(MOST_NAME).refine(
  (text) => text.trim() === text,
  'begins or ends with a blank',
);
export const shortText = name.refine((text) => text !== '', 'is empty');
export const text = plain(MOST_TEXT);

const MOST_REASON = 200;
/** Why something is written down though a limit speaks against it. */
export const reason = plain(MOST_REASON).refine((words) => words.trim() !== '', 'is empty');

/** Years a device's clock can show: before and after, it was never set. */
const YEARS = { first: 2000, last: 2199 } as const;
/** Longest way to write an instant down: to the microsecond, with an offset. */
const MOST_INSTANT = 35;

/** A moment as ISO 8601 in UTC. */
export const instant = z.iso
  .datetime()
  .max(MOST_INSTANT)
  .refine((at) => {
    const year = Number(at.slice(0, 4));
    return year >= YEARS.first && year <= YEARS.last;
  }, 'lies outside the years 2000 to 2199');

/** Any figure at all: where it can lie is asked by `core/limits/figure-ranges`. */
export const figure = z.number().min(-1e5).max(1e5);
export const positive = z.number().positive().max(1e5);
