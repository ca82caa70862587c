import type { BowState } from '../log/bow-state.ts';
import type { ShootingBar } from './limit-refusal.ts';
import { stopsOf } from './stops.ts';

/**
 * What stands between this bow and its next shot, first things first: it is unsafe as it stands, it was
 * never looked over since it came in parts or got other limbs, or its string is new and neither nock fit
 * nor brace has been looked at with it.
 */
export function shootingBars(state: BowState): readonly ShootingBar[] {
  const bars: ShootingBar[] = [];
  if (stopsOf(state).length > 0) bars.push('stop');
  if (state.bow.inParts && !isSettledSince(state, 'inspect', -1)) bars.push('notAssembled');
  const limbsAt = fittedAt(state, 'limbs');
  if (limbsAt !== null) {
    if (!isSettledSince(state, 'inspect', limbsAt)) bars.push('notAssembled');
    if (braceReadAt(state) <= limbsAt) bars.push('braceUnread');
  }
  const stringAt = fittedAt(state, 'string') ?? (state.bow.inParts ? 0 : null);
  if (stringAt !== null) {
    if (!isSettledSince(state, 'nockFit', stringAt)) bars.push('nockFitOpen');
    if (braceReadAt(state) <= stringAt) bars.push('braceUnread');
  }
  return [...new Set(bars)];
}

/** Where in the log the string or the limbs on the bow were put on; null for what it came with. */
function fittedAt({ upsets }: BowState, item: 'string' | 'limbs'): number | null {
  return upsets.findLast((one) => one.kind === 'item' && one.item === item)?.index ?? null;
}

function braceReadAt({ readings }: BowState): number {
  return readings.get('braceHeight')?.at(-1)?.index ?? -1;
}

function isSettledSince(state: BowState, step: 'inspect' | 'nockFit', index: number): boolean {
  const confirmed = state.confirmed.get(step) ?? -1;
  const skipped = state.skipped.get(step)?.index ?? -1;
  return Math.max(confirmed, skipped) > index;
}
