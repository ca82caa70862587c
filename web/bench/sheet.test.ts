import { describe, expect, it } from 'vitest';
import type { MovePlace } from '#core/advice/move.ts';
import { SHEET, sheetX, threadPath } from './sheet.ts';

const PLACES: readonly MovePlace[] = [
  'string',
  'topLimb',
  'bottomLimb',
  'nockingPoint',
  'plunger',
  'brace',
  'tillerTop',
  'weight',
  'arrow',
  'bow',
  'butt',
];
/** Where the drawing writes names and figures, as a left-hander's sheet: x, y, width, height. */
const WRITTEN = [
  [356, 112, 232, 60],
  [356, 349, 232, 60],
  [356, 478, 232, 60],
  [8, 224, 150, 80],
  [8, 520, 150, 80],
] as const;

/** The corners of a path of M, H, V and L. */
function corners(path: string): readonly (readonly [x: number, y: number, isNew: boolean])[] {
  let [x, y] = [0, 0];
  return [...path.matchAll(/([MHVL])([\d.]+)(?: ([\d.]+))?/g)].map(([, kind, first, second]) => {
    if (kind === 'V') y = Number(first);
    else x = Number(first);
    if (second !== undefined) y = Number(second);
    return [x, y, kind === 'M'] as const;
  });
}

describe('the thread from a place to the next move', () => {
  it.each(PLACES)('from %s crosses no figure on either sheet, and ends at the margin', (place) => {
    for (const hand of ['left', 'right'] as const) {
      const along = corners(threadPath(place, hand));
      expect(along.at(-1)![0]).toBe(SHEET.edgeX);
      for (const [index, [toX, toY, isNew]] of along.entries()) {
        const from = along[index - 1];
        if (isNew || from === undefined) continue;
        for (let step = 0; step <= 100; step += 1) {
          const x = from[0] + ((toX - from[0]) * step) / 100;
          const y = from[1] + ((toY - from[1]) * step) / 100;
          for (const [left, top, width, height] of WRITTEN) {
            const [one, other] = [sheetX(left, hand), sheetX(left + width, hand)];
            const isInside =
              x > Math.min(one, other) && x < Math.max(one, other) && y > top && y < top + height;
            expect(isInside, `${hand}: ${x}, ${y}`).toBe(false);
          }
        }
      }
    }
  });
});
