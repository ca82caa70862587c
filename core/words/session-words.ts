import type { SessionProblem } from '../session/session-wish.ts';

/** What is said of a session that cannot be opened as wished. */
export const SESSION_PROBLEM_WORDS: Readonly<Record<SessionProblem, string>> = {
  distance: 'Distance: 2 to 120 m.',
  tolerance: 'Good enough: a size above 0.',
  butt: 'Butt: its width.',
  lean: 'Lean: degrees, at most 60; minus is to the left.',
  arrowSpeed: 'Arrow speed: 20 to 120 m/s, or leave it empty.',
  markBelowTop: 'Mark: how far below the top of the butt.',
  rangeAndStep: 'Range and step: the range holds at least one step.',
  tooManySettings: 'More than eight steps each way: take a larger step.',
  shotsADay: 'Shots a day: 6 to 500.',
};
