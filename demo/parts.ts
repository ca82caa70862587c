import type { NamedPart } from '#core/craft/catalogue-part.ts';
import { spineOfPounds } from '#core/arrows/static-spine.ts';
import { G_PER_GR } from '#core/quantity/units.ts';

type Part = Pick<NamedPart, 'name' | 'part'>;

const carbon = (name: string, spine: number, massPerLengthGPerM: number, mm: number): Part => ({
  name,
  part: {
    kind: 'shaft',
    material: 'carbon',
    spine,
    massPerLengthGPerM,
    diameterAtPointMm: mm,
    diameterAtNockMm: mm,
    fullLengthMm: 815,
  },
});
const point = (name: string, grains: number, centreInFrontMm: number): Part => ({
  name,
  part: { kind: 'point', massG: grains * G_PER_GR, centreInFrontMm },
});

/** What lies in the club’s drawers: ordinary parts, of nobody in particular. */
export const CLUB_PARTS: readonly Part[] = [
  carbon('thin carbon 700', 700, 14.5, 5.6),
  carbon('carbon 600', 600, 16, 6.5),
  carbon('carbon 500', 500, 21, 7.2),
  carbon('carbon 400', 400, 23, 7.5),
  {
    name: 'spruce 45 to 49 lb',
    part: {
      kind: 'shaft',
      material: 'wood',
      spine: Math.round(spineOfPounds(47)),
      massPerLengthGPerM: 26,
      diameterAtPointMm: 8.7,
      diameterAtNockMm: 8.7,
      fullLengthMm: 815,
    },
  },
  point('screw-in 100', 100, 8),
  point('screw-in 125', 125, 9),
  point('screw-in 145', 145, 10),
  point('screw-in 175', 175, 11),
  point('screw-in 200', 200, 12),
  { name: 'light insert', part: { kind: 'insert', massG: 12 * G_PER_GR, lengthMm: 22 } },
  { name: 'brass insert', part: { kind: 'insert', massG: 50 * G_PER_GR, lengthMm: 28 } },
  { name: 'front collar', part: { kind: 'collar', massG: 6 * G_PER_GR, lengthMm: 9 } },
  { name: 'push-in nock', part: { kind: 'nock', massG: 8 * G_PER_GR, outsideHeightMm: 5.5 } },
  {
    name: 'three small vanes',
    part: {
      kind: 'fletching',
      material: 'vane',
      count: 3,
      massEachG: 2.5 * G_PER_GR,
      lengthMm: 45,
    },
  },
  {
    name: 'three feathers, 4 in',
    part: {
      kind: 'fletching',
      material: 'feather',
      count: 3,
      massEachG: 5.5 * G_PER_GR,
      lengthMm: 102,
    },
  },
  { name: 'long wrap', part: { kind: 'wrap', massG: 8 * G_PER_GR, lengthMm: 140 } },
];
