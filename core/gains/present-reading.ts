import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import type { BowState, ChangeMade, Measured } from '../record/fold.ts';
import { priorGain, type Response } from './prior-gains.ts';
import { readingHalfWidth } from './repeatability.ts';

/** Half of the normal 90 % interval in standard deviations. */
const HALF_90 = 1.6449;
/** Stands in until a bow has been weighed or a mark is known. */
const UNWEIGHED_N = 40 * N_PER_LBF;

/** A reading as it stands now: measured, or expected after changes made since. */
export interface PresentReading {
  readonly value: number;
  /** Half the 90 % interval. */
  readonly plusMinus: number;
  readonly measured: Measured;
  /** False when something was changed since that moves this reading. */
  readonly fresh: boolean;
  /** Those changes. */
  readonly movedBy: readonly ChangeMade[];
}

/** Draw weight for scaling gains: last measured, else marked, else a middling bow's. */
export function presentWeightN(state: BowState): number {
  return (
    state.readings.get('drawWeight')?.at(-1)?.mean ?? state.bow.maker.markedWeightN ?? UNWEIGHED_N
  );
}

/**
 * The last reading, moved by what was changed since with the rule-of-thumb gains.
 * @returns null when it was never measured
 */
export function presentReading(state: BowState, kind: ReadingKind): PresentReading | null {
  const measured = state.readings.get(kind)?.at(-1);
  if (measured === undefined) return null;
  const weightN = presentWeightN(state);
  const movedBy = state.changes.filter(
    (change) => change.index > measured.index && moves(kind, change.control, weightN),
  );
  const since = new Map<Control, number>();
  for (const change of movedBy) {
    since.set(change.control, (since.get(change.control) ?? 0) + change.amount);
  }
  const moved = effectOf(kind, since, weightN);
  return {
    value: measured.mean + moved.shift,
    plusMinus: Math.hypot(readingHalfWidth(measured), moved.plusMinus),
    measured,
    fresh: movedBy.length === 0,
    movedBy,
  };
}

export interface Effect {
  readonly shift: number;
  readonly plusMinus: number;
}

function moves(response: Response, control: Control, drawWeightN: number): boolean {
  const gain = priorGain(response, control, drawWeightN);
  return gain.mean !== 0 || gain.sd !== 0;
}

/** What moving controls does to a response: Σ gain · amount, spreads added as squares. */
export function effectOf(
  response: Response,
  amounts: ReadonlyMap<Control, number>,
  drawWeightN: number,
): Effect {
  let shift = 0;
  let variance = 0;
  for (const [control, amount] of amounts) {
    const gain = priorGain(response, control, drawWeightN);
    shift += gain.mean * amount;
    variance += (gain.sd * amount) ** 2;
  }
  return { shift, plusMinus: HALF_90 * Math.sqrt(variance) };
}
