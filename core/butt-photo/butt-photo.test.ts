import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { applyHomography, homographyOf, invert, type PlanePoint } from './homography.ts';
import { type KnownShape, readHole, squareUp } from './square-up.ts';
import { straighten, straightView } from './straighten.ts';

const SIZE = { width: 2048, height: 1536 };

/** A camera somewhere in front of the butt: mm on the butt to px, by a pinhole of its own. */
function camera(yawDeg: number, pitchDeg: number, rollDeg = 0, awayMm = 1200) {
  const [yaw, pitch, roll] = [yawDeg, pitchDeg, rollDeg].map((one) => (one * Math.PI) / 180) as [
    number,
    number,
    number,
  ];
  const focal = 1900;
  return ({ x, y }: PlanePoint): PlanePoint => {
    const x1 = x * Math.cos(yaw);
    const z1 = x * Math.sin(yaw);
    const y2 = y * Math.cos(pitch) - z1 * Math.sin(pitch);
    const z2 = y * Math.sin(pitch) + z1 * Math.cos(pitch) + awayMm;
    const [u, v] = [(focal * x1) / z2, (-focal * y2) / z2];
    return {
      x: SIZE.width / 2 + u * Math.cos(roll) - v * Math.sin(roll),
      y: SIZE.height / 2 + u * Math.sin(roll) + v * Math.cos(roll),
    };
  };
}

const CORNERS: readonly PlanePoint[] = [
  { x: -400, y: 400 },
  { x: 400, y: 400 },
  { x: 400, y: -400 },
  { x: -400, y: -400 },
];
const square = (marks: readonly PlanePoint[], mm = 800): KnownShape => ({
  kind: 'rectangle',
  widthMm: mm,
  heightMm: mm,
  marks,
});

describe('a projective map', () => {
  it('takes its points where they belong, and back', () => {
    const place = fc.integer({ min: -40, max: 40 });
    fc.assert(
      fc.property(fc.array(place, { minLength: 8, maxLength: 8 }), place, place, (by, x, y) => {
        const moved = CORNERS.map((corner, i) => ({
          x: corner.x + by[2 * i]!,
          y: corner.y + by[2 * i + 1]!,
        }));
        const map = homographyOf(CORNERS, moved)!;
        for (const [i, corner] of CORNERS.entries()) {
          const there = applyHomography(map, corner);
          expect(there.x).toBeCloseTo(moved[i]!.x, 6);
          expect(there.y).toBeCloseTo(moved[i]!.y, 6);
        }
        const back = applyHomography(invert(map)!, applyHomography(map, { x, y }));
        expect(back.x).toBeCloseTo(x, 6);
        expect(back.y).toBeCloseTo(y, 6);
      }),
    );
  });

  it('is not fixed by points in one line', () => {
    const line = [0, 1, 2, 3].map((x) => ({ x, y: x }));
    expect(homographyOf(line, CORNERS)).toBeNull();
  });
});

