import { learnedGains, readingAfter } from '../gains/learned-gains.ts';
import { mixtureMean } from '../numeric/normal-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import type { TargetId } from './targets.ts';

const STILL = new Map<never, never>();

/**
 * The best estimate of a reading from everything that has been read since the string was fitted,
 * earlier readings carried over by the learned gains. A single odd reading does not call for a
 * string-off. Null where the reading is judged by its last measurement alone.
 */
export function pooledValue(state: BowState, id: TargetId): number | null {
  const gains = learnedGains(state);
  const level = (kind: 'braceHeight' | 'tillerTop' | 'tillerBottom' | 'drawWeight') => {
    if (!gains.plane.isRead(kind)) return null;
    const mixture = readingAfter(gains, kind, STILL);
    return mixture === null ? null : mixtureMean(mixture);
  };
  if (id === 'braceHeight' || id === 'drawWeight') return level(id);
  if (id !== 'tiller') return null;
  const top = level('tillerTop');
  const bottom = level('tillerBottom');
  return top === null || bottom === null ? null : top - bottom;
}
