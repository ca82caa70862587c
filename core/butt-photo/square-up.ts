import {
  applyHomography,
  type Homography,
  homographyOf,
  invert,
  type PlanePoint,
} from './homography.ts';

/** Something on the butt whose size is known, as marked in the picture, px. */
export type KnownShape =
  | {
      readonly kind: 'rectangle';
      readonly widthMm: number;
      readonly heightMm: number;
      /** Top left, top right, bottom right, bottom left. */
      readonly marks: readonly PlanePoint[];
    }
  | {
      readonly kind: 'circle';
      readonly diameterMm: number;
      /** Its top, right, bottom and left. */
      readonly marks: readonly PlanePoint[];
    };

/** A picture squared up: every pixel has a place on the butt, mm right of and above the middle. */
export interface SquaredUp {
  readonly kind: 'squared';
  readonly toButt: Homography;
  readonly toPicture: Homography;
  /** In the middle of the shape. */
  readonly pxPerMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

export type SquareUp =
  | SquaredUp
  | { readonly kind: 'refused'; readonly says: string; readonly remedy: string };

/** Marks and holes are placed to about this, px, one standard deviation: a pixel either way. */
const MARK_SD_PX = 0.6;
/** Coarser than this, a hole cannot be read to a millimetre or two. */
const LEAST_PX_PER_MM = 0.4;
/** A shape that looks this many times as wide, against its height, as it is said to be is another. */
const ASPECT_SLACK = 1.25;
/** Focal lengths of cameras lie in this range, in picture widths. */
const FOCAL = { least: 0.5, usual: 1, most: 4 } as const;

/**
 * Squares a picture up by four marks on a known shape. The four places fix the projective map
 * between picture and butt; whether they can be that shape at all is checked against what a camera
 * with square pixels can see.
 *
 * @param size of the picture, px
 */
export function squareUp(
  shape: KnownShape,
  size: { readonly width: number; readonly height: number },
): SquareUp {
  const widthMm = shape.kind === 'rectangle' ? shape.widthMm : shape.diameterMm;
  const heightMm = shape.kind === 'rectangle' ? shape.heightMm : shape.diameterMm;
  if (!(widthMm >= 50 && heightMm >= 50 && widthMm <= 5000 && heightMm <= 5000))
    return refused('The size given cannot be.', 'Give it between 5 cm and 5 m.');
  const { marks } = shape;
  if (marks.length !== 4) return refused('Four marks are needed.', 'Mark all four.');
  const turn = turning(marks);
  if (turn === 'crossed')
    return refused(
      'The four marks cross or stand in one line.',
      shape.kind === 'rectangle'
        ? 'Mark the corners round in order: top left, top right, bottom right, bottom left.'
        : 'Mark the circle’s top, right, bottom, left, in that order.',
    );
  if (turn === 'backwards')
    return refused(
      'The marks go round the wrong way.',
      'Mark them clockwise, beginning at the top left.',
    );
  const places = placesOf(shape, widthMm, heightMm);
  const toButt = homographyOf(marks, places);
  const toPicture = toButt === null ? null : invert(toButt);
  if (toButt === null || toPicture === null)
    return refused('These four marks fix no view.', 'Mark them well apart.');
  const pxPerMm = scaleAt(toPicture, { x: 0, y: 0 });
  if (pxPerMm < LEAST_PX_PER_MM)
    return refused(
      `A millimetre is only ${pxPerMm.toFixed(1)} px here.`,
      'Take the picture nearer, or larger.',
    );
  const looks = aspectOf(toPicture, size);
  const off = Math.max(looks, 1 / looks);
  if (off > ASPECT_SLACK)
    return refused(
      `What is marked looks ${looks > 1 ? 'wider' : 'taller'} than it is said to be, ${off.toFixed(1)} times.`,
      'Check the size given, and that the marks sit on its corners.',
    );
  return { kind: 'squared', toButt, toPicture, pxPerMm, widthMm, heightMm };
}

function refused(says: string, remedy: string): SquareUp {
  return { kind: 'refused', says, remedy };
}

function placesOf(shape: KnownShape, widthMm: number, heightMm: number): readonly PlanePoint[] {
  const [w, h] = [widthMm / 2, heightMm / 2];
  return shape.kind === 'rectangle'
    ? [
        { x: -w, y: h },
        { x: w, y: h },
        { x: w, y: -h },
        { x: -w, y: -h },
      ]
    : [
        { x: 0, y: h },
        { x: w, y: 0 },
        { x: 0, y: -h },
        { x: -w, y: 0 },
      ];
}

/** Clockwise in a picture whose y goes down, backwards, or not convex at all. */
function turning(marks: readonly PlanePoint[]): 'clockwise' | 'backwards' | 'crossed' {
  const turns = marks.map((a, i) => {
    const b = marks[(i + 1) % 4]!;
    const c = marks[(i + 2) % 4]!;
    const cross = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
    const lengths = Math.hypot(b.x - a.x, b.y - a.y) * Math.hypot(c.x - b.x, c.y - b.y);
    return lengths === 0 ? 0 : cross / lengths;
  });
  if (turns.every((one) => one > 0.05)) return 'clockwise';
  return turns.every((one) => one < -0.05) ? 'backwards' : 'crossed';
}

/** Pixels per millimetre about a place on the butt: the square root of the area it takes. */
function scaleAt(toPicture: Homography, at: PlanePoint): number {
  const origin = applyHomography(toPicture, at);
  const right = applyHomography(toPicture, { x: at.x + 1, y: at.y });
  const up = applyHomography(toPicture, { x: at.x, y: at.y + 1 });
  return Math.sqrt(
    Math.abs((right.x - origin.x) * (up.y - origin.y) - (right.y - origin.y) * (up.x - origin.x)),
  );
}

/**
 * How many times as wide, against its height, as it is said to be the marked shape looks to a
 * camera with square pixels aimed at the picture's middle: the two directions of the plane must be
 * square to each other and equally long under the image of the absolute conic. The focal length
 * follows from the first where perspective shows it; else a usual one is taken.
 */
function aspectOf(
  h: Homography,
  { width, height }: { readonly width: number; readonly height: number },
): number {
  const [cx, cy] = [width / 2, height / 2];
  const column = (at: number) => {
    const z = h[6 + at]!;
    return { x: h[at]! - cx * z, y: h[3 + at]! - cy * z, z };
  };
  const one = column(0);
  const two = column(1);
  const largest = Math.max(width, height);
  const between = one.z * two.z;
  const square = -(one.x * two.x + one.y * two.y) / between;
  const focal =
    Number.isFinite(square) && square > 0
      ? Math.min(FOCAL.most, Math.max(FOCAL.least, Math.sqrt(square) / largest))
      : FOCAL.usual;
  const length = ({ x, y, z }: typeof one) => Math.hypot(x, y, z * focal * largest);
  return length(one) / length(two);
}

/** One hole read off the picture: mm right of and above the middle, and how well. */
export interface HoleRead {
  readonly rightMm: number;
  readonly upMm: number;
  /** One standard deviation, mm. */
  readonly sdMm: number;
}

/**
 * Reads a place in the picture, with its uncertainty: each of the four marks and the hole itself
 * moved by as much, one after the other, their effects added as squares.
 */
export function readHole(shape: KnownShape, squared: SquaredUp, hole: PlanePoint): HoleRead {
  const at = applyHomography(squared.toButt, hole);
  let variance = 0;
  const add = (moved: PlanePoint | null) => {
    if (moved !== null) variance += ((moved.x - at.x) ** 2 + (moved.y - at.y) ** 2) / 2;
  };
  const places = placesOf(shape, squared.widthMm, squared.heightMm);
  for (const [dx, dy] of [
    [MARK_SD_PX, 0],
    [0, MARK_SD_PX],
  ] as const) {
    add(applyHomography(squared.toButt, { x: hole.x + dx, y: hole.y + dy }));
    for (const [index, mark] of shape.marks.entries()) {
      const marks = shape.marks.with(index, { x: mark.x + dx, y: mark.y + dy });
      const other = homographyOf(marks, places);
      add(other === null ? null : applyHomography(other, hole));
    }
  }
  return { rightMm: at.x, upMm: at.y, sdMm: Math.sqrt(variance) };
}
