import { format } from 'date-fns';
import { READINGS, type ReadingKind } from '#core/craft/readings.ts';
import { isLateral } from '#core/craft/show-reading.ts';
import { rightFromOutward } from '#core/craft/handedness.ts';
import { showNumber } from '#core/quantity/show.ts';
import { fromStored, toStored } from '#core/quantity/units.ts';
import type { BowState } from '#core/log/bow-state.ts';
import {
  type CurveMark,
  type CurvePoint,
  type ReadingCurve,
  thinned,
} from '#core/story/reading-curve.ts';
import { targetFor } from '#core/setup/targets.ts';

/** What the curve is drawn along. */
export const ALONG = ['time', 'shots'] as const;
export type Along = (typeof ALONG)[number];

/** A curve as it is drawn: figures in the unit shown. */
export interface CurveView {
  readonly points: readonly {
    readonly at: number;
    readonly value: number;
    readonly error: number;
    readonly stretch: number;
    readonly entryId: string;
  }[];
  readonly strings: readonly number[];
  readonly changes: readonly number[];
  readonly band: { readonly low: number; readonly high: number; readonly name: string } | null;
  readonly limit: { readonly low: number; readonly high: number } | null;
  readonly ticksY: readonly number[];
  readonly ticksX: readonly number[];
  readonly unit: string;
  readonly writeX: (at: number) => string;
  readonly writeY: (value: number) => string;
}

/** As many points as a screen can tell apart. */
const MOST_POINTS = 120;
const MOST_MARKS = 60;
/** About so many lines across. */
const LINES = 5;

/** A reading over time or over shots, ready to be drawn; null where it was never taken. */
export function curveView(state: BowState, curve: ReadingCurve, along: Along): CurveView | null {
  const { reading } = curve;
  const points = thinned(curve.points, MOST_POINTS);
  if (points.length === 0) return null;
  const unit = shownUnit(state, reading);
  const lateral = isLateral(reading);
  const shown = (stored: number) =>
    fromStored(lateral ? rightFromOutward(stored, state.bow.hand) : stored, unit);
  const place = (one: CurvePoint | CurveMark) =>
    along === 'time' ? Date.parse(one.at) : one.shots;
  const drawn = points.map((one) => ({
    at: place(one),
    value: shown(one.value),
    error: fromStored(one.plusMinus, unit),
    stretch: one.stretch,
    entryId: one.entryId,
  }));
  const marksOf = (wanted: CurveMark['kind']) => {
    const marks = curve.marks.filter(({ kind }) => kind === wanted);
    // More of them would be a grey wall; the list below has every one.
    return marks.length > MOST_MARKS ? [] : marks.map(place);
  };
  const target = targetFor(state, reading);
  const band =
    target === null
      ? null
      : { ...ordered(shown(target.low), shown(target.high)), name: target.name };
  const limit =
    target?.limit == null ? null : ordered(shown(target.limit.low), shown(target.limit.high));
  const reach = drawn.flatMap(({ value, error }) => [value - error, value + error]);
  if (band !== null) reach.push(band.low, band.high);
  const ticksY = roundTicks(Math.min(...reach), Math.max(...reach), yStep(unit, reach));
  return {
    points: drawn,
    strings: marksOf('string'),
    changes: marksOf('change'),
    band,
    limit,
    ticksY,
    ticksX: xTicks(drawn, along),
    unit: lateral ? 'mm, right of the string upward' : unit,
    writeX: (at) => (along === 'time' ? format(at, 'd MMM') : `${at}`),
    writeY: (value) => showNumber(lateral ? Math.abs(value) : value, decimalsOf(ticksY)),
  };
}

function ordered(one: number, other: number): { readonly low: number; readonly high: number } {
  return { low: Math.min(one, other), high: Math.max(one, other) };
}

/** Creep is a matter of half a millimetre: drawn in millimetres on every bow. */
function shownUnit(_state: BowState, reading: ReadingKind): 'mm' | 'lb' {
  return READINGS[reading].quantity === 'force' ? 'lb' : 'mm';
}

function yStep(unit: 'mm' | 'lb', reach: readonly number[]): number {
  const span = Math.max(toStored(Math.max(...reach) - Math.min(...reach), unit), 1e-6);
  return niceStep(fromStored(span, unit) / LINES);
}

/** 1, 2 or 5 of a power of ten, not below `least`. */
function niceStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least));
  return ([1, 2, 5, 10].find((one) => one * power >= least) ?? 10) * power;
}

function roundTicks(low: number, high: number, step: number): readonly number[] {
  const first = Math.floor(low / step + 1e-9);
  const last = Math.max(first + 1, Math.ceil(high / step - 1e-9));
  return Array.from({ length: last - first + 1 }, (_, at) => (first + at) * step);
}

function decimalsOf(ticks: readonly number[]): number {
  const [first = 0, second = 1] = ticks;
  return Math.max(0, -Math.floor(Math.log10(second - first) + 1e-9));
}

/** Ends and middle of what there is, each once. */
function xTicks(points: readonly { readonly at: number }[], along: Along): readonly number[] {
  const first = points[0]?.at ?? 0;
  const last = points.at(-1)?.at ?? first;
  const most = Math.max(...points.map(({ at }) => at), last);
  if (along === 'shots')
    return roundTicks(0, Math.max(1, most), niceStep(Math.max(1, most) / LINES)).filter(
      (at) => at <= most,
    );
  return [...new Set([0, 0.25, 0.5, 0.75, 1].map((share) => first + share * (last - first)))];
}
