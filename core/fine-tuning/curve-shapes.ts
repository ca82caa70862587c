import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';

/** One shape the logarithm of the group's variance may have over a control, t from −1 to 1 over the range. */
export interface CurveShape {
  readonly kind: 'valley' | 'hill' | 'flat' | 'slope';
  /** ln variance from the middle of the valley to half the range away; of a slope over half the range. */
  readonly depth: number;
  /** Before anything is shot; all together sum to 1. */
  readonly chance: number;
  readonly at: (t: number) => number;
}

/** How often a control's curve is what, by rule of thumb: mostly a bowl; a corner, nothing at all, a slope, a hill. */
const CHANCES = { bowl: 0.37, corner: 0.25, flat: 0.13, slope: 0.05, hill: 0.2 } as const;
/** How deep a valley is: log-normal, a factor of two either way, here by equally likely depths. */
const DEPTH = { median: 0.8, logSd: 0.7, nodes: 8 } as const;
/** Now and then it is steeper than a control usually makes it. */
const STEEP = { depths: [3, 4, 5.5], chance: 0.06 } as const;
/** Where the least lies: about the middle of what is tried, or beyond it. */
const CENTRE = { sd: 0.8, farthest: 1.75, step: 0.125 } as const;
const SLOPES: readonly number[] = [-1.6, -0.8, -0.4, 0.4, 0.8, 1.6];
const HILLS: readonly number[] = [0.4, 0.8, 1.2, 1.8, 3];
const HILL_TOPS: readonly number[] = [-0.5, -0.25, 0, 0.25, 0.5];

const DEPTHS: readonly { depth: number; chance: number }[] = [
  ...Array.from({ length: DEPTH.nodes }, (_, node) => ({
    depth: DEPTH.median * Math.exp(DEPTH.logSd * normalQuantile((node + 0.5) / DEPTH.nodes, 0, 1)),
    chance: (1 - STEEP.chance) / DEPTH.nodes,
  })),
  ...STEEP.depths.map((depth) => ({ depth, chance: STEEP.chance / STEEP.depths.length })),
];

function valleys(power: 1 | 2, chance: number): readonly CurveShape[] {
  const count = Math.round(CENTRE.farthest / CENTRE.step);
  const centres = Array.from({ length: 2 * count + 1 }, (_, at) => (at - count) * CENTRE.step);
  const weights = centres.map((centre) => Math.exp(-((centre / CENTRE.sd) ** 2) / 2));
  const total = weights.reduce((sum, one) => sum + one, 0);
  return centres.flatMap((centre, index) =>
    DEPTHS.map((one) => ({
      kind: 'valley' as const,
      depth: one.depth,
      chance: (chance * one.chance * weights[index]!) / total,
      at: (t: number) => one.depth * Math.abs(t - centre) ** power,
    })),
  );
}

/** Every shape that is weighed, with its chance before anything is shot. */
export const CURVE_SHAPES: readonly CurveShape[] = [
  ...valleys(2, CHANCES.bowl),
  ...valleys(1, CHANCES.corner),
  { kind: 'flat', depth: 0, chance: CHANCES.flat, at: () => 0 },
  ...SLOPES.map((depth) => ({
    kind: 'slope' as const,
    depth,
    chance: CHANCES.slope / SLOPES.length,
    at: (t: number) => depth * t,
  })),
  ...HILLS.flatMap((depth) =>
    HILL_TOPS.map((top) => ({
      kind: 'hill' as const,
      depth,
      chance: CHANCES.hill / HILLS.length / HILL_TOPS.length,
      at: (t: number) => -depth * (t - top) ** 2,
    })),
  ),
];
