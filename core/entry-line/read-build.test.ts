import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { arrowBuildSchema } from '../log/kinds/arrow-parts.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import type { BuildFieldId } from '../arrows/build-fields.ts';
import { type BuildStyle, readBuild, type TypedBuild, typedBuild } from './read-build.ts';

const INCHES: BuildStyle = { lengthUnit: 'in', division: 16, massUnit: 'gr' };
const MILLIMETRES: BuildStyle = { lengthUnit: 'mm', division: 16, massUnit: 'g' };

/** The plain arrow with some figures typed anew. */
function typed(
  figures: { readonly [Id in BuildFieldId]?: string },
  style = INCHES,
  rest: Partial<TypedBuild> = {},
) {
  const shown = typedBuild(PLAIN_BUILD, style);
  return readBuild(
    { ...shown, ...rest, figures: Object.assign({}, shown.figures, figures) },
    PLAIN_BUILD,
    style,
  );
}

function built(...asked: Parameters<typeof typed>) {
  const read = typed(...asked);
  if (read.kind === 'wrong') throw new Error([...read.problems.values()].join(' '));
  return read.build;
}

describe('a build as it is typed', () => {
  it.each([INCHES, MILLIMETRES])(
    'looked at and stored, is what it was, to the last bit',
    (style) => {
      expect(built({}, style)).toStrictEqual(PLAIN_BUILD);
      const inside = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
      fc.assert(
        fc.property(
          inside(5, 64),
          inside(450, 815),
          inside(2, 25),
          fc.boolean(),
          (perM, mm, g, isWood) => {
            const odd: ArrowBuild = {
              ...PLAIN_BUILD,
              shaft: {
                ...PLAIN_BUILD.shaft,
                material: isWood ? 'wood' : 'carbon',
                massPerLengthGPerM: perM,
                lengthMm: mm,
              },
              point: { massG: g, centreInFrontMm: 8 },
              footing: { massG: g / 10, lengthMm: 50 },
            };
            expect(readBuild(typedBuild(odd, style), odd, style)).toStrictEqual({
              kind: 'build',
              build: odd,
            });
          },
        ),
      );
    },
  );

  it('takes lengths in the bow’s unit or any other, masses in grains or grams, thin ones in parts of an inch', () => {
    expect(built({ length_mm: '29 1/4' }).shaft.lengthMm).toBeCloseTo(742.95, 6);
    expect(built({ length_mm: '742' }).shaft.lengthMm).toBe(742);
    expect(built({ length_mm: '742,5 mm' }).shaft.lengthMm).toBe(742.5);
    expect(built({ point_g: '125' }).point.massG).toBeCloseTo(8.09986, 4);
    expect(built({ point_g: '8.1 g' }).point.massG).toBeCloseTo(8.1, 9);
    expect(built({ point_g: '8.1' }, MILLIMETRES).point.massG).toBeCloseTo(8.1, 9);
    // 11/32 in and 5/16 in are 8.73 and 7.94 mm.
    expect(built({ diameter_at_point_mm: '11/32' }).shaft.diameterAtPointMm).toBeCloseTo(8.731, 3);
    expect(built({ diameter_at_nock_mm: '20/64 in' }).shaft.diameterAtNockMm).toBeCloseTo(
      7.9375,
      4,
    );
  });

  it('takes mass by the inch, and wood by pounds', () => {
    // 8 gr an inch are 0.51839 g in 25.4 mm.
    expect(built({ shaft_gr_per_in: '8' }).shaft.massPerLengthGPerM).toBeCloseTo(20.409, 3);
    // Sagging 26/52 in on 26 in under 2 lb; on 28 in under 1.94 lb 0.5 × 0.97 × (28/26)³.
    expect(built({ spine_lb: '52' }, INCHES, { material: 'wood' }).shaft.spine).toBeCloseTo(
      605.753,
      2,
    );
  });

  it('has a part where its mass is given, with what is usual, and none where it is left empty', () => {
    expect(built({ insert_g: '' }).insert).toBeNull();
    expect(built({ collar_g: '10' }).collar).toEqual({ massG: 0.6479891, lengthMm: 8 });
    expect(built({}, INCHES, { fletching: 'none' }).fletching).toBeNull();
    expect(built({}, INCHES, { fletching: 'feather' }).fletching).toMatchObject({
      kind: 'feather',
      count: 3,
    });
  });

  it.each([
    ['point_g', '-100', /Point/],
    ['point_g', '5000 gr', /30 to 400 gr/],
    ['point_g', 'heavy', /Point/],
    ['spine', '20', /150 to 2000/],
    ['spine', '500 mm', /without a unit/],
    ['spine', '', /not given/],
    ['length_mm', '12 lb', /Length|lb/],
    ['length_mm', '33', /longer than it was bought/],
    ['fletchings', '2.5', /1 to 8/],
    ['diameter_at_point_mm', '40', /3 to 15 mm/],
  ] as const)('%s of %j is answered at its place', (field, text, says) => {
    const read = typed({ [field]: text });
    expect(read.kind).toBe('wrong');
    if (read.kind !== 'wrong') return;
    expect([...read.problems.keys()]).toEqual([field]);
    expect(read.problems.get(field)).toMatch(says);
  });

  it('says all that is wrong, not only the first', () => {
    const read = typed({ point_g: 'x', spine: '1' });
    expect(read.kind === 'wrong' && [...read.problems.keys()]).toEqual(['spine', 'point_g']);
  });

  it('whatever is taken passes the contract', () => {
    const text = fc.oneof(
      fc.string({ maxLength: 8 }),
      fc.double({ min: -10, max: 2000, noNaN: true }).map((value) => value.toFixed(1)),
      fc.constantFrom('', '29 1/4', '8.1 g', '11/32', '1,5', '740 mm'),
    );
    const ids = Object.keys(typedBuild(PLAIN_BUILD, INCHES).figures) as BuildFieldId[];
    fc.assert(
      fc.property(fc.constantFrom(...ids), text, fc.boolean(), (field, figure, isInches) => {
        const read = typed({ [field]: figure }, isInches ? INCHES : MILLIMETRES);
        if (read.kind === 'build')
          expect(arrowBuildSchema.safeParse(read.build).success).toBe(true);
      }),
      { numRuns: 500 },
    );
  });
});
