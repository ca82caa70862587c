import fc from 'fast-check';
import { expect, it } from 'vitest';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import { speedGuess } from './speed-guess.ts';

it('is what such bows are measured to shoot, within a few m/s', () => {
  // 35 ft lbf = 47.454 J; 20.995 + 8.2 = 29.195 g: √(94.908 / 0.029195) = 57.0.
  const { speedMps, sdMps } = speedGuess(324 * G_PER_GR, 40 * N_PER_LBF);
  expect(speedMps).toBeCloseTo(57.0, 1);
  expect(sdMps).toBeCloseTo(3.99, 2);
});

it('falls with mass and rises with weight', () => {
  const mass = fc.double({ min: 10, max: 60, noNaN: true });
  const weight = fc.double({ min: 80, max: 300, noNaN: true });
  fc.assert(
    fc.property(mass, weight, (massG, weightN) => {
      const plain = speedGuess(massG, weightN).speedMps;
      expect(speedGuess(massG + 1, weightN).speedMps).toBeLessThan(plain);
      expect(speedGuess(massG, weightN + 1).speedMps).toBeGreaterThan(plain);
    }),
  );
});
