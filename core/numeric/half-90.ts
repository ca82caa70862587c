/** Half of a normal distribution's 90 % interval in standard deviations: Φ(1.6449) = 0.95. */
export const HALF_90 = 1.6449;
