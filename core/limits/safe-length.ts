import type { BowState } from '../log/bow-state.ts';
import { longestDraw, pivotDrawMm } from './draw-length.ts';

/** Shaft end in front of the front edge of riser or rest at full draw, mm; more with a broadhead on it. */
const IN_FRONT_MM = { plain: 25, broadhead: 40 } as const;
/** With a clicker on the bow the shaft's end stays this far in front of the rest contact, mm. */
const CLICKER_IN_FRONT_MM = 15;

/** What a safe length was reckoned by. */
export type SafeLengthRule = 'clicker' | 'plain' | 'broadhead';

export type SafeLength =
  | {
      readonly kind: 'known';
      readonly leastMm: number;
      /** What may still be cut off; 0 when it is too short already. */
      readonly leftMm: number;
      /** How much the shaft on the bow is too short; 0 when it is long enough. */
      readonly shortMm: number;
      readonly rule: SafeLengthRule;
      readonly drawMm: number;
      readonly drawMeasured: boolean;
    }
  /** With a length unknown nothing is cut. */
  | { readonly kind: 'unknown'; readonly missing: 'shaft' | 'draw' };

/**
 * How short a shaft may become at this archer's longest draw, and what is left to cut. The front edge
 * of the riser lies about where the AMO draw is measured to; with a clicker standing in the fit-out
 * the shaft is drawn farther in, to 15 mm in front of the rest contact, about over the pivot point.
 */
export function safeLength(state: BowState): SafeLength {
  const lengthMm = state.bow.arrow?.lengthMm;
  if (lengthMm === undefined) return { kind: 'unknown', missing: 'shaft' };
  const least = leastShaftMm(state);
  if (least === null) return { kind: 'unknown', missing: 'draw' };
  return {
    kind: 'known',
    ...least,
    leftMm: Math.max(0, lengthMm - least.leastMm),
    shortMm: Math.max(0, least.leastMm - lengthMm),
  };
}

/** The shortest shaft that is safe on this bow, whatever shaft is on it; null with the draw unknown. */
export function leastShaftMm(state: BowState): {
  readonly leastMm: number;
  readonly rule: SafeLengthRule;
  readonly drawMm: number;
  readonly drawMeasured: boolean;
} | null {
  const draw = longestDraw(state);
  if (draw === null) return null;
  const rule = ruleFor(state);
  return {
    leastMm:
      rule === 'clicker' ? pivotDrawMm(draw) + CLICKER_IN_FRONT_MM : draw.amoMm + IN_FRONT_MM[rule],
    rule,
    drawMm: draw.amoMm,
    drawMeasured: draw.measured,
  };
}

/** A broadhead must never reach the hand: its rule holds even beside a clicker. */
function ruleFor(state: BowState): SafeLengthRule {
  if (state.bow.purpose === 'hunting') return 'broadhead';
  return hasClicker(state) ? 'clicker' : 'plain';
}

/** A clicker stands in the fit-out, and was not taken off again. */
export function hasClicker({ fitOut }: BowState): boolean {
  return (fitOut.get('clicker')?.described ?? '') !== '';
}
