import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { type PhotoMarks, type PhotoPoint, readLimbLinePhoto } from './read-photo.ts';
import { type GreyPicture, snapMark, snapShrink } from './snap-mark.ts';

const PX_PER_MM = 4;

/** True places in a made-up picture: string leaning a little, gauges 40 mm wide at given offsets. */
function truth(topRightMm: number, bottomRightMm: number, rodRightMm: number) {
  const stringX = (y: number) => 600 + 0.01 * (y - 1500);
  const gauge = (y: number, stringRightMm: number): readonly [PhotoPoint, PhotoPoint] => {
    const middle = stringX(y) - stringRightMm * PX_PER_MM * Math.hypot(1, 0.01);
    return [
      { x: middle - 80, y },
      { x: middle + 80, y },
    ];
  };
  const marks: PhotoMarks = {
    string: [100, 1100, 2000, 2900].map((y) => ({ x: stringX(y), y })),
    topGauge: gauge(900, topRightMm),
    bottomGauge: gauge(2300, bottomRightMm),
    rod: gauge(2700, rodRightMm),
    scale: {
      ends: [
        { x: 100, y: 3000 },
        { x: 100 + 100 * PX_PER_MM, y: 3000 },
      ],
      mm: 100,
    },
  };
  return marks;
}

function jittered(marks: PhotoMarks, uniform: () => number): PhotoMarks {
  const move = ({ x, y }: PhotoPoint) => ({ x: x + uniform() * 2 - 1, y: y + uniform() * 2 - 1 });
  const both = (pair: readonly [PhotoPoint, PhotoPoint]) => [move(pair[0]), move(pair[1])] as const;
  return {
    string: marks.string.map(move),
    topGauge: both(marks.topGauge),
    bottomGauge: both(marks.bottomGauge),
    rod: marks.rod === null ? null : both(marks.rod),
    scale: { ...marks.scale, ends: both(marks.scale.ends) },
  };
}

describe('readLimbLinePhoto', () => {
  it('reads exact marks exactly, outward by hand', () => {
    const right = readLimbLinePhoto(truth(1.5, -0.7, 2), 'right');
    const left = readLimbLinePhoto(truth(1.5, -0.7, 2), 'left');
    if (right.kind !== 'read' || left.kind !== 'read') throw new Error('refused');
    expect(right.line.limbLineTopMm).toBeCloseTo(-1.5, 3);
    expect(left.line.limbLineTopMm).toBeCloseTo(1.5, 3);
    expect(left.line.limbLineBottomMm).toBeCloseTo(-0.7, 3);
    expect(left.line.limbLineRodMm).toBeCloseTo(2, 3);
  });

  it('mirrors: a mirrored picture of the other hand reads the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        (top, bottom) => {
          const one = readLimbLinePhoto(truth(top, bottom, 0), 'right');
          const other = readLimbLinePhoto(truth(-top, -bottom, 0), 'left');
          if (one.kind !== 'read' || other.kind !== 'read') throw new Error('refused');
          expect(one.line.limbLineTopMm).toBeCloseTo(other.line.limbLineTopMm, 2);
        },
      ),
    );
  });

  it('is within 0.3 mm at 4 px a mm with every mark ±1 px, unsnapped, 19 times in 20', () => {
    const uniform = seededUniform(5);
    let good = 0;
    for (let i = 0; i < 400; i += 1) {
      const read = readLimbLinePhoto(jittered(truth(1.2, -0.9, 0.4), uniform), 'left');
      if (read.kind !== 'read') throw new Error('refused');
      if (
        Math.abs(read.line.limbLineTopMm - 1.2) <= 0.3 &&
        Math.abs(read.line.limbLineBottomMm + 0.9) <= 0.3
      )
        good += 1;
    }
    expect(good).toBeGreaterThanOrEqual(380);
  });

  it('is always within 0.3 mm once marks are snapped to the picture', () => {
    const uniform = seededUniform(6);
    const exact = truth(1.2, -0.9, 0.4);
    const picture = paint(exact, standardNormal(uniform));
    for (let i = 0; i < 40; i += 1) {
      const rough = jittered(exact, uniform);
      const edge = (pair: readonly [PhotoPoint, PhotoPoint]) =>
        [snapMark(picture, pair[0], 'edge'), snapMark(picture, pair[1], 'edge')] as const;
      const read = readLimbLinePhoto(
        {
          ...rough,
          string: rough.string.map((point) => snapMark(picture, point, 'line')),
          topGauge: edge(rough.topGauge),
          bottomGauge: edge(rough.bottomGauge),
        },
        'left',
      );
      if (read.kind !== 'read') throw new Error('refused');
      expect(Math.abs(read.line.limbLineTopMm - 1.2)).toBeLessThanOrEqual(0.3);
      expect(Math.abs(read.line.limbLineBottomMm + 0.9)).toBeLessThanOrEqual(0.3);
    }
  });

  it.each([
    ['3 Mpx on a desk', 2048, 620, 1],
    ['12 Mpx on a phone at 8×', 4032, 330 * 8, 1],
    ['108 Mpx on a phone at 8×', 12_000, 330 * 8, 1],
    ['108 Mpx on a phone at 1×', 12_000, 330, 0],
  ])('holds its ± where marks are placed by hand: %s', (_name, heightPx, screenPx, readable) => {
    const scale = heightPx / 3100;
    const finest = heightPx / screenPx;
    const uniform = seededUniform(8);
    const normal = standardNormal(uniform);
    let [read, held] = [0, 0];
    for (let one = 0; one < 300; one += 1) {
      const exact = truth(1.2, -0.9, 0.4);
      const placed = ({ x, y }: PhotoPoint) => ({
        x: scale * x + 0.5 * finest * normal(),
        y: scale * y + 0.5 * finest * normal(),
      });
      const both = (pair: readonly [PhotoPoint, PhotoPoint]) =>
        [placed(pair[0]), placed(pair[1])] as const;
      const found = readLimbLinePhoto(
        {
          string: exact.string.map(placed),
          topGauge: both(exact.topGauge),
          bottomGauge: both(exact.bottomGauge),
          rod: null,
          scale: { ...exact.scale, ends: both(exact.scale.ends) },
          markSdPx: 0.5 * finest,
        },
        'left',
      );
      if (found.kind !== 'read') continue;
      read += 1;
      if (Math.abs(found.line.limbLineTopMm - 1.2) <= found.line.plusMinusMm) held += 1;
    }
    if (readable === 0) expect(read).toBe(0);
    else {
      expect(read).toBe(300);
      expect(held / read).toBeGreaterThanOrEqual(0.85);
    }
  });

  it('refuses a scale without length, a coarse picture, and string marks too close', () => {
    const marks = truth(0, 0, 0);
    const end = { x: 1, y: 1 };
    expect(
      readLimbLinePhoto({ ...marks, scale: { ends: [end, end], mm: 100 } }, 'right').kind,
    ).toBe('refused');
    expect(
      readLimbLinePhoto({ ...marks, scale: { ...marks.scale, mm: 5000 } }, 'right'),
    ).toMatchObject({
      says: expect.stringContaining('coarse') as string,
    });
    const near = marks.string
      .slice(0, 1)
      .flatMap((point) => [point, { ...point, y: point.y + 20 }]);
    expect(readLimbLinePhoto({ ...marks, string: near }, 'right').kind).toBe('refused');
  });
});

