import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  poundsOfSpine,
  spineOfPounds,
  spineOfStiffness,
  stiffnessOfSpine,
} from './static-spine.ts';

describe('static spine', () => {
  it('500: sags half an inch under 1.94 lb on 28 in, EI by hand', () => {
    // P = 8.62955 N, S³ = 0.7112³ = 0.359729 m³, δ = 0.0127 m: EI = 3.10430 / 0.6096 = 5.0924 N m².
    expect(stiffnessOfSpine(500)).toBeCloseTo(5.0924, 3);
  });

  it.each([
    // Sag on 26 in under 2 lb = spine / 1000 × 2 / 1.94 × (26 / 28)³; pounds = 26 over it.
    [300, 104.997],
    [400, 78.748],
    [500, 62.998],
    [600, 52.499],
    [700, 44.999],
    [900, 34.999],
    [1200, 26.249],
  ])('%d thousandths are %d pounds of wood', (spine, pounds) => {
    expect(poundsOfSpine(spine) / pounds).toBeCloseTo(1, 4);
    expect(spineOfPounds(pounds) / spine).toBeCloseTo(1, 4);
  });

  it('goes there and back, and a softer shaft is a larger number of fewer pounds', () => {
    const spine = fc.double({ min: 150, max: 2000, noNaN: true });
    fc.assert(
      fc.property(spine, spine, (one, other) => {
        expect(spineOfStiffness(stiffnessOfSpine(one))).toBeCloseTo(one, 6);
        expect(spineOfPounds(poundsOfSpine(one))).toBeCloseTo(one, 6);
        if (one > other * 1.001) {
          expect(stiffnessOfSpine(one)).toBeLessThan(stiffnessOfSpine(other));
          expect(poundsOfSpine(one)).toBeLessThan(poundsOfSpine(other));
        }
      }),
    );
  });
});
