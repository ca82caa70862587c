import type { ShootingSession } from '../log/shooting.ts';

/**
 * The ends of a session that are whole: every one that another was begun after, the first, and the last
 * once as many arrows have been shot in it as in the smallest end before it. A look at half an end is
 * no look: one more arrow cannot turn “by this one look” into “and it is not you”.
 */
export function wholeEndNumbers({ shots, closed }: ShootingSession): ReadonlySet<number> {
  const counts = new Map<number, number>();
  for (const { endNumber } of shots) counts.set(endNumber, (counts.get(endNumber) ?? 0) + 1);
  const last = Math.max(...counts.keys());
  const before = [...counts].filter(([end]) => end !== last).map(([, count]) => count);
  const isLastWhole = closed || before.length === 0 || counts.get(last)! >= Math.min(...before);
  return new Set([...counts.keys()].filter((end) => end !== last || isLastWhole));
}
