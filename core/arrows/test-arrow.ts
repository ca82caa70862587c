import { G_PER_GR } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';
import { arrowFigures } from './arrow-figures.ts';

/** Arrows of one build differ by less than this, g: by more, one of its parts is another. */
const APART_G = 10 * G_PER_GR;

/** A weighed arrow that is not the build it goes by. */
export interface NotTheBuild {
  readonly builtG: number;
  readonly apartG: number;
  /** What the point would weigh, were it the point that is another: the commonest slip. */
  readonly pointG: number;
}

/** Whether an arrow taken for the one on the bow weighs what its parts do; null where it does, or nobody knows the parts. */
export function notTheBuild({ bow }: BowState, weighedG: number): NotTheBuild | null {
  const parts = bow.arrow?.build?.parts;
  if (parts === undefined) return null;
  const builtG = arrowFigures(parts).massG;
  const apartG = weighedG - builtG;
  if (Math.abs(apartG) <= APART_G) return null;
  return { builtG, apartG, pointG: parts.point.massG + apartG };
}
