import { PURPOSE_LABEL } from '../craft/bow-terms.ts';
import { purposeToleranceMm } from '../priors/starting-values.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import { scatterPrior } from './scatter-history.ts';

/** An archer's scatter at the reference distance until any group has been shot, mm. */
const UNKNOWN_SCATTER_MM = 20;

/**
 * The tolerance a session begins with, half width per axis: the purpose's figure or this archer's
 * own fletched scatter, whichever is larger, in proportion to distance. A rule of thumb.
 */
export function defaultTolerance(
  state: BowState,
  distanceM: number,
): { readonly toleranceMm: number; readonly why: string } {
  const scale = distanceM / REFERENCE_DISTANCE_M;
  const purposeMm = purposeToleranceMm(state.bow.purpose);
  const own = Math.max(
    ...(['outwardMm', 'upMm'] as const).map(
      (axis) => scatterPrior(state.sessions, REFERENCE_DISTANCE_M, axis).sdMm,
    ),
  );
  const scatterMm = own > 0 ? own : UNKNOWN_SCATTER_MM;
  const larger = Math.max(purposeMm, scatterMm);
  return {
    toleranceMm: Math.round(larger * scale),
    why:
      scatterMm > purposeMm
        ? 'rule of thumb: your own scatter, larger than the purpose asks'
        : `rule of thumb for ${PURPOSE_LABEL[state.bow.purpose]}`,
  };
}