describe('snapMark', () => {
  it('takes no edge of a string wider than what it looks at for its middle', () => {
    // Dark from 30 to 64 px: a string of 2 mm at 17 px a millimetre.
    const wide: GreyPicture = {
      width: 100,
      height: 20,
      grey: Uint8Array.from({ length: 2000 }, (_, at) =>
        at % 100 >= 30 && at % 100 < 64 ? 20 : 200,
      ),
    };
    for (const x of [28, 34, 40, 47, 58, 66]) {
      const mark = { x, y: 10 };
      expect(snapMark(wide, mark, 'line'), `${x}`).toBe(mark);
    }
    // A third as many px: it fits, and its middle is found from beside it.
    const narrow: GreyPicture = {
      width: 60,
      height: 20,
      grey: Uint8Array.from({ length: 1200 }, (_, at) =>
        at % 60 >= 24 && at % 60 < 35 ? 20 : 200,
      ),
    };
    for (const x of [26, 29, 33])
      expect(snapMark(narrow, { x, y: 10 }, 'line').x, `${x}`).toBeCloseTo(29, 0);
  });

  it('looks at the largest pictures in coarser px, at all others as they are', () => {
    expect(snapShrink({ width: 3024, height: 4032 })).toBe(1);
    expect(snapShrink({ width: 1536, height: 2048 })).toBe(1);
    expect(snapShrink({ width: 12_096, height: 9000 })).toBeCloseTo(3, 6);
  });

  it('leaves a mark alone where there is nothing to snap to', () => {
    const blank: GreyPicture = { width: 50, height: 50, grey: new Uint8Array(2500).fill(128) };
    expect(snapMark(blank, { x: 20, y: 20 }, 'edge')).toEqual({ x: 20, y: 20 });
    expect(snapMark(blank, { x: 0, y: 0 }, 'line')).toEqual({ x: 0, y: 0 });
  });
});

/** Paints dark gauges and a darker string on a light ground, with soft edges and noise. */
function paint(marks: PhotoMarks, normal: () => number): GreyPicture {
  const width = 1200;
  const height = 3100;
  const grey = new Uint8Array(width * height);
  const cover = (x: number, from: number, to: number) =>
    Math.max(0, Math.min(x + 0.5, to) - Math.max(x - 0.5, from));
  const stringX = (y: number) => 600 + 0.01 * (y - 1500);
  for (let y = 0; y < height; y += 1) {
    const gauge = [marks.topGauge, marks.bottomGauge].find(([edge]) => Math.abs(edge.y - y) < 60);
    for (let x = 0; x < width; x += 1) {
      let level = 210;
      if (gauge !== undefined) level -= 90 * cover(x, gauge[0].x, gauge[1].x);
      level -= 110 * cover(x, stringX(y) - 4, stringX(y) + 4) * (level / 210);
      grey[y * width + x] = Math.max(0, Math.min(255, level + 4 * normal()));
    }
  }
  return { width, height, grey };
}
