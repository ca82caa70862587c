/** A point on the sheet, px: x right, y down. */
export type Point = readonly [number, number];

const at = ([x, y]: Point): string => `${x.toFixed(2)} ${y.toFixed(2)}`;

/** Straight lines through points. */
export function openPath(points: readonly Point[]): string {
  return points.map((point, index) => `${index === 0 ? 'M' : 'L'}${at(point)}`).join('');
}

export function closedPath(path: string): string {
  return `${path}Z`;
}

/** A smooth curve through points (Catmull–Rom as cubic Béziers, half tension). */
export function smoothThrough(points: readonly Point[]): string {
  const [first] = points;
  if (first === undefined) return '';
  let path = `M${at(first)}`;
  for (let i = 0; i < points.length - 1; i += 1) {
    const p0 = points[Math.max(i - 1, 0)] ?? first;
    const p1 = points[i] ?? first;
    const p2 = points[i + 1] ?? first;
    const p3 = points[Math.min(i + 2, points.length - 1)] ?? first;
    const c1: Point = [p1[0] + (p2[0] - p0[0]) / 6, p1[1] + (p2[1] - p0[1]) / 6];
    const c2: Point = [p2[0] - (p3[0] - p1[0]) / 6, p2[1] - (p3[1] - p1[1]) / 6];
    path += `C${at(c1)} ${at(c2)} ${at(p2)}`;
  }
  return path;
}
