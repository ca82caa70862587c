import fc from 'fast-check';
import { expect, it } from 'vitest';
import { buttView, fittingHalfRange, zoomed } from './butt-view.ts';

it('puts a tap back where it was drawn, for both hands', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -140, max: 140 }),
      fc.integer({ min: -140, max: 140 }),
      fc.constantFrom('left' as const, 'right' as const),
      (outwardMm, upMm, hand) => {
        const view = buttView(600, 570, 150, hand, 'cm');
        const back = view.toButt(view.x(outwardMm), view.y(upMm));
        expect(back.outwardMm + 0).toBe(outwardMm + 0);
        expect(back.upMm + 0).toBe(upMm + 0);
      },
    ),
  );
});
it('shows outward on the left of a right-hander’s butt', () => {
  const view = buttView(600, 600, 150, 'right', 'cm');
  expect(view.x(10)).toBeLessThan(view.x(0));
  expect(view.y(10)).toBeLessThan(view.y(0));
});
it('widens for a far shot and steps through its zoom levels', () => {
  expect(fittingHalfRange([])).toBe(150);
  const far = { outwardMm: 380, upMm: 0 } as Parameters<typeof fittingHalfRange>[0][number];
  expect(fittingHalfRange([far])).toBe(450);
  expect(zoomed(150, 1)).toBe(200);
  expect(zoomed(100, -1)).toBe(100);
});
