import type { NormalPrior } from '../numeric/grid-linear.ts';

/** ln of a speed in m/s: bows of 15 to 55 lb and arrows of 5 to 12 gr a lb shoot 40 to 65 m/s, nine in ten. */
export const LOG_SPEED: NormalPrior = { mean: Math.log(52), sd: 0.16 };
/** Where weight on the fingers and mass of the arrow are known: bows of one weight differ by 7 %, and both figures have their own doubt. */
export const LOG_SPEED_GUESSED_SD = 0.1;
/** A chronograph read a few times, as a share of what it said: it stands ahead of the bow, arrows differ. */
export const CHRONOGRAPH_SHARE = 0.015;
/** Air at 15 °C and sea level, kg/m³. */
export const AIR_KG_PER_M3 = 1.225;
/** Of a whole arrow by the area of its shaft: thin shafts with small vanes 1.5, fat ones with feathers 2.6. */
export const DRAG_COEFFICIENT = { low: 1.5, high: 2.6 } as const;
/** ln of ½ ρ Cd A / m for an arrow nothing is known of: 5 to 9 mm of shaft, 17 to 35 g. */
export const LOG_DRAG: NormalPrior = { mean: Math.log(0.0019), sd: 0.35 };
/** Where shaft and mass are known only the coefficient is not. */
export const LOG_DRAG_KNOWN_SD = 0.2;
/** Of the eye over the nock at anchor, hook right under it, mm: chin 115, corner of the mouth 90, cheek 65. */
export const EYE_OVER_NOCK = { underChin: 115, mouth: 90, cheek: 65, sd: 12 } as const;
/** What speed a crawl costs, share of it for each mm: a few per cent at 45 mm. */
export const CRAWL_SLOWS: NormalPrior = { mean: 0.0006, sd: 0.0004 };
/** ln of an archer's scatter up and down as an angle: 10 to 45 mm at 18 m, nine in ten. */
export const LOG_SCATTER: NormalPrior = { mean: Math.log(1.2e-3), sd: 0.45 };
/** How well one who knows sets what he means to, as a share of the smallest division. */
export const SET_TO_DIVISION = 0.25;
/** One mark in so many is read off by a whole division. */
export const MISREAD = 0.01;
/** Each end is aimed a little elsewhere, by this share of the scatter of its shots. */
export const END_AIM_SHARE = 0.3;
