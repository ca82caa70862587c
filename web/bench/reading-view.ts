import { presentReading } from '#core/gains/present-reading.ts';
import { howToRead, READINGS, type ReadingKind } from '#core/craft/readings.ts';
import { isLateral, readingFigure, showReading } from '#core/craft/show-reading.ts';
import { rightFromOutward } from '#core/craft/handedness.ts';
import { BRACE_REFERENCE_LABEL } from '#core/craft/bow-terms.ts';
import {
  showLength,
  showLengthFigure,
  showNumber,
  showSigned,
  showWeight,
} from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { sinceUpsetWords } from '#core/words/since-words.ts';
import { presentTargetValue } from '#core/order/step-states.ts';
import { type Target, targetFor, type TargetId } from '#core/setup/targets.ts';
import { showPlusMinus } from '#core/words/show-plus-minus.ts';
import type { GaugeInput } from '../drawing/gauge-view.ts';

/** One reading as the bench shows it. */
export interface ReadingView {
  readonly kind: ReadingKind;
  readonly code: string;
  readonly label: string;
  /** Null until it has been measured. */
  readonly figure: string | null;
  readonly unit: string;
  /** The same in the other unit, with its uncertainty. */
  readonly other: string;
  /** `stale, 4 twists since`, `no reading yet`; null while it can be trusted. */
  readonly words: string | null;
  /** What it probably is now, when something was changed since. */
  readonly expected: string | null;
  readonly howTo: string;
  readonly gauge: GaugeInput | null;
}

/** Builds what the bench shows of one reading from the bow's state. */
export function readingView(state: BowState, kind: ReadingKind): ReadingView {
  const facts = READINGS[kind];
  const style = state.bow;
  const force = facts.quantity === 'force';
  const inMm = isMillimetres(kind);
  const base = {
    kind,
    code: facts.code,
    label: labelOf(state, kind),
    unit: readingFigure(kind, 0, style).unit,
    howTo: howToRead(kind, style.school),
  };
  const present = presentReading(state, kind);
  const target = targetFor(state, kind);
  if (present === null) {
    return {
      ...base,
      figure: null,
      other: '',
      words: 'no reading yet',
      expected: null,
      gauge: target === null ? null : gaugeFor(state, kind, target, null),
    };
  }
  const { measured, fresh, movedBy } = present;
  return {
    ...base,
    ...readingFigure(kind, measured.mean, style),
    other: otherWords(state, kind, measured.mean, fresh ? present.plusMinus : null),
    words: fresh ? null : `stale, ${sinceUpsetWords(movedBy)} since`,
    expected: fresh
      ? null
      : force
        ? `expect about ${showWeight(present.value)}`
        : `expect ${showReading(kind, present.value, style)} ± ${showPlusMinus(present.plusMinus, inMm ? { ...style, lengthUnit: 'mm' } : style)}`,
    gauge:
      target === null
        ? null
        : gaugeFor(state, kind, target, {
            value: measured.mean,
            plusMinus: present.plusMinus,
            trusted: fresh,
            expected: fresh ? null : present.value,
            before: state.readings.get(kind)?.at(-2)?.mean ?? null,
          }),
  };
}

/** Half a millimetre matters: never shown in sixteenths. */
function isMillimetres(kind: ReadingKind): boolean {
  return isLateral(kind) || kind === 'restHeight';
}

/** Tiller as top less bottom, with its own gauge. */
export interface TillerView {
  /** Says so when it is reckoned from what was turned since, and not read. */
  readonly label: string;
  readonly figure: string;
  readonly gauge: GaugeInput | null;
}

export function tillerView(state: BowState): TillerView | null {
  const value = presentTargetValue(state, 'tiller');
  const top = presentReading(state, 'tillerTop');
  const bottom = presentReading(state, 'tillerBottom');
  if (value === null || top === null || bottom === null) return null;
  const target = targetFor(state, 'tiller');
  const fresh = top.fresh && bottom.fresh;
  const figure =
    state.bow.lengthUnit === 'mm'
      ? `${showSigned(value, 1)} mm`
      : `${value > 0 ? '+' : ''}${showLength(value, state.bow)}`;
  return {
    label: fresh ? 'top less bottom' : 'expected top less bottom',
    figure,
    gauge:
      target === null
        ? null
        : gaugeFor(state, 'tiller', target, {
            value,
            plusMinus: Math.hypot(top.plusMinus, bottom.plusMinus),
            trusted: fresh,
            expected: null,
            before: null,
          }),
  };
}

