import { showLength } from '../quantity/show.ts';
import type { BowState } from '../log/bow-state.ts';
import { measureMove } from './bench-moves.ts';
import type { Move } from './move.ts';
import { pooledValue } from '../setup/pooled-value.ts';
import { beyondBand, type StepStatus } from '../order/step-states.ts';
import { targetFor } from '../setup/targets.ts';

/**
 * A single brace reading outside the limits that all readings together speak against: it is read
 * again before anything is turned for it. Null once a second reading says the same, or when the
 * earlier readings agree.
 */
export function readAgainMove(state: BowState, status: StepStatus): Move | null {
  const limit = targetFor(state, 'braceHeight')?.limit ?? null;
  const [before, last] = (state.readings.get('braceHeight') ?? []).slice(-2);
  const pooled = pooledValue(state, 'braceHeight');
  if (limit === null || pooled === null || before === undefined || last === undefined) return null;
  const outside = (value: number) => beyondBand(value, limit) !== 0;
  if (!outside(last.mean) || outside(before.mean) || outside(pooled)) return null;
  const again = measureMove(state, { ...status, missing: ['braceHeight'] });
  if (again === null) return null;
  const whose = limit.source === 'maker' ? 'the maker’s limits' : 'the limits';
  return {
    ...again,
    key: 'readAgain:braceHeight',
    title: 'Measure brace height again',
    why: `It reads ${showLength(last.mean, state.bow)}, outside ${whose}, where all readings together say ${showLength(pooled, state.bow)}. Nothing is turned for one reading; do not shoot until it is inside.`,
    wouldChange: 'A second reading that says the same.',
    stop: true,
  };
}
