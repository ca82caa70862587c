import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { frontMassG } from '#core/craft/arrow-swap.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { G_PER_GR, MM_PER_IN } from '#core/quantity/units.ts';

/** An archer off the shelf, and how his bow truly takes arrows: not as the program reckons it. */
export interface ArrowTruth {
  readonly pounds: number;
  readonly drawMm: number;
  /** One standard deviation of a fletched arrow, mm at 18 m. */
  readonly scatterMm: number;
  readonly bareFactor: number;
  /** Between one point and the next, gr. */
  readonly pointStepGr: 5 | 25;
  readonly offsetMm: (build: ArrowBuild) => number;
}

/** The spine the middle of the starting table gives, 25 to 55 lb, about. */
const middleSpine = (pounds: number) => 1100 * Math.exp(-0.0285 * (pounds - 25));

/**
 * Draws one: gains of its own for spine, length and point, spine and length that answer less the farther
 * off they are, a bow that begins elsewhere than the table, and a remainder for each shaft bought.
 */
export function drawArrowTruth(seed: number): ArrowTruth {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const between = (low: number, high: number) => low + (high - low) * uniform();
  const pounds = between(28, 52);
  const fromTableSteps = 1.5 * normal() + 1;
  const perStep = Math.max(12, 37 + 20 * normal());
  const perInch = Math.min(-6, -32 + 15 * normal());
  const perGrain = Math.min(-0.3, -1.7 + 0.8 * normal());
  const remainders = new Map<number, number>();
  const right = middleSpine(pounds) * Math.exp(0.1 * fromTableSteps);
  return {
    pounds,
    drawMm: between(640, 730),
    scatterMm: between(10, 40),
    bareFactor: [1, 1.25, 1.6, 2, 2.5][Math.floor(uniform() * 5)] ?? 1,
    pointStepGr: uniform() < 0.5 ? 5 : 25,
    offsetMm: (build) => {
      const steps = Math.log(right / build.shaft.spine) / 0.1;
      const inches = build.shaft.lengthMm / MM_PER_IN - 28.5;
      const grains = frontMassG(build) / G_PER_GR - 125;
      const rest = remainders.get(build.shaft.spine) ?? 12 * normal();
      remainders.set(build.shaft.spine, rest);
      return (
        perStep * 5 * Math.tanh(steps / 5) +
        perInch * 4 * Math.tanh(inches / 4) +
        perGrain * grains +
        rest
      );
    },
  };
}
