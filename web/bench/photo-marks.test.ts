import { expect, it } from 'vitest';
import { MARK_STEPS, marksOf } from './photo-marks.ts';

const points = MARK_STEPS.map((_, index) => ({
  x: index,
  y: 10 * index,
  sdPx: index === 5 ? 2 : 0,
}));

it('waits for all that is needed, and takes the rod only when both its edges are marked', () => {
  const needed = MARK_STEPS.filter(({ optional }) => !optional).length;
  expect(marksOf(points.slice(0, needed - 1), 100)).toBeNull();
  expect(marksOf(points.slice(0, needed), 100)?.rod).toBeNull();
  expect(marksOf(points.slice(0, needed + 1), 100)?.rod).toBeNull();
  const all = marksOf(points, 100);
  expect(all?.string).toHaveLength(4);
  // The mark placed worst decides.
  expect(all?.markSdPx).toBe(2);
  expect(all?.rod?.[0]).toEqual(points[needed]);
  expect(all?.scale).toEqual({ ends: [points[8], points[9]], mm: 100 });
});