function labelOf(state: BowState, kind: ReadingKind): string {
  if (kind === 'braceHeight') {
    return `${READINGS[kind].name}, ${BRACE_REFERENCE_LABEL[state.bow.braceReference]}`;
  }
  if (kind === 'drawWeight' && state.bow.amoDrawMm !== undefined) {
    return `${READINGS[kind].name}, ${showLength(state.bow.amoDrawMm, { lengthUnit: 'in', division: 8 })}`;
  }
  return READINGS[kind].name;
}

function otherWords(
  state: BowState,
  kind: ReadingKind,
  value: number,
  plusMinus: number | null,
): string {
  if (READINGS[kind].quantity === 'force') {
    return plusMinus === null ? '' : `± ${showNumber(fromStored(plusMinus, 'lb'), 1)} lb`;
  }
  if (isMillimetres(kind)) {
    return plusMinus === null ? '' : `± ${showNumber(plusMinus, 1)} mm`;
  }
  if (state.bow.lengthUnit === 'in') {
    const mm = showNumber(value, 1);
    return plusMinus === null ? `${mm} mm` : `${mm} ± ${showNumber(plusMinus, 1)} mm`;
  }
  const inches = showLength(value, { ...state.bow, lengthUnit: 'in' });
  return plusMinus === null ? inches : `± ${showNumber(plusMinus, 1)} mm · ${inches}`;
}

/** Weight gauges run this much beyond the band, as a share of it. */
const BEYOND_BAND = 0.6;
const LEAST_BEYOND_MM = 3;

function gaugeFor(
  state: BowState,
  id: TargetId,
  target: Target,
  pointer: Pointer | null,
): GaugeInput {
  const weight = id === 'drawWeight';
  const small = id !== 'tiller' && isMillimetres(id);
  const inches = state.bow.lengthUnit === 'in' && !small;
  // Left of the string is drawn on the left, whichever hand it is for.
  const lateral = id !== 'tiller' && isLateral(id);
  const place = (value: number) => (lateral ? rightFromOutward(value, state.bow.hand) : value);
  const ends = (range: { readonly low: number; readonly high: number }) =>
    [place(range.low), place(range.high)].toSorted((one, other) => one - other) as [number, number];
  const beyond = Math.max(LEAST_BEYOND_MM, (target.high - target.low) * BEYOND_BAND);
  const { limit } = target;
  const [low, high] = ends(limit ?? { low: target.low - beyond, high: target.high + beyond });
  const [bandLow, bandHigh] = ends(target);
  const show = (value: number) =>
    id === 'tiller'
      ? showLengthFigure(value, state.bow)
      : lateral
        ? sideFigure(value)
        : readingFigure(id, value, state.bow).figure;
  return {
    low,
    high,
    hard: limit !== null,
    hardWords:
      limit === null ? '' : limit.source === 'maker' ? 'maker’s limits' : 'limits, a rule of thumb',
    bandLow,
    bandHigh,
    bandName: target.name,
    bandSource: target.source,
    tickStep: weight ? 4.4482216 : inches ? 25.4 / 16 : 1,
    majorEvery: weight ? 5 : inches ? 2 : 5,
    lowLabel: show(low),
    highLabel: show(high),
    pointer:
      pointer === null
        ? null
        : {
            ...pointer,
            value: place(pointer.value),
            expected: pointer.expected === null ? null : place(pointer.expected),
            before: pointer.before === null ? null : place(pointer.before),
          },
  };
}

interface Pointer {
  readonly value: number;
  readonly plusMinus: number;
  readonly trusted: boolean;
  readonly expected: number | null;
  readonly before: number | null;
}

/** `3.5 left`: a place on a gauge that runs from left to right. */
function sideFigure(rightMm: number): string {
  return `${showNumber(Math.abs(rightMm), 1)} ${rightMm < 0 ? 'left' : 'right'}`;
}