describe('a photographed butt', () => {
  it('gives 20 holes within 2 mm on an 80 cm square, 3 megapixels, marks good to a pixel', () => {
    const uniform = seededUniform(71);
    const normal = standardNormal(uniform);
    const jitter = ({ x, y }: PlanePoint) => ({
      x: x + 2 * uniform() - 1,
      y: y + 2 * uniform() - 1,
    });
    let worst = 0;
    let within = 0;
    const PICTURES = 60;
    for (let picture = 0; picture < PICTURES; picture += 1) {
      const see = camera(25 * normal() * 0.6, 15 * normal() * 0.6, 4 * normal());
      const shape = square(CORNERS.map((corner) => jitter(see(corner))));
      const squared = squareUp(shape, SIZE);
      if (squared.kind === 'refused') throw new Error(squared.says);
      for (let hole = 0; hole < 20; hole += 1) {
        const truth = { x: 700 * (uniform() - 0.5), y: 700 * (uniform() - 0.5) };
        const read = readHole(shape, squared, jitter(see(truth)));
        const off = Math.hypot(read.rightMm - truth.x, read.upMm - truth.y);
        worst = Math.max(worst, off);
        if (off <= 2.146 * read.sdMm) within += 1;
      }
    }
    console.log(
      `butt photographs: worst of ${PICTURES * 20} holes ${worst.toFixed(2)} mm off; inside its own 9-in-10 circle ${((100 * within) / (PICTURES * 20)).toFixed(0)} %`,
    );
    expect(worst).toBeLessThanOrEqual(2);
    expect(within / (PICTURES * 20)).toBeGreaterThan(0.87);
  });

  it('reads a known circle as well', () => {
    const see = camera(20, -10);
    const marks = [
      { x: 0, y: 300 },
      { x: 300, y: 0 },
      { x: 0, y: -300 },
      { x: -300, y: 0 },
    ].map(see);
    const shape: KnownShape = { kind: 'circle', diameterMm: 600, marks };
    const squared = squareUp(shape, SIZE);
    if (squared.kind === 'refused') throw new Error(squared.says);
    const read = readHole(shape, squared, see({ x: 120, y: -75 }));
    expect(read.rightMm).toBeCloseTo(120, 3);
    expect(read.upMm).toBeCloseTo(-75, 3);
  });

  it('refuses a wrong rectangle with the remedy', () => {
    const see = camera(15, 10);
    const marks = CORNERS.map(see);
    const says = (shape: KnownShape) => {
      const found = squareUp(shape, SIZE);
      return found.kind === 'refused' ? found.says : 'squared';
    };
    expect(says(square(marks))).toBe('squared');
    expect(says(square([marks[0]!, marks[2]!, marks[1]!, marks[3]!]))).toMatch(/cross/);
    expect(says(square(marks.toReversed()))).toMatch(/wrong way/);
    expect(says(square([marks[0]!, marks[0]!, marks[2]!, marks[3]!]))).toMatch(/cross/);
    expect(says({ kind: 'rectangle', widthMm: 1600, heightMm: 800, marks })).toMatch(
      /taller than it is said/,
    );
    expect(says(square(marks, 4900))).toMatch(/only 0\.\d px/);
    expect(says(square(marks, 0))).toMatch(/size/);
  });

  it('straightens the picture: what was slanted stands square, where the view says', () => {
    const see = camera(20, 12);
    const small = { width: 1024, height: 768 };
    const scale = small.width / SIZE.width;
    const shrink = ({ x, y }: PlanePoint) => ({ x: x * scale, y: y * scale });
    const hole = shrink(see({ x: 200, y: 100 }));
    const data = new Uint8ClampedArray(small.width * small.height * 4).fill(220);
    for (let y = -3; y <= 3; y += 1)
      for (let x = -3; x <= 3; x += 1)
        data[((Math.round(hole.y) + y) * small.width + Math.round(hole.x) + x) * 4] = 10;
    const squared = squareUp(square(CORNERS.map((corner) => shrink(see(corner)))), small);
    if (squared.kind === 'refused') throw new Error(squared.says);
    const view = straightView(squared);
    const flat = straighten({ ...small, data }, squared.toPicture, view);
    let [sum, sx, sy] = [0, 0, 0];
    for (let i = 0; i < flat.width * flat.height; i += 1) {
      if (flat.data[4 * i + 3] === 0) continue;
      const dark = Math.max(0, 220 - flat.data[4 * i]!);
      sum += dark;
      sx += dark * ((i % flat.width) + 0.5);
      sy += dark * (Math.floor(i / flat.width) + 0.5);
    }
    expect(Math.abs(sx / sum / view.pxPerMm - view.halfWidthMm - 200)).toBeLessThan(3);
    expect(Math.abs(view.halfHeightMm - sy / sum / view.pxPerMm - 100)).toBeLessThan(3);
  });
});
