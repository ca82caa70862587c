import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PLAIN_BUILD } from '#core/fixtures/plain-build.ts';
import { arrowView } from './arrow-view.ts';

const FULL = {
  ...PLAIN_BUILD,
  collar: { massG: 0.3, lengthMm: 8 },
  footing: { massG: 1, lengthMm: 60 },
  wrap: { massG: 0.4, lengthMm: 100, fromThroatMm: 15 },
};

describe('the drawing of an arrow', () => {
  it('is to scale: what is twice as far from the throat lies twice as far', () => {
    const view = arrowView(PLAIN_BUILD, { widthPx: 1000, leastMm: 700, hasLabels: true });
    const { shaft } = PLAIN_BUILD;
    expect((view.endX - view.throatX) / view.pxPerMm).toBeCloseTo(shaft.lengthMm, 6);
    expect((view.middleX - view.throatX) * 2).toBeCloseTo(view.endX - view.throatX, 6);
    expect((view.leastX! - view.throatX) / view.pxPerMm).toBeCloseTo(700, 6);
    expect(view.halfAtPoint * 2).toBeCloseTo(shaft.diameterAtPointMm * view.pxPerMm, 6);
    expect(view.tipX).toBeLessThan(1000);
  });

  it('has the balance in front of the middle, and an uncut shaft on the sheet', () => {
    const view = arrowView(PLAIN_BUILD, { widthPx: 360, leastMm: null, hasLabels: false });
    expect(view.balanceX).toBeGreaterThan(view.middleX);
    expect(view.fullX).toBeLessThanOrEqual(360);
    expect(view.leastX).toBeNull();
  });

  it('sets no words over others, whatever the width and the length', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 820, max: 1400 }),
        fc.integer({ min: 450, max: 820 }),
        (widthPx, lengthMm) => {
          const { labels } = arrowView(
            { ...FULL, shaft: { ...FULL.shaft, lengthMm } },
            { widthPx, leastMm: 700, hasLabels: true },
          );
          expect(labels).toHaveLength(8);
          for (const [at, { labelX }] of labels.entries()) {
            expect(labelX).toBeGreaterThanOrEqual(0);
            expect(labelX + 102).toBeLessThanOrEqual(widthPx + 1);
            if (at > 0) expect(labelX - labels[at - 1]!.labelX).toBeGreaterThanOrEqual(102);
          }
        },
      ),
    );
  });
});
