import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { spineOfPounds } from '#core/arrows/static-spine.ts';
import { G_PER_GR } from '#core/quantity/units.ts';

const NO_EXTRAS = { insert: null, collar: null, footing: null, wrap: null } as const;
const gr = (grains: number) => grains * G_PER_GR;

/** Thin carbon with small vanes, for a light target bow. */
export const HERON_ARROW: ArrowBuild = {
  ...NO_EXTRAS,
  shaft: {
    material: 'carbon',
    spine: 700,
    massPerLengthGPerM: 14.5,
    diameterAtPointMm: 5.6,
    diameterAtNockMm: 5.6,
    fullLengthMm: 790,
    lengthMm: 724,
  },
  point: { massG: 6.48, centreInFrontMm: 9 },
  nock: { massG: gr(7), outsideHeightMm: 5 },
  fletching: { kind: 'vane', count: 3, massEachG: gr(2), lengthMm: 44, fromThroatMm: 26 },
};

/** Carbon with an insert, left long. */
export const CURLEW_ARROW: ArrowBuild = {
  ...NO_EXTRAS,
  shaft: {
    material: 'carbon',
    spine: 600,
    massPerLengthGPerM: 16,
    diameterAtPointMm: 6.5,
    diameterAtNockMm: 6.5,
    fullLengthMm: 812,
    lengthMm: 762,
  },
  point: { massG: 7.78, centreInFrontMm: 8 },
  insert: { massG: gr(14), lengthMm: 22 },
  nock: { massG: gr(8), outsideHeightMm: 5.5 },
  fletching: { kind: 'vane', count: 3, massEachG: gr(3), lengthMm: 50, fromThroatMm: 25 },
};

/** Off the shelf, with feathers. */
export const SHELF_ARROW: ArrowBuild = {
  ...NO_EXTRAS,
  shaft: {
    material: 'carbon',
    spine: 500,
    massPerLengthGPerM: 21,
    diameterAtPointMm: 7.2,
    diameterAtNockMm: 7.2,
    fullLengthMm: 825,
    lengthMm: 737,
  },
  point: { massG: 8.1, centreInFrontMm: 9 },
  insert: { massG: gr(20), lengthMm: 25 },
  nock: { massG: gr(10), outsideHeightMm: 6.5 },
  fletching: { kind: 'feather', count: 3, massEachG: gr(7), lengthMm: 102, fromThroatMm: 28 },
};

/** For hunting: a heavy front, a collar against splitting, a wrap to find it by. */
export const HUNTING_ARROW: ArrowBuild = {
  ...SHELF_ARROW,
  shaft: {
    ...SHELF_ARROW.shaft,
    spine: 400,
    massPerLengthGPerM: 23,
    diameterAtPointMm: 7.5,
    diameterAtNockMm: 7.5,
    lengthMm: 749,
  },
  point: { massG: 11.34, centreInFrontMm: 12 },
  insert: { massG: gr(25), lengthMm: 28 },
  collar: { massG: gr(6), lengthMm: 9 },
  wrap: { massG: gr(8), lengthMm: 140, fromThroatMm: 18 },
};

/** Wood of 47 lb with feathers, footed with hardwood. */
export const WOOD_ARROW: ArrowBuild = {
  ...NO_EXTRAS,
  shaft: {
    material: 'wood',
    spine: Math.round(spineOfPounds(47)),
    massPerLengthGPerM: 26,
    diameterAtPointMm: 8.7,
    diameterAtNockMm: 8.7,
    fullLengthMm: 815,
    lengthMm: 724,
  },
  point: { massG: 8.1, centreInFrontMm: -2 },
  footing: { massG: gr(12), lengthMm: 130 },
  nock: { massG: gr(10), outsideHeightMm: 7.5 },
  fletching: { kind: 'feather', count: 3, massEachG: gr(6), lengthMm: 102, fromThroatMm: 26 },
};
