import { MM_PER_IN, N_PER_LBF } from '../quantity/units.ts';

const M_PER_IN = MM_PER_IN / 1000;

/** A shaft lies on two supports and carries a load in the middle. */
interface SpineTest {
  readonly spanM: number;
  readonly loadN: number;
}
/** Spine in thousandths of an inch: 28 in apart under 1.94 lb. */
const IN_THOUSANDTHS: SpineTest = { spanM: 28 * M_PER_IN, loadN: 1.94 * N_PER_LBF };
/** Wood in pounds: 26 in apart under 2 lb, and 26 divided by the inches it sags. */
const IN_POUNDS: SpineTest = { spanM: 26 * M_PER_IN, loadN: 2 * N_PER_LBF };
const POUNDS_OVER_INCHES = 26;

/** EI = P S³ / (48 δ) of a beam on two supports, N m². */
function stiffnessOf({ spanM, loadN }: SpineTest, sagM: number): number {
  return (loadN * spanM ** 3) / (48 * sagM);
}
function sagOf({ spanM, loadN }: SpineTest, stiffnessNm2: number): number {
  return (loadN * spanM ** 3) / (48 * stiffnessNm2);
}

/**
 * Bending stiffness EI of a shaft, N m².
 *
 * @param spine thousandths of an inch, above 0: larger is softer
 */
export function stiffnessOfSpine(spine: number): number {
  return stiffnessOf(IN_THOUSANDTHS, (spine / 1000) * M_PER_IN);
}

/** Spine in thousandths of an inch of a shaft of stiffness EI, N m². */
export function spineOfStiffness(stiffnessNm2: number): number {
  return (1000 * sagOf(IN_THOUSANDTHS, stiffnessNm2)) / M_PER_IN;
}

/** Wood shafts are sold by the pound: the spine, in thousandths of an inch, of one of so many. */
export function spineOfPounds(pounds: number): number {
  return spineOfStiffness(stiffnessOf(IN_POUNDS, (POUNDS_OVER_INCHES / pounds) * M_PER_IN));
}

/** And back: pounds of a wood shaft of this spine. */
export function poundsOfSpine(spine: number): number {
  return POUNDS_OVER_INCHES / (sagOf(IN_POUNDS, stiffnessOfSpine(spine)) / M_PER_IN);
}
