import type { FitOutItem } from '#core/craft/fit-out.ts';
import type { StepId } from '#core/craft/steps.ts';

/** Opens a step's sheet; in the fit-out, with the change of an item begun. */
export type OpenStep = (step: StepId, item?: FitOutItem) => void;

/** The bench of a bow with a step's sheet open. */
export function stepAddress(bowId: string, ...[step, item]: Parameters<OpenStep>): string {
  return `/bench/${bowId}?step=${step}${item === undefined ? '' : `&item=${item}`}`;
}
