import type { ArrowState } from '../craft/range-terms.ts';
import { isCounted, type Shot } from '../log/shooting.ts';
import type { AxisEnd } from './ends-posterior.ts';

/**
 * One axis of what was shot, end by end in shooting order: fletched practice arrows, and those that are
 * judged against them. Every other shot, and what does not count, is left out.
 *
 * @returns mm from the mark; an end has `bareMm` for what is judged
 */
export function axisEnds(
  shots: readonly Shot[],
  axis: 'outwardMm' | 'upMm',
  judged: readonly ArrowState[],
): readonly AxisEnd[] {
  const ends = new Map<number, { fletchedMm: number[]; bareMm: number[] }>();
  for (const shot of shots) {
    const isJudged = judged.includes(shot.arrow);
    if (!isCounted(shot) || !(isJudged || shot.arrow === 'fletched')) continue;
    const end = ends.get(shot.endNumber) ?? { fletchedMm: [], bareMm: [] };
    ends.set(shot.endNumber, end);
    (isJudged ? end.bareMm : end.fletchedMm).push(shot[axis]);
  }
  return [...ends.entries()].sort(([one], [other]) => one - other).map(([, end]) => end);
}
