import type { ReadingKind } from '../craft/readings.ts';
import type { Control } from '../craft/controls.ts';
import { learnedGains } from '../gains/learned-gains.ts';
import { readingHalfWidth } from '../gains/repeatability.ts';
import { controlsMoving } from '../gains/responses.ts';
import type { BowState } from '../log/bow-state.ts';
import type { EntryBody } from '../log/entry.ts';
import { shotsIn } from '../log/shots-in.ts';

/** One reading on the curve. Its place along it by time, and by shots this bow had had. */
export interface CurvePoint {
  readonly entryId: string;
  /** When, as it was written down: most points of a long curve are never drawn. */
  readonly at: string;
  readonly shots: number;
  readonly value: number;
  /** Half the 90 % interval. */
  readonly plusMinus: number;
  /** Rises whenever another string was put on, or something was turned that moves this reading. */
  readonly stretch: number;
}

type MarkedAs =
  | { readonly kind: 'string' }
  | { readonly kind: 'change'; readonly control: Control; readonly amount: number };

/** Something that happened between readings and moves them. */
export type CurveMark = MarkedAs & {
  readonly entryId: string;
  readonly at: string;
  readonly shots: number;
};

export interface ReadingCurve {
  readonly reading: ReadingKind;
  readonly points: readonly CurvePoint[];
  readonly marks: readonly CurveMark[];
}

/**
 * One reading over the bow's whole record, with what was turned or restrung between.
 *
 * @param reading stored unit throughout
 */
export function readingCurve(state: BowState, reading: ReadingKind): ReadingCurve {
  const { repeatability } = learnedGains(state);
  const moving = new Set(controlsMoving(reading));
  const taken = new Map((state.readings.get(reading) ?? []).map((one) => [one.entryId, one]));
  const points: CurvePoint[] = [];
  const marks: CurveMark[] = [];
  let shots = 0;
  let stretch = 0;
  for (const { id: entryId, at, body } of state.active) {
    shots += shotsIn(body);
    const measured = taken.get(entryId);
    if (measured !== undefined) {
      const plusMinus = readingHalfWidth(measured, repeatability);
      const value = measured.mean;
      points.push({ entryId, at, shots, value, plusMinus, stretch });
    }
    const what = markOf(body, moving);
    if (what === null) continue;
    stretch += 1;
    marks.push({ entryId, at, shots, ...what });
  }
  return { reading, points, marks };
}

/** A string put on, or a change of what moves the reading. */
function markOf(body: EntryBody, moving: ReadonlySet<Control>): MarkedAs | null {
  if (body.kind === 'itemFitted' && body.string !== undefined) return { kind: 'string' };
  if (body.kind !== 'change' || !moving.has(body.control)) return null;
  return { kind: 'change', control: body.control, amount: body.amount };
}

/**
 * At most about `most` points that keep the shape: of each stretch its first, last, lowest and highest.
 * A curve of ten thousand readings is drawn on a thousand pixels.
 */
export function thinned(points: readonly CurvePoint[], most: number): readonly CurvePoint[] {
  if (points.length <= most) return points;
  const perStretch = Math.ceil((points.length / most) * 4);
  const kept: CurvePoint[] = [];
  for (let from = 0; from < points.length; from += perStretch) {
    const stretch = points.slice(from, from + perStretch);
    const lowest = stretch.reduce((low, one) => (one.value < low.value ? one : low));
    const highest = stretch.reduce((high, one) => (one.value > high.value ? one : high));
    const wanted = new Set([stretch[0]!, lowest, highest, stretch.at(-1)!]);
    kept.push(...stretch.filter((one) => wanted.has(one)));
  }
  return kept;
}
