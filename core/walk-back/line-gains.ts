import type { BowState } from '../log/bow-state.ts';
import { lineAnswers } from './walk-back-standing.ts';

/** Half of the normal 90 % interval in standard deviations. */
export const HALF_90 = 1.6449;
/** 1 turn of reach out: the line leans outward by about this; the sign is likely, not certain. */
const REACH_LEAN = { mean: 2.1, sd: 2 } as const;
/** 1 turn of preload stiffer: which way the line bows is not known beforehand. */
const PRELOAD_BOW = { mean: 0, sd: 20 } as const;

/** How a control moves the line, per turn. */
export interface LineGain {
  readonly mean: number;
  readonly sd: number;
  /** Changes it was learned from; 0: the rule of thumb. */
  readonly changes: number;
}

/** Lean per turn of reach, mm a metre: the rule of thumb until walks before and after have shown it. */
export function reachGain(state: BowState): LineGain {
  return learned(
    REACH_LEAN,
    lineAnswers(state, 'plungerReach').map(({ change, before, after }) => ({
      amount: change.amount,
      shift: after.leanMmPerM.mean - before.leanMmPerM.mean,
      halfWidth: Math.hypot(after.leanMmPerM.plusMinus, before.leanMmPerM.plusMinus),
    })),
  );
}

/** Bend per turn of preload, mm: nothing is known of it until walks before and after have shown it. */
export function preloadGain(state: BowState): LineGain {
  return learned(
    PRELOAD_BOW,
    lineAnswers(state, 'plungerPreload').flatMap(({ change, before, after }) =>
      before.bend === null || after.bend === null
        ? []
        : [
            {
              amount: change.amount,
              shift: after.bend.mm - before.bend.mm,
              halfWidth: Math.hypot(after.bend.plusMinusMm, before.bend.plusMinusMm),
            },
          ],
    ),
  );
}

/** Conjugate normal update of a gain from shifts seen over amounts turned. */
function learned(
  prior: { readonly mean: number; readonly sd: number },
  seen: readonly {
    readonly amount: number;
    readonly shift: number;
    readonly halfWidth: number;
  }[],
): LineGain {
  let precision = 1 / prior.sd ** 2;
  let weighted = prior.mean * precision;
  for (const { amount, shift, halfWidth } of seen) {
    const sd = halfWidth / HALF_90;
    precision += (amount / sd) ** 2;
    weighted += (amount * shift) / sd ** 2;
  }
  return { mean: weighted / precision, sd: Math.sqrt(1 / precision), changes: seen.length };
}
