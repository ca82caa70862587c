/** A trailing reason: `done sawn yesterday` for what was done already, `because …` for a choice. */
export interface ReasonTaken {
  /** The text without it. */
  readonly text: string;
  readonly how: 'done' | 'because' | null;
  /** Empty while it is still to be typed. */
  readonly why: string;
}

const REASON = /[\s,;]+(done|because)(?:[\s:,]+(.*))?$/is;
/** Longest reason that is kept. */
const MOST_REASON = 200;

/** Takes the reason off the end of a text, where one stands behind the code. */
export function takeReason(text: string, argumentAt: number): ReasonTaken {
  const found = REASON.exec(text.slice(argumentAt));
  if (found === null) return { text, how: null, why: '' };
  return {
    text: text.slice(0, argumentAt + found.index),
    how: found[1]?.toLowerCase() === 'done' ? 'done' : 'because',
    why: (found[2] ?? '').trim().slice(0, MOST_REASON),
  };
}
