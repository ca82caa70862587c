/** All that is said of one proposal. */
export interface MoveWords {
  /** As an instruction: `3 twists in`. */
  readonly title: string;
  /** `Expect brace 8 5/8 ± 1/32 in`; null when nothing is predicted. */
  readonly expect: string | null;
  readonly why: string;
  /** The whole chain, one fact a line, with the data used. */
  readonly reasons: readonly string[];
  /** What would change this advice. */
  readonly wouldChange: string | null;
  readonly thenCheck: string | null;
  /** What the button says. */
  readonly doneLabel: string;
}

/** A title with nothing else said yet: what differs is spread over it. */
export function plainWords(title: string): MoveWords {
  return {
    title,
    expect: null,
    why: '',
    reasons: [],
    wouldChange: null,
    thenCheck: null,
    doneLabel: 'Done',
  };
}
