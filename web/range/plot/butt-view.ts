import { rightFromOutward, outwardFromRight } from '#core/craft/handedness.ts';
import type { Hand } from '#core/craft/bow-terms.ts';
import { fromStored, toStored } from '#core/quantity/units.ts';
import type { Shot } from '#core/log/shooting.ts';

/** Zoom levels: half the width of what is seen, mm. */
const HALF_RANGES_MM = [100, 150, 200, 300, 450, 650, 1000] as const;
const LEAST_START_MM = 150;

/** The plot's sheet, px, and how butt millimetres map to it. Right and up as the archer sees it. */
export interface ButtView {
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
  readonly x: (outwardMm: number) => number;
  readonly y: (upMm: number) => number;
  readonly toButt: (x: number, y: number) => { readonly outwardMm: number; readonly upMm: number };
  readonly ticksX: readonly Tick[];
  readonly ticksY: readonly Tick[];
}

interface Tick {
  readonly at: number;
  readonly label: string | null;
}

/** Lays the butt out on the sheet. */
export function buttView(
  width: number,
  height: number,
  halfRangeMm: number,
  hand: Hand,
  unit: 'cm' | 'in',
): ButtView {
  const pxPerMm = Math.min(width, height) / 2 / halfRangeMm;
  const centreX = width / 2;
  const centreY = height / 2;
  const stepMm = toStored(
    unit === 'cm' ? tickStep(halfRangeMm, 10) : tickStep(halfRangeMm, 25.4),
    unit,
  );
  return {
    width,
    height,
    pxPerMm,
    x: (outwardMm) => centreX + rightFromOutward(outwardMm, hand) * pxPerMm,
    y: (upMm) => centreY - upMm * pxPerMm,
    toButt: (x, y) => ({
      outwardMm: Math.round(outwardFromRight((x - centreX) / pxPerMm, hand)),
      upMm: Math.round((centreY - y) / pxPerMm),
    }),
    ticksX: ticks(width / 2 / pxPerMm, stepMm, unit).map((tick) => ({
      ...tick,
      at: centreX + tick.at * pxPerMm,
    })),
    ticksY: ticks(height / 2 / pxPerMm, stepMm, unit).map((tick) => ({
      ...tick,
      at: centreY - tick.at * pxPerMm,
    })),
  };
}

/** Whole units between labelled ticks: about four each side. */
export function tickStep(halfRangeMm: number, unitMm: number): number {
  const wanted = halfRangeMm / unitMm / 3;
  return [1, 2, 5, 10, 20, 50].find((step) => step >= wanted * 0.8) ?? 50;
}

function ticks(halfMm: number, stepMm: number, unit: 'cm' | 'in'): readonly Tick[] {
  const minor = stepMm / 5;
  const count = Math.floor(halfMm / minor);
  return Array.from({ length: 2 * count + 1 }, (_, index) => {
    const steps = index - count;
    return {
      at: steps * minor,
      label: steps % 5 === 0 ? String(Math.round(Math.abs(fromStored(steps * minor, unit)))) : null,
    };
  });
}

/** The nearest zoom level that shows every shot with some room. */
export function fittingHalfRange(shots: readonly Shot[]): number {
  const reach = shots.reduce(
    (most, shot) => Math.max(most, Math.abs(shot.outwardMm), Math.abs(shot.upMm)),
    0,
  );
  const wanted = Math.max(LEAST_START_MM, reach * 1.15);
  return HALF_RANGES_MM.find((half) => half >= wanted) ?? 1000;
}

/** One zoom level nearer (−1) or wider (1). */
export function zoomed(halfRangeMm: number, way: -1 | 1): number {
  const at = HALF_RANGES_MM.findIndex((half) => half >= halfRangeMm);
  return HALF_RANGES_MM[Math.min(HALF_RANGES_MM.length - 1, Math.max(0, at + way))] ?? halfRangeMm;
}
