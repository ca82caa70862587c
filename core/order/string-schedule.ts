import { STRING_CHECK_SHOTS } from '../craft/fit-out.ts';
import type { BowState } from '../log/bow-state.ts';
import { FIRST_STRING } from '../log/strings.ts';

/** When the brace of a string being shot in is looked at next. */
export interface StringSchedule {
  readonly shots: number;
  /** The check that is due now, in shots on this string; null when none is. */
  readonly due: number | null;
  /** The next one to come; null when the string has settled. */
  readonly next: number | null;
}

/**
 * The schedule of the string on the bow: brace is read again after 20, 50 and 100 shots. A check is
 * done by a brace reading taken at that count or later.
 */
export function stringSchedule(state: BowState): StringSchedule {
  const { fitted } = state.strings;
  // The string a bow came with may be as new as any: nobody said otherwise.
  if (!fitted.knownNew && fitted.stringId !== FIRST_STRING)
    return { shots: fitted.shots, due: null, next: null };
  const readAtShots = shotsAtLastBrace(state);
  const due = STRING_CHECK_SHOTS.findLast((mark) => mark <= fitted.shots && mark > readAtShots);
  return {
    shots: fitted.shots,
    due: due ?? null,
    next: STRING_CHECK_SHOTS.find((mark) => mark > fitted.shots) ?? null,
  };
}

/** Shots the fitted string had when its brace was last read; 0 when it never was. */
function shotsAtLastBrace(state: BowState): number {
  const last = state.readings.get('braceHeight')?.at(-1);
  const now = state.stringTurns.at(-1)!.last;
  if (last?.under.stringTurn !== now.stringTurn) return 0;
  return state.strings.fitted.shots - (now.shots - last.under.shots);
}
