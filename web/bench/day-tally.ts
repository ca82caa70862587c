import { CONTROL_FACTS } from '#core/craft/controls.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { shotsIn } from '#core/log/shots-in.ts';

export interface DayTally {
  readonly stringOffs: number;
  readonly shots: number;
}

/** Day's limits after which a tired archer's data is worse data; said in words when near. */
const MANY_STRING_OFFS = 10;
const MANY_SHOTS = 100;

/**
 * String-offs and shots of the day. What is turned in one unstringing counts once: changes that
 * need the bow unstrung, with nothing measured or shot between them.
 */
export function dayTally(state: BowState, now: Date): DayTally {
  const midnight = new Date(now.getFullYear(), now.getMonth(), now.getDate());
  const nextMidnight = new Date(now.getFullYear(), now.getMonth(), now.getDate() + 1);
  const [from, to] = [midnight.toISOString(), nextMidnight.toISOString()];
  let stringOffs = 0;
  let shots = 0;
  let unstrung = false;
  for (const entry of state.active) {
    // Instants are written alike, so their texts compare as they do.
    if (entry.at < from || entry.at >= to) continue;
    const { body } = entry;
    if (body.kind === 'change' && CONTROL_FACTS[body.control].needsUnstrung) {
      if (!unstrung) stringOffs += 1;
      unstrung = true;
    } else if (body.kind === 'reading' || shotsIn(body) > 0) {
      unstrung = false;
      shots += shotsIn(body);
    }
  }
  return { stringOffs, shots };
}

/** `1 string-off today, 42 shots.` with a word of care when the day grows long. */
export function tallyWords({ stringOffs, shots }: DayTally): string {
  const words = `${stringOffs} ${stringOffs === 1 ? 'string-off' : 'string-offs'} today, ${shots} ${shots === 1 ? 'shot' : 'shots'}.`;
  return stringOffs >= MANY_STRING_OFFS || shots >= MANY_SHOTS
    ? `${words} A long day: tired data misleads.`
    : words;
}
