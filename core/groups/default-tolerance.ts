import { PURPOSE_LABEL } from '../craft/bow-terms.ts';
import { purposeToleranceMm } from '../priors/starting-values.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import { scatterForTolerance } from './scatter-history.ts';

/** An archer's scatter at the reference distance until any group has been shot, mm. */
const UNKNOWN_SCATTER_MM = 20;

/** What is good enough on each axis, half width, mm, and why. */
export interface ToleranceByRule {
  readonly outwardMm: number;
  readonly upMm: number;
  readonly why: string;
}

/**
 * The tolerance a session begins with, half width of each axis: the purpose's figure or this archer's
 * own fletched scatter on that axis, whichever is larger, in proportion to distance. A rule of thumb.
 */
export function defaultTolerance(state: BowState, distanceM: number): ToleranceByRule {
  const scale = distanceM / REFERENCE_DISTANCE_M;
  const purposeMm = purposeToleranceMm(state.bow.purpose);
  const scatterOf = (axis: 'outwardMm' | 'upMm') =>
    scatterForTolerance(state.sessions, REFERENCE_DISTANCE_M, axis, state.lastAt) ??
    UNKNOWN_SCATTER_MM;
  const [across, up] = [scatterOf('outwardMm'), scatterOf('upMm')];
  const half = (scatterMm: number) => Math.round(Math.max(purposeMm, scatterMm) * scale);
  return {
    outwardMm: half(across),
    upMm: half(up),
    why:
      Math.max(across, up) > purposeMm
        ? 'rule of thumb: your own scatter, larger than the purpose asks'
        : `rule of thumb for ${PURPOSE_LABEL[state.bow.purpose]}`,
  };
}
