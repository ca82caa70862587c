import { z } from 'zod';

/** Longest name and free text accepted, so that one entry can never fill the disk. */
export const MOST_NAME = 80;
export const MOST_TEXT = 2000;

export const id = z.uuid();
export const shortText = z.string().trim().min(1).max(MOST_NAME);
export const text = z.string().max(MOST_TEXT);
