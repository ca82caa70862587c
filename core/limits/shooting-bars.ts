import type { BowState } from '../log/bow-state.ts';
import type { ShootingBar } from './limit-refusal.ts';
import { stopsOf } from './stops.ts';

/**
 * What stands between this bow and its next shot, first things first: it is unsafe as it stands, it was
 * never looked over since it came in parts, or its string is new and neither nock fit nor brace has
 * been looked at with it.
 */
export function shootingBars(state: BowState): readonly ShootingBar[] {
  const bars: ShootingBar[] = [];
  if (stopsOf(state).length > 0) bars.push('stop');
  if (state.bow.inParts && !isSettledSince(state, 'inspect', -1)) bars.push('notAssembled');
  const stringAt = stringSince(state);
  if (stringAt !== null) {
    if (!isSettledSince(state, 'nockFit', stringAt)) bars.push('nockFitOpen');
    const read = state.readings.get('braceHeight')?.at(-1)?.index ?? -1;
    if (read <= stringAt) bars.push('braceUnread');
  }
  return bars;
}

/** When the string on the bow was put on, as far as this record saw it; null for one it came with. */
function stringSince({ upsets, bow }: BowState): number | null {
  const fitted = upsets.findLast((one) => one.kind === 'item' && one.item === 'string');
  return fitted?.index ?? (bow.inParts ? 0 : null);
}

function isSettledSince(state: BowState, step: 'inspect' | 'nockFit', index: number): boolean {
  const confirmed = state.confirmed.get(step) ?? -1;
  const skipped = state.skipped.get(step)?.index ?? -1;
  return Math.max(confirmed, skipped) > index;
}
