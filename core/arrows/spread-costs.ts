import { BOW_ENERGY } from '../priors/bow-energy.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import type { SpreadCosts } from './matched-set.ts';

const GRAVITY_MPS2 = 9.80665;
/** Bare shafts, at 18 m and near the tune: mm for one thousandth of spine. Fletched ones less. */
const MM_PER_SPINE = 0.7;
/** Run-out has no rule: a tenth of a millimetre counts as two at the butt, by choice. */
const MM_PER_RUN_OUT_MM = 20;

/**
 * What differences among the shafts of a set cost at the butt. Mass by drop: h = g d² / (2 v²), and v² falls
 * as 1 / (m + K), so dh/dm = h / (m + K). Spine in proportion to distance.
 *
 * @param massG of an ordinary one among them; @param speedMps as it leaves the bow
 */
export function spreadCosts(
  distanceM: number,
  { massG, speedMps }: { readonly massG: number; readonly speedMps: number },
): SpreadCosts {
  const dropMm = (1000 * GRAVITY_MPS2 * distanceM ** 2) / (2 * speedMps ** 2);
  const farther = distanceM / REFERENCE_DISTANCE_M;
  return {
    mmPerG: dropMm / (massG + BOW_ENERGY.virtualMassG),
    mmPerSpine: MM_PER_SPINE * farther,
    mmPerRunOutMm: MM_PER_RUN_OUT_MM * farther,
  };
}
