import { expect, it } from 'vitest';
import { spreadCosts } from './spread-costs.ts';

const ORDINARY = { massG: 21, speedMps: 57 };

it('a gram costs its share of the drop, by hand', () => {
  // 9.80665 × 18² / (2 × 57²) = 0.48898 m of drop, over 21 + 8.2 g: 16.746 mm a gram.
  expect(spreadCosts(18, ORDINARY).mmPerG).toBeCloseTo(16.746, 2);
});

it('grows with the square of the distance by mass, in proportion by spine', () => {
  const [near, far] = [spreadCosts(18, ORDINARY), spreadCosts(72, ORDINARY)];
  expect(far.mmPerG / near.mmPerG).toBeCloseTo(16, 6);
  expect(far.mmPerSpine / near.mmPerSpine).toBeCloseTo(4, 6);
  expect(near.mmPerSpine).toBeCloseTo(0.7, 6);
});
