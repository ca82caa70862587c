import { describe, expect, it } from 'vitest';
import { HEARD } from '../craft/search-terms.ts';
import { heardLikelihood } from './heard.ts';

describe('heardLikelihood', () => {
  it.each([-6, -1.3, 0, 0.4, 2, 8])('is a chance of three at %d dB', (db) => {
    const sum = HEARD.reduce((all, heard) => all + Math.exp(heardLikelihood(heard, db).log), 0);
    expect(sum).toBeCloseTo(1, 12);
  });

  it('is symmetric, and by hand at no difference: ± 0.7 dB of an ear of 0.8 dB, 1 in 5 at random', () => {
    expect(heardLikelihood('louder', 2)).toEqual(
      expect.objectContaining({ log: heardLikelihood('quieter', -2).log }),
    );
    // Φ(0.875) − Φ(−0.875) = 0.6184; 0.2 / 3 + 0.8 · 0.6184 = 0.5614.
    expect(Math.exp(heardLikelihood('same', 0).log)).toBeCloseTo(0.5614, 3);
  });

  it('is never surer than its lapses let it be', () => {
    expect(Math.exp(heardLikelihood('quieter', 40).log)).toBeCloseTo(0.2 / 3, 9);
  });

  it('has the slope and the curvature that small steps show', () => {
    const h = 1e-4;
    for (const heard of HEARD)
      for (const db of [-3, -0.7, 0.2, 1.9]) {
        const [below, here, above] = [-h, 0, h].map((step) => heardLikelihood(heard, db + step));
        expect(here!.slope).toBeCloseTo((above!.log - below!.log) / (2 * h), 5);
        expect(here!.curvature).toBeCloseTo((above!.log - 2 * here!.log + below!.log) / h ** 2, 4);
      }
  });
});
