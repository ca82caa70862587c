import type { BadFileSaid } from '#contract/file-import.ts';

/** A file that cannot be taken: where in it, what is wrong there, and what to do. Nothing was changed. */
export class BadFile extends Error {
  readonly said: BadFileSaid;

  constructor(place: string, says: string, remedy: string) {
    super(`${place}: ${says} Nothing was changed. ${remedy}`);
    this.said = { place, says, remedy };
  }
}

export const SAVE_AGAIN = 'Save the file anew where it came from, or choose another copy of it.';
export const NEWER_PROGRAM = 'Start the newer program and take it in there.';
