/**
 * What a drawn bow gives, and what moves with the arrow: rules of thumb for recurves and longbows of
 * ordinary make. With them 324 gr from 40 lb leave at 57 m/s, as such bows are measured to shoot.
 */
export const BOW_ENERGY = {
  /** ft lbf stored for each pound on the fingers. */
  ftLbfPerPound: 0.875,
  /** String and limbs take as much as this mass would, moving with the arrow, g. */
  virtualMassG: 8.2,
  /** Bows of one weight differ by so much in speed, one standard deviation, as a share. */
  speedSdShare: 0.07,
} as const;
