import type { Hand } from '../craft/bow-terms.ts';
import { sideOf } from '../craft/handedness.ts';
import { showButtInterval } from '../quantity/show.ts';
import type { WalkBackFigure, WalkBackFit } from '../walk-back/walk-back.ts';
import type { DistanceRefusal } from '../walk-back/walk-back-plan.ts';

/** Why a distance of a walk-back is not shot from. */
export const REFUSED_WORDS: Readonly<Record<DistanceRefusal, string>> = {
  below: 'it could fall below the butt',
  over: 'it could pass over the butt: hang the mark lower',
  aside: 'it could pass beside the butt',
  tooNarrow: 'the butt is too small for this scatter',
};

/** Which way the line leans; straight is said for good only over two looks. */
export function leanWords({
  drift,
  bend,
  straight,
}: Pick<WalkBackFit, 'drift' | 'bend' | 'straight'>): string {
  switch (drift.call) {
    case 'plus':
      return 'Leans outward with distance:';
    case 'minus':
      return 'Leans inward with distance:';
    case 'inside':
      if (straight) return 'Straight down the butt.';
      return bend === null
        ? 'It does not lean; two distances do not show a line.'
        : 'It does not lean, by this one look.';
    case 'undecided':
      return 'Lean undecided:';
  }
}

/** Whether it bends. */
export function bendWords(bend: WalkBackFigure): string {
  switch (bend.call) {
    case 'plus':
    case 'minus':
      return 'And it bends: preload or side drag.';
    case 'inside':
      return 'It does not bend.';
    case 'undecided':
      return 'Whether it bends is undecided.';
  }
}

/** Lean and bend in one line. */
export function walkBackSays(
  fit: Pick<WalkBackFit, 'drift' | 'bend' | 'straight'>,
  hand: Hand,
  unit: 'cm' | 'in',
): string {
  const { drift, bend } = fit;
  const lean = leanWords(fit);
  const figure =
    drift.call === 'inside'
      ? ''
      : ` ${showButtInterval(drift.mm, drift.plusMinusMm, unit)} ${sideOf(drift.mm, hand)}.`;
  return `${lean}${figure}${bend === null ? '' : ` ${bendWords(bend)}`}`;
}
