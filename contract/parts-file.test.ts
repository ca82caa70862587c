import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { partsAsCsv, type PartWithoutId, readPartsCsv } from '#core/arrows/catalogue-file.ts';
import { partOf, PART_KINDS, withPart } from '#core/craft/catalogue-part.ts';
import { PLAIN_BUILD } from '#core/fixtures/plain-build.ts';
import { cataloguePartSchema } from '#core/log/kinds/catalogue-part.ts';
import { partsAsJson, readPartsJson } from './parts-file.ts';

const FULL = {
  ...PLAIN_BUILD,
  collar: { massG: 0.4, lengthMm: 9 },
  footing: { massG: 0.8, lengthMm: 120 },
  wrap: { massG: 0.5, lengthMm: 140, fromThroatMm: 18 },
};
/** One of each kind, and a shaft of wood. */
const DRAWER: readonly PartWithoutId[] = [
  ...PART_KINDS.map((kind) => ({ name: `a ${kind}`, part: partOf(FULL, kind)! })),
  {
    name: 'wood, "spruce", 45; 49',
    part: {
      kind: 'shaft',
      material: 'wood',
      spine: 554,
      massPerLengthGPerM: 26.25,
      diameterAtPointMm: 8.7,
      diameterAtNockMm: 7.9,
      fullLengthMm: 815,
    },
  },
];

const HEAD =
  'part,name,material,spine,mass_per_length_g_per_m,diameter_point_mm,diameter_nock_mm,length_mm,mass_g,count,height_mm,centre_in_front_mm';
const csv = (...lines: readonly string[]) => [HEAD, ...lines].join('\n');

describe('a file of parts', () => {
  it.each([
    ['CSV', partsAsCsv, readPartsCsv],
    ['JSON', partsAsJson, readPartsJson],
  ] as const)('goes out as %s and comes in the same', (_, write, read) => {
    const back = read(write(DRAWER));
    expect(back.problems).toEqual([]);
    expect(back.parts).toHaveLength(DRAWER.length);
    for (const [at, { name, part }] of DRAWER.entries()) {
      expect(back.parts[at]?.name).toBe(name);
      for (const [key, value] of Object.entries(part)) {
        const found = (back.parts[at]?.part as Record<string, unknown>)[key];
        if (typeof value === 'number') expect(found).toBeCloseTo(value, 9);
        else expect(found).toBe(value);
      }
    }
  });

  it('holds any part there can be, whatever its name', () => {
    const figure = (min: number, max: number) =>
      fc.double({ min, max, noNaN: true }).map((value) => Math.round(value * 1000) / 1000 + 0);
    const anyPart: fc.Arbitrary<PartWithoutId> = fc.record({
      name: fc
        .string({ minLength: 1, maxLength: 40 })
        .map((text) => text.replaceAll(/\p{Cc}/gu, '').trim())
        .filter((text) => text !== ''),
      part: fc.oneof(
        fc.record({
          kind: fc.constant('point' as const),
          massG: figure(2, 25),
          centreInFrontMm: figure(-60, 60),
        }),
        fc.record({
          kind: fc.constantFrom('insert' as const, 'collar' as const, 'footing' as const),
          massG: figure(0, 19),
          lengthMm: figure(0, 400),
        }),
      ),
    });
    fc.assert(
      fc.property(fc.array(anyPart, { minLength: 1, maxLength: 6 }), (parts) => {
        for (const back of [readPartsCsv(partsAsCsv(parts)), readPartsJson(partsAsJson(parts))]) {
          expect(back.problems).toEqual([]);
          expect(back.parts).toEqual(parts);
        }
      }),
      { numRuns: 200, seed: 77 },
    );
  });

  it.each([
    ['point,long,,,,,,,-6,,,8', 'line 2', 'mass_g', '“-6” is outside 1.94 to 25.92'],
    ['point,long,,,,,,,5000,,,8', 'line 2', 'mass_g', 'is outside'],
    ['point,long,,,,,,,heavy,,,8', 'line 2', 'mass_g', '“heavy” is no plain number'],
    ['point,,,,,,,,6,,,8', 'line 2', 'name', 'there is no name'],
    ['blade,x,,,,,,,6,,,8', 'line 2', 'part', '“blade” is none of shaft, point'],
    ['shaft,x,carbon,20,16,6,6,815,,,,', 'line 2', 'spine', '“20” is outside 150 to 2000'],
    ['shaft,x,steel,500,16,6,6,815,,,,', 'line 2', 'material', '“steel” is none of carbon'],
    ['fletching,x,vane,,,,,45,0.2,2.5,,', 'line 2', 'count', 'not a whole number'],
    ['nock,x,,,,,,,0.5,,,', 'line 2', 'height_mm', 'there is no figure'],
  ])('%s is named, and the line beside it is taken', (line, place, column, says) => {
    const read = readPartsCsv(csv(line, 'point,right,,,,,,,6.48,,,8'));
    expect(read.problems).toHaveLength(1);
    expect(read.problems[0]).toMatchObject({ place, column });
    expect(read.problems[0]?.says).toContain(says);
    expect(read.parts.map(({ name }) => name)).toEqual(['right']);
  });

  it('takes what a spreadsheet saves: a mark at the front, semicolons, decimal commas, other order', () => {
    const text = '\uFEFFname;part;mass_g;centre_in_front_mm\r\nField;point;6,48;8,5\r\n;;;\r\n';
    expect(readPartsCsv(text)).toEqual({
      parts: [{ name: 'Field', part: { kind: 'point', massG: 6.48, centreInFrontMm: 8.5 } }],
      problems: [],
    });
  });

  it('says that the heading is missing, and that a file is none of parts', () => {
    expect(readPartsCsv('point,long,6').problems[0]).toMatchObject({ place: 'line 1' });
    expect(readPartsCsv('')).toEqual({ parts: [], problems: [] });
    for (const text of ['', '{', '[]', '{"format":"other","version":1,"parts":[]}'])
      expect(readPartsJson(text).problems).toHaveLength(1);
    const half = readPartsJson(
      JSON.stringify({
        format: 'keen-limb-parts',
        version: 1,
        parts: [
          { name: 'a', part: { kind: 'point', massG: -1, centreInFrontMm: 8 } },
          { name: 'b', part: { kind: 'point', massG: 6, centreInFrontMm: 8 } },
        ],
      }),
    );
    expect(half.parts.map(({ name }) => name)).toEqual(['b']);
    expect(half.problems[0]).toMatchObject({ place: 'parts 1', column: 'part.massG' });
  });
});

describe('a part in a drawer', () => {
  it('taken off an arrow and put on it again leaves the arrow as it was', () => {
    for (const kind of PART_KINDS) {
      const part = partOf(FULL, kind);
      expect(cataloguePartSchema.safeParse(part).success, kind).toBe(true);
      expect(withPart(FULL, part!), kind).toEqual(FULL);
    }
  });

  it('a shaft that is shorter than the arrow was makes a shorter arrow, never a longer one', () => {
    const shaft = partOf(PLAIN_BUILD, 'shaft')!;
    if (shaft.kind !== 'shaft') throw new Error('no shaft');
    const { lengthMm } = PLAIN_BUILD.shaft;
    expect(withPart(PLAIN_BUILD, { ...shaft, fullLengthMm: lengthMm - 20 }).shaft.lengthMm).toBe(
      lengthMm - 20,
    );
    expect(withPart(PLAIN_BUILD, { ...shaft, fullLengthMm: 900 }).shaft.lengthMm).toBe(lengthMm);
  });
});
