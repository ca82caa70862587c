import { G_PER_GR } from '../quantity/units.ts';

type Range = readonly [low: number, high: number];

/**
 * What a part of an arrow can weigh and measure: outside these a figure is a slip, whoever typed it.
 * Masses g, lengths mm, spine in thousandths of an inch.
 */
export const ARROW_RANGES = {
  /** Children’s shafts are the softest. */
  spine: [150, 2000],
  /** 2 to 25 grains an inch. */
  massPerLengthGPerM: [5, 64],
  diameterMm: [3, 15],
  fullLengthMm: [450, 1000],
  shaftMm: [450, 860],
  pointMassG: [30 * G_PER_GR, 400 * G_PER_GR],
  /** The balance of a point before or behind the end of the shaft. */
  pointCentreMm: [-60, 60],
  frontPartG: [0, 300 * G_PER_GR],
  frontPartMm: [0, 400],
  nockMassG: [0, 40 * G_PER_GR],
  nockHeightMm: [2, 15],
  fletchings: [1, 8],
  fletchingEachG: [0, 20 * G_PER_GR],
  fletchingMm: [5, 200],
  wrapMassG: [0, 40 * G_PER_GR],
  wrapMm: [5, 300],
  fromThroatMm: [0, 150],
} as const satisfies Record<string, Range>;
