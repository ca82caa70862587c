import { applyHomography, type Homography } from './homography.ts';

/** A colour picture: four bytes a pixel, row by row. */
export interface ColourPicture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** What of the butt the straightened picture shows, and how large. */
export interface StraightView {
  /** Half of what is seen across and up and down, mm from the middle. */
  readonly halfWidthMm: number;
  readonly halfHeightMm: number;
  readonly pxPerMm: number;
}

/** Straightened pictures are no larger than this, px. */
const MOST_PX = 1600;
const MOST_PX_PER_MM = 3;
/** Beside the known shape this much more of the butt is shown, as a share of its half. */
const MARGIN = 0.35;

/** A view that shows the known shape with room around it, as sharp as the picture is. */
export function straightView(squared: {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly pxPerMm: number;
}): StraightView {
  const halfWidthMm = (squared.widthMm / 2) * (1 + MARGIN);
  const halfHeightMm = (squared.heightMm / 2) * (1 + MARGIN);
  return {
    halfWidthMm,
    halfHeightMm,
    pxPerMm: Math.min(
      MOST_PX_PER_MM,
      squared.pxPerMm * 1.2,
      MOST_PX / (2 * Math.max(halfWidthMm, halfHeightMm)),
    ),
  };
}

/**
 * The butt as seen square on: every pixel of the view fetched from where it lies in the picture,
 * between its four neighbours (bilinear). What lies outside the picture stays clear.
 */
export function straighten(
  picture: ColourPicture,
  toPicture: Homography,
  { halfWidthMm, halfHeightMm, pxPerMm }: StraightView,
): ColourPicture {
  const width = Math.round(2 * halfWidthMm * pxPerMm);
  const height = Math.round(2 * halfHeightMm * pxPerMm);
  const data = new Uint8ClampedArray(width * height * 4);
  for (let row = 0; row < height; row += 1) {
    const y = halfHeightMm - (row + 0.5) / pxPerMm;
    for (let column = 0; column < width; column += 1) {
      const x = (column + 0.5) / pxPerMm - halfWidthMm;
      const from = applyHomography(toPicture, { x, y });
      fetchPixel(picture, from.x - 0.5, from.y - 0.5, data, (row * width + column) * 4);
    }
  }
  return { width, height, data };
}

function fetchPixel(
  { width, height, data }: ColourPicture,
  x: number,
  y: number,
  into: Uint8ClampedArray,
  at: number,
): void {
  const left = Math.floor(x);
  const top = Math.floor(y);
  if (left < 0 || top < 0 || left >= width - 1 || top >= height - 1) return;
  const [fx, fy] = [x - left, y - top];
  const first = (top * width + left) * 4;
  const below = first + width * 4;
  for (let channel = 0; channel < 3; channel += 1) {
    const upper = data[first + channel]! * (1 - fx) + data[first + 4 + channel]! * fx;
    const lower = data[below + channel]! * (1 - fx) + data[below + 4 + channel]! * fx;
    into[at + channel] = upper * (1 - fy) + lower * fy;
  }
  into[at + 3] = 255;
}
