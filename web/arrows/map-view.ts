import type { MapLine, MatchMap } from '#core/arrows/match-map.ts';

/** A map on the sheet: where a length and a point stand, px. */
export interface MapView {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly x: (lengthMm: number) => number;
  readonly y: (pointG: number) => number;
}

const MARGIN = { left: 52, right: 12, top: 26, bottom: 40 } as const;
const HEIGHT_PX = 300;

/** Lays a map out: longer to the right, heavier in front upward. */
export function mapView({ lengthsMm, pointsG }: MatchMap, widthPx: number): MapView {
  const [left, right] = [MARGIN.left, widthPx - MARGIN.right];
  const [top, bottom] = [MARGIN.top, HEIGHT_PX - MARGIN.bottom];
  const [fromMm = 0, toMm = 1] = [lengthsMm[0], lengthsMm.at(-1)];
  const [fromG = 0, toG = 1] = [pointsG[0], pointsG.at(-1)];
  return {
    widthPx,
    heightPx: HEIGHT_PX,
    left,
    right,
    top,
    bottom,
    x: (mm) => left + ((right - left) * (mm - fromMm)) / (toMm - fromMm),
    y: (g) => bottom - ((bottom - top) * (g - fromG)) / (toG - fromG),
  };
}

/** A line over the map, in as many pieces as it leaves and enters it. */
export function linePath({ lengthsMm }: MatchMap, line: MapLine, { x, y }: MapView): string {
  let path = '';
  let isDown = false;
  for (const [at, pointG] of line.entries()) {
    const lengthMm = lengthsMm[at];
    if (pointG === null || lengthMm === undefined) {
      isDown = false;
      continue;
    }
    path += `${isDown ? 'L' : 'M'}${x(lengthMm).toFixed(1)} ${y(pointG).toFixed(1)}`;
    isDown = true;
  }
  return path;
}

/** Round places on an axis, at most so many. */
export function roundTicks(low: number, high: number, most: number): readonly number[] {
  const rough = (high - low) / most;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 2.5, 5, 10].map((one) => one * power).find((one) => one >= rough) ?? rough;
  const first = Math.ceil(low / step - 1e-9);
  const count = Math.floor(high / step + 1e-9) - first + 1;
  return Array.from({ length: Math.max(0, count) }, (_, at) => (first + at) * step);
}
