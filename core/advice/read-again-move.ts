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
  const reading = 'braceHeight';
  const limit = targetFor(state, reading)?.limit ?? null;
  const [before, last] = (state.readings.get(reading) ?? []).slice(-2);
  const pooledMm = pooledValue(state, reading);
  if (limit === null || pooledMm === null || before === undefined || last === undefined)
    return null;
  // Read again already: replicates on one line are as good as lines of their own.
  if (last.values.length > 1) return null;
  const outside = (value: number) => beyondBand(value, limit) !== 0;
  if (!outside(last.mean) || outside(before.mean) || outside(pooledMm)) return null;
  const again = measureMove({ ...status, missing: [reading] });
  if (again === null) return null;
  return {
    ...again,
    key: 'readAgain:braceHeight',
    because: { topic: 'readAgain', status, reading, readMm: last.mean, pooledMm, limit },
  };
}
